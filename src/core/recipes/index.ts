export {
  bagsText,
  densityOf,
  gramsPerSpoon,
  quartersText,
  roundingWords,
  spoonName,
  spoonsFor,
  spoonsText,
  type SpoonCount,
  type Weighing,
} from './measure';
export {
  doseOfSpoons,
  recipeAsWeighed,
  spoonsForLeaf,
  spoonsForWater,
  type SpoonDose,
} from './spoonDose';
export { spoonDoseText, spoonedDensity, spoonsTimes, withDose } from './spoonRecipe';
export { doubtDose, doubtWeighing, spoonSpread, weighingOf, type Doubt } from './weighings';
export {
  isCold,
  METHOD_NAMES,
  METHODS,
  OWN_STEP_LETTERS,
  OWN_STEP_TIME_NAMES,
  OWN_STEP_TIMES,
  OWN_STEPS_MOST,
  recipeFault,
  SERVE_ORDER_NAMES,
  SERVE_ORDERS,
  SERVING_STYLE_NAMES,
  SERVING_STYLES,
  windowFault,
  type Handling,
  type Leeway,
  type Method,
  type OwnStep,
  type OwnStepTime,
  type Recipe,
  type ServeOrder,
  type ServingGlass,
  type ServingStyle,
  type WarmStart,
  type Window,
} from './recipe';
export {
  glassWords,
  handlingWords,
  leewayWords,
  ownStepWords,
  PLAIN_HANDLING,
  warmStartWords,
} from './handling';
export { workOutCold, type ColdCard, type ColdFault } from './coldCard';
export type { CardInput, SiteFacts, TeaFacts } from './cardInput';
export { siteWithKettle, suitsBest, type KettleOnCard, type KettleUsed } from './kettle';
export { kettleSigns, signsOf } from './kettleSigns';
export { boilingOnLeaf, onLeafAt, siteBoiling } from './pourHeat';
export {
  computeCard,
  matchedCup,
  recipeAsWished,
  recipeLeaf,
  type Card,
  type CardFault,
  type Caution,
} from './card';
export {
  isWished,
  MILK_AMOUNTS,
  MILK_SHARES,
  MILK_WORDS,
  milkFor,
  NO_WISH,
  STRENGTH_WORDS,
  WISH_STRENGTHS,
  wishWords,
  type MilkAmount,
  type Wish,
  type WishStrength,
} from './wish';
export { WISH_STEP, type Granted } from './grant';
export { cardForCups } from './cardForCups';
export { CUPS_MOST, cupsWords, type CupsAsked } from './cups';
export { workingOf, type WorkingLine } from './working';
export {
  knownGoodStart,
  packetKettle,
  packetOnLeaf,
  packetStart,
  isFromPacket,
  forSeason,
  startingRecipe,
  styleStarts,
  type KettleFacts,
  type StartingPoint,
} from './start';
export { methodFor } from './methods';
export { brewingOf, colourRungs, houseBrew, houseLiquor, type ColourRung } from './brewing';
export { movedRecipe } from './moved';
export {
  isDoneAfterOne,
  ladderName,
  SMALL_LADDERS,
  stepsWords,
  usualSteeps,
  type UsualSteeps,
} from './steeps';
export { characterAfter, nextSteep, type LeafAgain, type NextSteep } from './again';
export { lineDiffers, recipeLines, type RecipeLine } from './compare';
export {
  boardOf,
  planServing,
  waterForLeaf,
  type BoardAsk,
  type BoardVessel,
  type Pour,
  type Round,
  type Serving,
} from './board';
export { cardFaultWords } from './cardWords';
export { isoDuration, recipeJsonLd, type RecipeJsonLd, type RecipePage } from './recipeJsonLd';
