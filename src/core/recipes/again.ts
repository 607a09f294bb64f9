import type { ColouredBrew } from '#core/colour';
import { brewAgain, cupInTime, leafAfter } from '#core/cup';
import { eachSolute } from '#core/extraction';
import type { Character } from '#core/styles';
import { type Seconds, seconds } from '#core/units';
import type { Handling, Recipe, Window } from './recipe';
import { isDoneAfterOne } from './steeps';

/** What of a recipe the next steep follows from. */
export type LeafAgain = Pick<Recipe, 'later' | 'bag'> & {
  readonly handling: Pick<Handling, 'root' | 'squeeze'>;
};

// The same leaf again: its steeps are remembered, with how far it has opened and what was kept under it.

/** What comes next for leaf that was steeped already. */
export type NextSteep =
  | {
      readonly kind: 'again';
      readonly number: number;
      readonly window: Window;
      readonly by: 'recipe' | 'model';
      /** Expected strength against the first cup's. */ readonly strength: number;
    }
  | { readonly kind: 'spent'; readonly number: number; readonly why: string };

/** The model looks no further than this, s (from memory: a cup nobody waits for). */
const LONGEST = 900;
/** Below this share of the first cup's strength the leaf is spent (from memory). */
const WORTH_IT = 0.5;
/** Window around a time the model found, as shares of it: as house recipes for later steeps have it. */
const [EARLIEST, LATEST] = [0.85, 1.2];

/** Strength of one more steep, by its time, against the first cup's: for many times tried. */
function strengthsAfter(
  brew: ColouredBrew,
  { handling: { root: kept, squeeze } }: LeafAgain,
  past: readonly Seconds[],
): (time: Seconds) => number {
  const pour = { ...brew, squeeze };
  const steeps = past.map((time) => ({ time, kept }));
  const next = cupInTime(pour, leafAfter(pour, steeps), kept);
  const first = brewAgain(pour, steeps.slice(0, 1))[0]?.taste.strength ?? 0;
  return (time) => next(time).taste.strength / Math.max(1e-9, first);
}
const round5 = (s: number): Seconds => seconds(Math.max(5, Math.round(s / 5) * 5));

/**
 * The next steep: as the recipe has it, or where it has none the time in which the model's cup is as strong as the
 * first. Predicted by MODEL's multi-steep form; it knows no slow pool in the leaf's core, so late steeps come out weak.
 * @param brew the first steep's pour. @param past seconds of every steep so far, at least one.
 */
export function nextSteep(
  brew: ColouredBrew,
  recipe: LeafAgain,
  past: readonly Seconds[],
): NextSteep {
  const number = past.length + 1;
  const strengthOf = strengthsAfter(brew, recipe, past);
  const written = recipe.later[number - 2];
  if (written)
    return {
      kind: 'again',
      number,
      window: written,
      by: 'recipe',
      strength: strengthOf(written.best),
    };
  if (isDoneAfterOne(brew.style, recipe.bag !== null))
    return { kind: 'spent', number, why: 'Bagged and broken leaf is done after one.' };
  const longest = strengthOf(seconds(LONGEST));
  if (longest < WORTH_IT)
    return {
      kind: 'spent',
      number,
      why: `Spent: even ${LONGEST / 60} minutes would give ${Math.round(longest * 100)} % of the first cup.`,
    };
  let [low, high] = [5, LONGEST];
  if (longest > 1) {
    for (let i = 0; i < 24; i++) {
      const mid = (low + high) / 2;
      if (strengthOf(seconds(mid)) < 1) low = mid;
      else high = mid;
    }
  }
  // Leaf that cannot reach the first cup gives most of what it has left well before the longest steep.
  const best = longest > 1 ? round5(high) : round5(enoughOf(strengthOf, longest));
  return {
    kind: 'again',
    number,
    by: 'model',
    window: { earliest: round5(best * EARLIEST), best, latest: round5(best * LATEST) },
    strength: strengthOf(best),
  };
}

/** The time that gives nine tenths of what the longest steep would. */
function enoughOf(strengthOf: (t: Seconds) => number, longest: number): number {
  let [low, high] = [5, LONGEST];
  for (let i = 0; i < 24; i++) {
    const mid = (low + high) / 2;
    if (strengthOf(seconds(mid)) < 0.9 * longest) low = mid;
    else high = mid;
  }
  return high;
}

/** Leaf that lies open wets at once, s. */
const OPENED = 0.1;

/**
 * Leaf as earlier steeps left it, as a character to reckon the next with: what is still in it and in the liquor it
 * holds
 * counts as extractable, and it lies open. Colour follows through its pigment.
 */
export function characterAfter(
  brew: ColouredBrew,
  recipe: LeafAgain,
  past: readonly Seconds[],
): Character {
  const { root: kept, squeeze } = recipe.handling;
  const left = leafAfter(
    { ...brew, squeeze },
    past.map((time) => ({ time, kept })),
  );
  return {
    ...brew.character,
    extractable: eachSolute((i) => ((left.inLeaf[i] ?? 0) + (left.inLiquor[i] ?? 0)) / brew.leaf),
    wetting: Math.max(OPENED, brew.character.wetting * Math.exp(-left.opened)),
  };
}
