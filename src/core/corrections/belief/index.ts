export {
  beliefMoved,
  CupFigures,
  FITTED_PRIOR_SD,
  gathered,
  metCup,
  preparedCup,
  PRIOR_SD,
  priorOf,
  USUAL_DOUBTS,
  USUAL_TASTER,
  type Belief,
  type Doubts,
  type Evidence,
  type Gathered,
  type Met,
  type Prepared,
  type TasterError,
} from './belief';
export {
  recipeAdvice,
  seedOfVersion,
  SURE_ENOUGH,
  WORTH_CHANGING,
  type PooledMark,
  type PooledMarks,
  type RecipeAdvice,
} from './advice';
export { doubtsOf, heatDoubt, leafDoubt } from './doubts';
export { seenMarks, type SeenMark, type SeenMarks } from './seen';
export { isScattered, SCATTERED_BY, scatteredBy, type ScatteredBy } from './scatter';
export {
  doseTurned,
  NO_UNITS,
  THREE,
  unitsBetween,
  type BeliefLever,
  type RecipeDose,
  type Three,
} from './units';
export { adviceHead, pooledWords, scatterWords, turnedLines, type AdviceHead } from './words';
export { cupOfBrew, doseOfRecipe, houseDoseOf, plannedCup, type CupOfBrew } from './cup';
export { agreesWithAll, ALL_CUPS, leversOf, proposalOfAll, type AllCups } from './proposal';
