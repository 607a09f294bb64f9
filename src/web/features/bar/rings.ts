import type { Brew } from '#contracts/brews';

/** Moments that are heard, as seconds from best and latest. */
export type Ring = 'knock' | 'tap' | 'taps';
const LATE_EVERY = 20;
const LATE_TIMES = 3;

/** What is heard between two instants of one brew. Pure: a page that slept hears only the last of what it missed. */
export function ringsBetween(brew: Brew, from: number, to: number): Ring | null {
  if (brew.state.kind !== 'steeping') return null;
  const { best, latest } = brew.plan.recipe.window;
  const at = (s: number) =>
    brew.state.kind === 'steeping' &&
    from < brew.state.waterOn + s * 1000 &&
    brew.state.waterOn + s * 1000 <= to;
  for (let i = LATE_TIMES; i >= 0; i--) if (at(latest + i * LATE_EVERY)) return 'taps';
  if (at(best)) return 'tap';
  return at(best - 10) ? 'knock' : null;
}

/** What a screen reader is told: at one minute, best and latest only. */
export function saysBetween(brew: Brew, from: number, to: number): string | null {
  if (brew.state.kind !== 'steeping') return null;
  const { best, latest } = brew.plan.recipe.window;
  const on = brew.state.waterOn;
  const at = (s: number) => from < on + s * 1000 && on + s * 1000 <= to;
  if (at(latest)) return `${brew.tea.name} is past its latest. ${brew.plan.pull.act}.`;
  if (at(best)) return `${brew.tea.name}, ${brew.plan.pull.act.toLowerCase()} now`;
  return best > 75 && at(best - 60) ? `${brew.tea.name}, one minute left` : null;
}
