import { type Clash, clashesAhead, meetsNow, type Moment, waitToPour } from '#core/brews';
import type { Recipe } from '#core/recipes';
import { type EpochMs, epochMs, type Seconds, seconds } from '#core/units';
import type { Brew } from '#contracts/brews';

/** What of a recipe wants a hand at a moment: stirs, timed steps of the house's own and the pull, seconds from water on. */
export const attentionTimes = ({
  handling,
  window,
}: Pick<Recipe, 'handling' | 'window'>): Seconds[] => [
  ...handling.stir,
  ...(handling.own ?? []).flatMap(({ at }) => (at === null ? [] : [at])),
  window.best,
];

/** The moments of every brew that is steeping. */
export const attentionMoments = (brews: readonly Brew[]): Moment[] =>
  brews.flatMap((b) => {
    const { state } = b;
    return state.kind === 'steeping'
      ? attentionTimes(b.plan.recipe).map((s) => ({
          id: b.id,
          at: epochMs(state.waterOn + s * 1000),
        }))
      : [];
  });

export const clashesOf = (brews: readonly Brew[], now: EpochMs): Clash[] =>
  clashesAhead(attentionMoments(brews), now);

/** How long to wait before pouring a recipe now, and whom it would meet. */
export function apartFrom(
  own: readonly Seconds[],
  brews: readonly Brew[],
  now: EpochMs,
): { readonly wait: Seconds; readonly meets: Brew | null } {
  const others = attentionMoments(brews);
  const met = meetsNow(own, others, now);
  return {
    wait: met ? waitToPour(own, others, now) : seconds(0),
    meets: met ? (brews.find((b) => b.id === met.id) ?? null) : null,
  };
}

const TOGETHER_MS = 60;

/** ms until the next figure on any of them changes: each counts its own seconds. */
export function untilNextFigure(brews: readonly Brew[], now: EpochMs): number {
  const waits = brews.flatMap(({ state, plan }) => {
    if (state.kind !== 'steeping') return [];
    // Latest is counted from too; windows are in whole seconds nearly always.
    const into = (now - state.waterOn - (plan.recipe.window.best % 1) * 1000) % 1000;
    return [1000 - ((into + 1000) % 1000)];
  });
  const [first = 1000, ...rest] = waits.sort((a, b) => a - b);
  // What comes within a blink of it is drawn with it.
  return rest.reduce((until, w) => (w - first < TOGETHER_MS ? w : until), first);
}
