import { type FaultName, isAlike } from './faults';

/** Two faults that come together and hide each other. */
export const PAIR_NAMES = [
  'littleLeaf+long',
  'muchLeaf+short',
  'hot+short',
  'cool+long',
  'littleLeaf+hot',
  'muchLeaf+cool',
  'coldPot+long',
  'smallBall+long',
] as const;
export type PairName = (typeof PAIR_NAMES)[number];
export const partsOf = (pair: PairName): readonly FaultName[] =>
  pair.split('+') as unknown as readonly FaultName[];
export const isPair = (cause: FaultName | PairName): cause is PairName => cause.includes('+');
/** Every pair but the one of those two. */
export const othersThan = (truths: readonly FaultName[]): PairName[] =>
  PAIR_NAMES.filter((pair) => !partsOf(pair).every((part) => truths.some((t) => isAlike(t, part))));
