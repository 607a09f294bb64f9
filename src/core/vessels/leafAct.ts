import type { InfuserKind, VesselFacts } from './fill';
import type { VesselKind } from './profile';

/** What a hand does with the leaf when the steep is over. */
export const LEAF_ACTS = [
  'liftBasket',
  'liftInfuser',
  'liftBall',
  'pourOff',
  'keepRoot',
  'release',
  'takeBagOut',
  'drinkOff',
] as const;
export type LeafAct = (typeof LEAF_ACTS)[number];

/** Whether what holds the leaf comes out of the vessel, or stays in it behind a strainer. */
export type Strainer = 'liftsOut' | 'staysIn';

/** The words of an act, one set for the card, the bar, prints, steps and the log. */
export type LeafActWords = {
  /** As a step: "Lift the basket". */
  readonly act: string;
  /** Once it is done: "Lifted". */
  readonly done: string;
  /** On a button. */
  readonly verb: string;
  readonly early: string;
  /** While the leaf steeps; a time follows. */
  readonly leave: string;
  /** Over a time on a printed card. */
  readonly heading: string;
  /** As a sentence on the recipe card. */
  readonly sentence: string;
};

const lift = (thing: string): LeafActWords => ({
  act: `Lift the ${thing}`,
  done: 'Lifted',
  verb: 'Lift',
  early: 'Lift early',
  leave: 'Leave it, lift at',
  heading: 'lift at',
  sentence: `Lift the ${thing}, let it drip.`,
});
const pourOff: LeafActWords = {
  act: 'Pour all off',
  done: 'Poured off',
  verb: 'Pour off',
  early: 'Pour early',
  leave: 'Leave it, pour at',
  heading: 'pour off at',
  sentence: 'Pour off to the last drop: the leaf stays in.',
};
export const LEAF_ACT_WORDS: Readonly<Record<LeafAct, LeafActWords>> = {
  liftBasket: lift('basket'),
  liftInfuser: lift('infuser'),
  liftBall: lift('ball'),
  pourOff,
  keepRoot: {
    ...pourOff,
    act: 'Pour off, keep a root',
    sentence: 'Pour off, but keep a root under the leaf for the next steep.',
  },
  release: {
    act: 'Set it on the jug',
    done: 'Released',
    verb: 'Release',
    early: 'Release early',
    leave: 'Leave it, release at',
    heading: 'release at',
    sentence: 'Set it on the jug, let it drain.',
  },
  takeBagOut: {
    act: 'Take the bag out',
    done: 'Bag out',
    verb: 'Bag out',
    early: 'Bag out early',
    leave: 'Leave it, bag out at',
    heading: 'bag out at',
    sentence: 'Take the bag out.',
  },
  drinkOff: {
    act: 'Serve on the leaf',
    done: 'Served',
    verb: 'Serve',
    early: 'Serve early',
    leave: 'Leave it, ready at',
    heading: 'ready at',
    sentence: 'The leaf stays in: drink off it, and refill at a fifth.',
  },
};

const isBag = (infuser: InfuserKind): boolean => infuser === 'flatbag' || infuser === 'tetra';
/** Vessels that liquor is poured out of; the others are drunk from. */
const POURED_FROM: Readonly<Record<VesselKind, boolean>> = {
  pot: true,
  pitcher: true,
  lidded: true,
  tasting: true,
  release: true,
  mug: false,
};

/**
 * What a hand does with the leaf at the end of a steep, by the vessel, what holds its leaf, and its strainer.
 * Common practice. @param root share of the liquor that the recipe keeps under the leaf, 0 to 0.5.
 * @example leafAct({ kind: 'pot', infuser: 'free' }) // 'pourOff'
 */
export function leafAct(
  vessel: Pick<VesselFacts, 'kind' | 'infuser'> & { readonly strainer?: Strainer },
  root = 0,
): LeafAct {
  const { kind, infuser, strainer = 'liftsOut' } = vessel;
  if (kind === 'release') return 'release';
  if (isBag(infuser)) return 'takeBagOut';
  const staysIn = infuser === 'free' || strainer === 'staysIn';
  if (staysIn) {
    if (!POURED_FROM[kind]) return 'drinkOff';
    return root > 0 ? 'keepRoot' : 'pourOff';
  }
  if (infuser === 'ball') return 'liftBall';
  return kind === 'mug' ? 'liftInfuser' : 'liftBasket';
}

/** The words of that act. */
export const leafActWords = (...of: Parameters<typeof leafAct>): LeafActWords =>
  LEAF_ACT_WORDS[leafAct(...of)];
