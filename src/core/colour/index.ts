export {
  CUP_DEPTH_CM,
  displayedLab,
  hexOf,
  labOf,
  labOfHex,
  labOfLinear,
  linearOfXyz,
  PLAIN_WATER,
  spectrumOf,
  tint,
  type Lab,
  type Liquor,
} from './appearance';
export { diluted, liquorAt, standardCup, standardTime, type SteepColour } from './liquor';
export {
  blendLiquors,
  colourOfBrew,
  spentBy,
  type ColouredBrew,
  type SpentColour,
} from './brewColour';
export { deltaE00, distance } from './difference';
export {
  READING_NOISE,
  REFUSE_DISTANCE,
  strengthFromColour,
  strengthVerdict,
  styleStrengthFromColour,
  timeFromColour,
  timeOfColour,
  type ColourVerdict,
  type Reading,
} from './reading';
export {
  checkPhoto,
  linearOf,
  readAgainst,
  rimCorrected,
  type LinearRgb,
  type PhotoCheck,
  type PhotoFacts,
  type PhotoFault,
} from './photo';
export { colourLadder, ladderLabel, scoreLadder, type LadderScore } from './ladder';
export { shiftAt, shiftsOf, type Shift } from './swatches';
export { SCREEN_GREYS, scoreScreen, screenPatches, type Patch8 } from './screenCheck';
export { PIGMENTS, type Pigment, type PigmentAmounts } from './pigments';
export { findCups, snapCup } from './findCups';
export {
  linearMedian,
  liquorPatch,
  LIQUOR_SHARE,
  rimPatch,
  type CupAt,
  type Patch,
  type Pixels,
} from './patch';
export {
  readableDepth,
  readPhoto,
  type Checked,
  type CheckName,
  type PhotoAsk,
  type PhotoReading,
} from './photoReading';
