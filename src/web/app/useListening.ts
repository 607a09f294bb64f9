import { useEffect } from 'react';
import { listen } from './live';
import { useAppDispatch } from './store';

/** Hears of what the others do for as long as somebody is signed in here. */
export function useListening(): void {
  const dispatch = useAppDispatch();
  useEffect(() => listen(dispatch), [dispatch]);
}
