import { wetLeafOf, wetLeafWords } from '#core/brews';
import type { BarBrew } from '../../entities/brews/barBrews';
import { useLimits } from '../../entities/people/session';
import { useNow } from '../../platform/clock';

const LOOK_AGAIN_MS = 15_000;

/** How long the leaf of a brew that was lifted has lain wet, and when it is too old for another steep. */
export function WetLeafNote({ brew }: { brew: BarBrew }) {
  const { wetLeafHours } = useLimits();
  const now = useNow(LOOK_AGAIN_MS);
  if (brew.state.kind !== 'pulled') return null;
  const wet = wetLeafOf(brew.plan, brew.tea.style, brew.state.pulled, now, wetLeafHours);
  if (!wet) return null;
  return (
    <p className={`detail ${wet.isPast ? 'text-warn font-semibold' : ''}`}>
      {wetLeafWords(wet, wetLeafHours)}
    </p>
  );
}
