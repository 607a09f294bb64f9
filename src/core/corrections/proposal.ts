import type { KettleWait } from '#core/brews';
import type { Brewing } from '#core/cup';
import type { Recipe } from '#core/recipes';
import { type StyleId, styleOf } from '#core/styles';
import type { Celsius } from '#core/units';
import type { RecipePoint } from './levers';
import type { Verdict } from './marks';
import type { ProposedLever } from './names';
import type { CupInHand } from './rescue';
import type { Indices } from './search';
import { type Circumstance, type CorrectionRow, rowFits } from './table';
import type { Turn } from './words';

export type Judged = {
  readonly verdict: Verdict;
  readonly recipe: Recipe;
  readonly style: StyleId;
  /** As it was brewed: leaf, heat on the leaf, seconds steeped. */
  readonly brew: Brewing;
  readonly warmed: boolean;
  /** Leaf on the scale over the card’s; absent or null: not weighed. */
  readonly leafShare?: number | null;
  /** Heat on the leaf less the card’s, °C; absent or null: not read. */
  readonly heatOff?: Celsius | null;
  /** How long the water waited off the boil; absent or null: not known. */
  readonly kettleWait?: KettleWait | null;
  /** Share of the recipe's stirs that were left out; absent: none. */
  readonly stirsLeftOut?: number;
  /** Opened leaf against its basket; null when free. */
  readonly crowding: number | null;
  /**
   * A lot that is being dialled in: where its house recipe stands. Only leaf, heat and time are turned, and nothing
   * is looked for first: the lot is new.
   */
  readonly dialIn?: RecipePoint;
};
/** One correction for the next brew, with what the model expects of it. */
export type Proposal = {
  readonly rowId: string;
  readonly lever: ProposedLever;
  readonly headline: string;
  readonly change: string;
  readonly reason: string;
  readonly turns: readonly Turn[];
  /**
   * Predicted indices of this brew and of the corrected one, as the bar can brew it; null when nothing is predicted.
   */
  readonly expected: { readonly now: Indices; readonly then: Indices } | null;
  /** The next best single lever: the two are often near a tie. */
  readonly second: { readonly headline: string; readonly change: string } | null;
  /** The levers answer only part of the complaint. */
  readonly partly: boolean;
  readonly cup: CupInHand;
};

/** By how much a cup is too strong, and too bitter or drying, in steps; never below zero. */
export const overOf = (v: Verdict) => ({
  strength: Math.max(0, v.strength),
  bitterness: Math.max(0, v.bitterness, v.astringency),
});

export function holds(c: Circumstance, j: Judged): boolean {
  const s = styleOf(j.style);
  switch (c) {
    case 'coldVessel':
      return j.recipe.warm && !j.warmed;
    case 'smallInfuser':
      return j.crowding !== null && j.crowding > 1;
    case 'shortRecipe':
      return j.recipe.window.best < s.start.earliest;
    case 'longRecipe':
      return j.recipe.window.best > s.start.latest;
    case 'hotForStyle':
      return j.recipe.temperature > s.start.temperature + 3;
  }
}
/** Whether a row of the table speaks of this cup, and what it asks of the brew holds. */
export const fits = (row: CorrectionRow, j: Judged): boolean =>
  rowFits(row, j.verdict, (circumstance) => holds(circumstance, j));

/** A proposal without a prediction. */
type Plain = Pick<Proposal, 'rowId' | 'lever' | 'headline' | 'change' | 'reason' | 'cup'>;
export const plainProposal = (p: Plain): Proposal => ({
  ...p,
  turns: [],
  expected: null,
  second: null,
  partly: false,
});
