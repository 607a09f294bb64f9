export {
  ALL_RIGHT,
  ATTRIBUTE_NAMES,
  ATTRIBUTES,
  COLOUR_STEPS,
  isRight,
  MARKS,
  offBy,
  verdictWords,
  type Attribute,
  type Mark,
  type Verdict,
} from './marks';
export {
  CIRCUMSTANCES,
  CORRECTION_TABLE,
  LEVER_REASONS,
  meets,
  rowFor,
  type Circumstance,
  type CorrectionRow,
  type Rescue,
} from './table';
export {
  EFFORT,
  MODEL_LEVERS,
  turned,
  valueOf,
  type ModelLever,
  type RecipePoint,
  type Turns,
} from './levers';
export {
  JUDGED,
  predict,
  searchCorrection,
  searchTurns,
  type Answer,
  type Indices,
  type JudgedIndex,
  type Marks,
  type Reach,
  type TurnableCup,
  type Question,
  type Search,
} from './search';
export {
  blendShare,
  NO_RESCUE,
  rescueOf,
  returnLeaf,
  SPLIT_SHARES,
  splitCup,
  waterPerExtract,
  waterToAdd,
  type CupInHand,
  type SplitCup,
} from './rescue';
export {
  bestRescue,
  houseTaste,
  RESCUE_TASKS,
  rescued,
  rescueTask,
  scoreRescue,
  type Rescued,
  type RescueTask,
  type RescueTaskKind,
} from './rescueDrill';
export { LEVERS, PROPOSED_LEVERS, TURNED_LEVERS, type Lever, type ProposedLever } from './names';
export { plainProposal, propose, type Judged, type Proposal } from './propose';
export { headlineOf, LEVER_WORDS, type Turn } from './words';
