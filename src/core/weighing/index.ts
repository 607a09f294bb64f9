export { lineCutter, readScaleLine, type ScaleLine } from './lines';
export { isSteady, pourUntil, simulatedScale, STEADY, type Pouring, type Weighed } from './settle';
export { volumeWeighed } from './weighIn';
