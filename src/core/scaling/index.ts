export {
  leafFor,
  SCHOOL_WORDS,
  taperExponent,
  type KnownGood,
  type KnownPour,
  type PlainScaling,
  type Scaling,
  type School,
} from './dose';
export {
  matchCup,
  matchStrength,
  SCHOOL_REASON,
  type KnownCup,
  type Match,
  type Pour,
} from './match';
