export { CUP_DEPTH_CM, hexOf, labOf, PLAIN_WATER, spectrumOf, tint, type Lab, type Liquor } from './appearance';
export { diluted, liquorAt, standardCup, standardTime, type SteepColour } from './liquor';
export { PIGMENTS, type Pigment, type PigmentAmounts } from './pigments';
