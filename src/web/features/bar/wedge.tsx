import { useEffect } from 'react';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import { useGo } from '../../platform/useGo';
import { placeOfCode, wedgeReader } from './codes';

/** Listens for a scanner that types, in every place: a card's code opens its card. */
export function ScannerWedge() {
  const go = useGo();
  const dispatch = useAppDispatch();
  useEffect(() => {
    const read = wedgeReader();
    const onKey = (e: KeyboardEvent) => {
      if (
        e.repeat ||
        (e.target instanceof HTMLElement && e.target.matches('input, textarea, select'))
      )
        return;
      const { whole, ofCode } = read(e.key, e.timeStamp);
      // Letters of a code are not keys of the bar.
      if (ofCode) e.stopImmediatePropagation();
      if (whole === null) return;
      e.preventDefault();
      const place = placeOfCode(whole);
      if (place) go(place);
      else dispatch(toastShown({ text: 'That code is not of a card here.' }));
    };
    // Before any other key: the Enter at its end starts no brew.
    document.addEventListener('keydown', onKey, true);
    return () => document.removeEventListener('keydown', onKey, true);
  }, [go, dispatch]);
  return null;
}
