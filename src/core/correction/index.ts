export { ALL_RIGHT, ATTRIBUTE_NAMES, ATTRIBUTES, COLOUR_STEPS, isRight, MARKS, verdictWords, type Attribute, type Mark, type Verdict } from './marks';
export { CORRECTION_TABLE, type CorrectionRow, type Lever, type Rescue } from './table';
export { propose, type CupInHand, type Judged, type Proposal, type ProposedLever } from './propose';
