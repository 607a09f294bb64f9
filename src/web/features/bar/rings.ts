import { waterRightAt } from '#core/brews';
import type { Brew } from '#contracts/brews';
import { heardBetween, type Ring } from '../../platform/sound';

/** Water that waits off the boil became right between two instants. */
function isRightBetween({ plan, marks }: Brew, from: number, to: number): boolean {
  const right = waterRightAt(plan, marks);
  return right !== null && from < right && right <= to;
}
/** What is heard between two instants of one brew. */
export function ringsBetween(brew: Brew, from: number, to: number): Ring | null {
  if (brew.state.kind === 'warming') return isRightBetween(brew, from, to) ? 'tap' : null;
  if (brew.state.kind !== 'steeping') return null;
  const { waterOn } = brew.state;
  const { best, latest } = brew.plan.recipe.window;
  const of = { best: waterOn + best * 1000, latest: waterOn + latest * 1000 };
  // A brew that finds its time by tasting is never late.
  return heardBetween(brew.plan.explore ? { ...of, latest: Infinity } : of, from, to);
}

/** What a screen reader is told: at one minute, best and latest only. */
export function saysBetween(brew: Brew, from: number, to: number): string | null {
  if (brew.state.kind === 'warming')
    return isRightBetween(brew, from, to)
      ? `${brew.tea.name}: the water is ready, pour on now`
      : null;
  if (brew.state.kind !== 'steeping') return null;
  const { best, latest } = brew.plan.recipe.window;
  const on = brew.state.waterOn;
  const at = (s: number) => from < on + s * 1000 && on + s * 1000 <= to;
  if (brew.plan.explore) return at(best) ? `${brew.tea.name}: taste the liquor now` : null;
  if (at(latest)) return `${brew.tea.name} is past its latest. ${brew.plan.pull.act}.`;
  if (at(best)) return `${brew.tea.name}, ${brew.plan.pull.act.toLowerCase()} now`;
  return best > 75 && at(best - 60) ? `${brew.tea.name}, one minute left` : null;
}
