import { useEffect, useMemo } from 'react';
import { useNow } from '../../app/clock';
import { allowSound, useAlarms, useWakeLock } from './alarms';
import { nextHands, phaseOf, sayingOf } from './brews';
import { useBar, usePourWords } from './useBar';

/** Works in every place: rings, tells the screen reader, keeps the screen on, shows the time in the tab. */
export function BarWatch({ place }: { place: string }) {
  const { brews } = useBar();
  const now = useNow(250);
  const pour = usePourWords();
  const said = useAlarms(brews, now);
  useWakeLock(brews.some((b) => b.state.kind === 'steeping' || b.state.kind === 'warming'));
  useEffect(() => {
    addEventListener('pointerdown', allowSound, { once: true });
    addEventListener('keydown', allowSound, { once: true });
  }, []);
  const title = useMemo(() => {
    const shown = brews.map((brew) => {
      const phase = phaseOf(brew, now);
      return { brew, phase, saying: sayingOf(brew, phase, pour) };
    });
    const next = nextHands(shown.filter((s) => s.saying.name !== 'pulled'))[0];
    return next ? `${next.saying.late ? '+' : ''}${next.saying.figure} ${next.brew.tea.name} · Limnos` : `${place} · Limnos`;
  }, [brews, now, pour, place]);
  useEffect(() => {
    document.title = title;
  }, [title]);
  return <div className="visually-hidden" role="status" aria-live="assertive">{said}</div>;
}
