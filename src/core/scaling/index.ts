export { leafFor, taperExponent, type KnownGood, type Scaling } from './dose';
export { matchCup, matchStrength, SCHOOL_REASON, type KnownCup, type Match, type Pour } from './match';
