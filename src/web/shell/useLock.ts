import { useCallback, useEffect, useState } from 'react';
import { useLocked } from '../entities/people/locked';
import type { LockWrite } from '../entities/people/lockWrite';
import { newId } from '../platform/ids';
import { queueWrite } from '../platform/outbox/outbox';
import { settingsChanged } from '../platform/settings';
import { useAppDispatch, useAppSelector } from '../platform/store';
import { toastsCleared, toastShown } from '../platform/toasts';

/** Before it locks it asks, for so long, ms. */
const ASK_MS = 10_000;
const LOOK_MS = 1000;
let touched = performance.now();
if (typeof document !== 'undefined')
  for (const kind of ['pointerdown', 'keydown'] as const)
    document.addEventListener(
      kind,
      () => {
        touched = performance.now();
      },
      true,
    );

/**
 * A tablet that several use locks when nobody has touched it for a while. It goes on showing the bar and a steep can
 * still be pulled, as the tablet's. While there is no connection it does not lock: no PIN could be checked.
 */
export function useLock() {
  const dispatch = useAppDispatch();
  const { lockAfter, deviceName } = useAppSelector((s) => s.settings);
  const away = useAppSelector((s) => s.outbox.awaySince !== null);
  const [asking, setAsking] = useState(false);
  const locked = useLocked();
  const lock = useCallback(() => {
    setAsking(false);
    if (away)
      return void dispatch(
        toastShown({ text: 'No connection: it does not lock, for no PIN could be checked.' }),
      );
    dispatch(settingsChanged({ locked: true }));
    dispatch(toastsCleared());
    // After all that was done by whoever was here: it is theirs.
    dispatch(queueWrite<LockWrite>({ kind: 'lock', id: newId(), device: deviceName }));
  }, [dispatch, deviceName, away]);
  useEffect(() => {
    if (lockAfter === 0 || locked) return;
    const timer = setInterval(() => {
      const idle = performance.now() - touched - lockAfter * 60_000;
      if (away || idle < -ASK_MS) return setAsking(false);
      if (idle >= 0) lock();
      else setAsking(true);
    }, LOOK_MS);
    return () => clearInterval(timer);
  }, [lockAfter, locked, away, lock]);
  return {
    locked,
    lock,
    asking,
    stay: () => {
      touched = performance.now();
      setAsking(false);
    },
  };
}
