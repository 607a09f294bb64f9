import {
  type Belief,
  CupFigures,
  type Doubts,
  type Evidence,
  gathered,
  preparedCup,
  priorOf,
  type RecipeAdvice,
  recipeAdvice,
  type ScatteredBy,
  scatteredBy,
  seedOfVersion,
  type SeenMarks,
  seenMarks,
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
  /** How far leaf and heat may be off where they were not recorded. */
  readonly doubts: Doubts;
  /** The oldest first. */
  readonly cups: readonly Evidence[];
  /** Cups of the version whose prediction is looked at. */
  readonly predicted: readonly string[];
};
type Advised = {
  readonly belief: Belief;
  readonly advice: RecipeAdvice;
  readonly scatter: ScatteredBy | null;
  /** Cups that count for little. */
  readonly slips: readonly string[];
  /** What cups of the version that was predicted showed. */
  readonly seen: SeenMarks;
};
function advise(asked: Asked): Advised {
  const { style, fitted, recipe, versionId, priorSd, doubts, cups } = asked;
  const predicted = new Set(asked.predicted);
  const figures = new CupFigures();
  const prior = priorOf(priorSd);
  const prepared = cups.map((cup) => preparedCup(cup, figures));
  const { belief, met } = gathered(prior, prepared, doubts);
  const brew = houseBrew({ style, fitted }, recipe);
  return {
    belief,
    advice: recipeAdvice(belief, { brew, style, seed: seedOfVersion(versionId), doubts }),
    scatter: scatteredBy(prior, prepared, met, doubts),
    slips: met.filter((m) => m.isSlip).map((m) => m.id),
    seen: seenMarks(prepared.filter(({ cup }) => predicted.has(cup.id))),
  };
}
export const ADVICE_TASKS = { advise: task('advice.advise', advise) };
