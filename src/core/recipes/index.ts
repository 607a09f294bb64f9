export {
  densityOf, doubtDose, doubtWeighing, gramsPerSpoon, quartersText, roundingWords, spoonsFor, spoonsText, type Doubt,
  type SpoonCount, type Weighing,
} from './measure';
export { METHOD_NAMES, METHODS, windowFault, type Method, type Recipe, type Window } from './recipe';
export { matchedCup, mostOnLeaf, recipeLeaf, siteBoiling, workOutCard, type Asked, type Card, type CardFault, type Caution, type SiteFacts, type TeaFacts } from './card';
export { workingOf, type WorkingLine } from './working';
export { startingRecipe } from './start';
export { methodFor } from './methods';
export { brewingOf, houseBrew } from './brewing';
export { lineDiffers, recipeLines, type RecipeLine } from './compare';
export { boardOf, planServing, waterForLeaf, type BoardAsk, type BoardVessel, type Pour, type Round, type Serving } from './board';
