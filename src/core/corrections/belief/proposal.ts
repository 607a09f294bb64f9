import type { Brewing } from '#core/cup';
import { capital, celsius, grams, seconds } from '#core/units';
import type { ProposedLever } from '../names';
import type { Proposal } from '../proposal';
import { predict } from '../search';
import { changeOf, headlineOf, restOf, type Turn } from '../words';
import type { RecipeAdvice } from './advice';
import type { RecipeDose } from './units';
import { adviceHead, pooledWords } from './words';

// What is said at a cup that strayed, once other cups of its recipe were judged: all of them together say whether the recipe
// is off. One cup alone would have a right recipe changed nearly every time.

/** Which row a proposal is of that all cups together make. */
export const ALL_CUPS = 'allCups';
/** So long may a reason be. */
const REASON_MAX = 500;

/** Whether one cup alone would have its recipe turned: what explains a cup by itself, and advice to look first, stay. */
const turnsRecipe = ({ turns, rowId }: Proposal): boolean =>
  turns.length > 0 || rowId === 'end-of-range';
const turnsOf = (from: RecipeDose, to: RecipeDose): Turn[] => {
  const turn = (
    [less, more]: readonly [Turn['lever'], Turn['lever']],
    key: keyof RecipeDose,
  ): Turn[] => {
    const by = to[key] - from[key];
    return Math.abs(by) < 1e-6
      ? []
      : [{ lever: by > 0 ? more : less, from: from[key], to: to[key] }];
  };
  return [
    ...turn(['leafLess', 'leafMore'], 'gPer100ml'),
    ...turn(['cooler', 'hotter'], 'temperatureC'),
    ...turn(['shorter', 'longer'], 'seconds'),
  ];
};
/** What a recipe itself says, turned. */
const RECIPE_TURNS = ['leafLess', 'leafMore', 'cooler', 'hotter', 'shorter', 'longer'] as const;
/** What a proposal asks for, lever by lever. */
export const leversOf = ({ turns, lever }: Pick<Proposal, 'turns' | 'lever'>): ProposedLever[] =>
  turns.length > 0 ? turns.map((turn) => turn.lever) : [lever];
/** Whether what one cup asked for is what all cups ask for; null: it asked for nothing that a recipe says. */
export function agreesWithAll(
  levers: readonly ProposedLever[],
  from: RecipeDose,
  { change }: Pick<RecipeAdvice, 'change'>,
): boolean | null {
  const asked = levers.filter((lever) => RECIPE_TURNS.some((turn) => turn === lever));
  if (asked.length === 0) return null;
  const all = change === null ? [] : turnsOf(from, change.rounded);
  return asked.every((lever) => all.some((turn) => turn.lever === lever));
}
/** The brew with its recipe changed, and all else as it was made. */
const brewChanged = (brew: Brewing, from: RecipeDose, to: RecipeDose): Brewing => ({
  ...brew,
  leaf: grams((brew.leaf * to.gPer100ml) / from.gPer100ml),
  temperature: celsius(Math.min(100, brew.temperature + to.temperatureC - from.temperatureC)),
  time: seconds(Math.max(1, brew.time + to.seconds - from.seconds)),
});

/** What all judged cups say of a recipe, this one among them. */
export type AllCups = {
  readonly cups: number;
  readonly advice: RecipeAdvice;
  /** The recipe that is advised on. */
  readonly recipe: RecipeDose;
  /** This cup as it was made. */
  readonly brew: Brewing;
};
/**
 * The proposal for a cup, from all judged cups instead of this one: change the recipe, or brew to the recipe again. What is done
 * with the cup in hand stays, and so does what explains the cup by itself: a late pull, leaf that was weighed.
 * @param alone what this cup alone would have proposed
 */
export function proposalOfAll(alone: Proposal, { cups, advice, recipe, brew }: AllCups): Proposal {
  if (!turnsRecipe(alone)) return alone;
  const head = adviceHead(cups, advice);
  const of = { rowId: ALL_CUPS, second: null, partly: false, cup: alone.cup };
  if (head.kind !== 'off' || !advice.change)
    return {
      ...of,
      ...{ lever: 'keep', turns: [], expected: null },
      headline: head.kind === 'right' ? 'Keep the recipe' : 'Keep the recipe for now',
      change: 'This cup strayed: brew to the recipe again.',
      reason: `${head.why} ${pooledWords(advice)}.`.slice(0, REASON_MAX),
    };
  const { rounded } = advice.change;
  const turns = turnsOf(recipe, rounded);
  const [first] = turns;
  const changes = turns.map(changeOf).join('; ');
  return {
    ...of,
    lever: first && turns.length === 1 ? first.lever : 'two',
    headline: turns.map(headlineOf).join(', '),
    change: `${capital(changes)}. ${restOf(turns)}`.trim(),
    reason: `The recipe is off. ${head.why}`.slice(0, REASON_MAX),
    turns,
    expected: { now: predict(brew), then: predict(brewChanged(brew, recipe, rounded)) },
  };
}
