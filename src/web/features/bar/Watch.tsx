import { useEffect, useMemo } from 'react';
import { isVesselInUse } from '#core/brews';
import { type BarItem, barItems, sortByUrgency } from '../../entities/brews/barItems';
import { useBar } from '../../entities/brews/useBar';
import { useUnits } from '../../entities/people/session';
import { useNow } from '../../platform/clock';
import { allowSound } from '../../platform/sound';
import { useAppSelector } from '../../platform/store';
import { useAlarms, useWakeLock } from './alarms';

/** Works in every place: rings, tells the screen reader, keeps the screen on, shows the time in the tab. */
export function BarWatch({ place }: { place: string }) {
  const { brews } = useBar();
  const now = useNow(500);
  const { volume, temperature } = useUnits();
  const frame = useAppSelector((s) => s.settings.frame);
  const said = useAlarms(brews, now);
  useWakeLock(brews.some((b) => isVesselInUse(b.state.kind)));
  useEffect(() => {
    addEventListener('pointerdown', allowSound, { once: true });
    addEventListener('keydown', allowSound, { once: true });
  }, []);
  const shown = useMemo(
    () => barItems(brews, now, { volume, temperature }),
    [brews, now, volume, temperature],
  );
  const title = useMemo(() => {
    const next = sortByUrgency(shown.filter((s) => s.status.name !== 'pulled'))[0];
    return next
      ? `${next.status.late ? '+' : ''}${next.status.figure} ${next.brew.tea.name} · Limnos`
      : `${place} · Limnos`;
  }, [shown, place]);
  useEffect(() => {
    document.title = title;
  }, [title]);
  const due = dueOf(shown);
  return (
    <>
      {frame && due && <div className={`across ${due}`} data-testid="across" aria-hidden="true" />}
      <div className="visually-hidden" role="status" aria-live="assertive">
        {said}
      </div>
    </>
  );
}

/** The most pressing there is: late, due, or nothing. */
function dueOf(shown: BarItem[]) {
  if (shown.some((s) => s.status.name === 'late')) return 'late';
  if (shown.some((s) => s.status.name === 'past' || s.status.name === 'window')) return 'due';
  return null;
}
