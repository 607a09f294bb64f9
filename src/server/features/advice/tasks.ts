import {
  type Belief,
  CupFigures,
  type Evidence,
  gathered,
  preparedCup,
  priorOf,
  type RecipeAdvice,
  recipeAdvice,
  type ScatteredBy,
  scatteredBy,
  seedOfVersion,
} from '#core/corrections';
import { houseBrew, type Recipe } from '#core/recipes';
import type { Multipliers, StyleId } from '#core/styles';
import { task } from '../../work/task';

type Asked = {
  readonly style: StyleId;
  readonly fitted: Multipliers | null;
  readonly recipe: Recipe;
  readonly versionId: string;
  readonly priorSd: number;
  /** The oldest first. */
  readonly cups: readonly Evidence[];
};
type Advised = {
  readonly belief: Belief;
  readonly advice: RecipeAdvice;
  readonly scatter: ScatteredBy | null;
  /** Cups that count for little. */
  readonly slips: readonly string[];
};
function advise({ style, fitted, recipe, versionId, priorSd, cups }: Asked): Advised {
  const figures = new CupFigures();
  const prior = priorOf(priorSd);
  const prepared = cups.map((cup) => preparedCup(cup, figures));
  const { belief, met } = gathered(prior, prepared);
  const brew = houseBrew({ style, fitted }, recipe);
  return {
    belief,
    advice: recipeAdvice(belief, { brew, style, seed: seedOfVersion(versionId) }),
    scatter: scatteredBy(prior, prepared, met),
    slips: met.filter((m) => m.isSlip).map((m) => m.id),
  };
}
export const ADVICE_TASKS = { advise: task('advice.advise', advise) };
