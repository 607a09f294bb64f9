import { useEffect } from 'react';
import { brewSaved, ordersSaved } from '../entities/brews/barCache';
import { api } from '../platform/api';
import { openLive } from '../platform/live';
import { useAppDispatch } from '../platform/store';

/** Hears what others do for as long as somebody is signed in here. */
export function useLiveEvents(): void {
  const dispatch = useAppDispatch();
  useEffect(() => {
    const reread = (...tags: Parameters<typeof api.util.invalidateTags>[0]) =>
      dispatch(api.util.invalidateTags(tags));
    return openLive(dispatch, {
      fresh: () => reread('Bar', 'Cold', 'Training'),
      brew: ({ brew }) => {
        dispatch(brewSaved(brew));
        reread('Log');
      },
      queue: ({ orders }) => {
        dispatch(ordersSaved(orders));
      },
      table: () => reread('Table'),
      batch: () => reread('Cold'),
      records: () => reread('Book', 'Shelf', 'House'),
      reread: () => reread('Bar', 'Log', 'Book', 'Shelf', 'House', 'Table', 'Cold'),
    });
  }, [dispatch]);
}
