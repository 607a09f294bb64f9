import { deltaE00 } from '#core/colour';
import { outsideLimits } from '#core/cup';
import { type Bracket, bracketOf, isSized, SIZED_LEVERS, type SizedLever } from './cures';
import {
  asTheHouse,
  CURE_LEVERS,
  type CureLever,
  type Fact,
  type Fault,
  FAULT_NAMES,
  type FaultName,
  FAULTS,
  type HouseCup,
  isAlike,
  type MadeCup,
  madeWith,
} from './faults';
import { isPair, othersThan, PAIR_NAMES, type PairName, partsOf } from './pairs';
import { Rivals } from './rivals';
import {
  type Beside,
  beside,
  FITS_NOT,
  isOnEdge,
  lookOfMade,
  type Six,
  tasteOfMade,
  TIE,
} from './tasted';

/** What may be answered: one fault, or two at once. */
export type Cause = FaultName | PairName;
export type Level = 1 | 2 | 3 | 4 | 5;
/** How much a lever is worth: it brings the cup to the house's, half-way there, or not. */
export type Worth = 'right' | 'half' | 'no';

/** Why a cup makes no fair question. */
export type Unfair =
  | 'outside'
  | 'nothing'
  | 'edge'
  | 'stated'
  | 'alone'
  | 'near'
  | 'faint'
  | 'plain'
  | 'noLever'
  | 'few';

/** A cup that went wrong, with all that a fair question and its answer need. */
export type Diagnosis = {
  readonly faults: readonly Fault[];
  readonly made: MadeCup;
  readonly house: Six;
  readonly cup: Six;
  readonly beside: Beside;
  readonly deltaE: number;
  readonly darker: boolean;
  /** How badly each other fault fits at its best size. */
  readonly rivals: ReadonlyMap<FaultName, number>;
  /** Those that no stated fact rules out. */
  readonly open: readonly FaultName[];
  /** As good an answer: nothing that is stated or seen parts it from the truth. */
  readonly ties: readonly FaultName[];
  readonly choices: readonly Cause[];
  readonly right: readonly Cause[];
  readonly levers: Readonly<Record<CureLever, Worth>>;
  readonly brackets: readonly Bracket[];
  /** Null: it is a fair question. */
  readonly unfair: Unfair | null;
  /** Words alone would do: for those who would rather not go by colour. */
  readonly withoutColour: boolean;
};

/** Of two faults each alone fits this badly. */
const ALONE = 2;
const CHOICES = 6;
const FEWEST_CHOICES = 4;
const OTHER_PAIRS = 4;

const causeOf = (faults: readonly Fault[]): Cause => faults.map((f) => f.id).join('+') as Cause;
const inTableOrder = <T extends Cause>(causes: readonly T[]): T[] => {
  const order: readonly Cause[] = [...FAULT_NAMES, ...PAIR_NAMES];
  return [...causes].sort((a, b) => order.indexOf(a) - order.indexOf(b));
};

/** The choices of one fault: the truth, its tie, then what could be meant, the nearest first. */
function choicesOf(
  truth: FaultName,
  ties: readonly FaultName[],
  rivals: ReadonlyMap<FaultName, number>,
  open: readonly FaultName[],
): FaultName[] {
  const near = (id: FaultName) => rivals.get(id) ?? Infinity;
  const isDoubtful = (id: FaultName) => open.includes(id) && near(id) < FITS_NOT;
  const others = [...rivals.keys()]
    .filter((id) => !ties.includes(id) && !isDoubtful(id))
    .sort((a, b) => near(a) - near(b));
  const { family } = FAULTS[truth];
  const rank = (id: FaultName) => {
    const [isOpen, isFamily] = [open.includes(id), FAULTS[id].family === family];
    if (isFamily) return isOpen ? 0 : 1;
    return isOpen ? 2 : 3;
  };
  const ranked = [0, 1, 2, 3].flatMap((r) => others.filter((id) => rank(id) === r));
  const chosen: FaultName[] = [truth, ...ties];
  for (const id of ranked)
    if (chosen.length < CHOICES && !chosen.some((c) => isAlike(c, id))) chosen.push(id);
  return inTableOrder(chosen);
}
/** The choices of two: each alone, both, and four more pairs, open ones first. */
function choicesOfTwo(
  faults: readonly Fault[],
  pairs: ReadonlyMap<PairName, number>,
  open: readonly PairName[],
): Cause[] {
  const near = (id: PairName) => pairs.get(id) ?? Infinity;
  const more = [...pairs.keys()].sort(
    (a, b) => Number(open.includes(b)) - Number(open.includes(a)) || near(a) - near(b),
  );
  return inTableOrder([...faults.map((f) => f.id), causeOf(faults), ...more.slice(0, OTHER_PAIRS)]);
}

/** What each lever can do. Of two faults each cause's own, the other one undone. */
function bracketsOf(
  house: HouseCup,
  taste: Six,
  faults: readonly Fault[],
  level: Level,
): Bracket[] {
  const wide = level <= 2;
  const [first, second] = faults;
  const found = (made: MadeCup, lever: SizedLever) =>
    bracketOf(house, taste, made, lever, wide) ?? [];
  if (!first || !second) {
    const made = madeWith(house, faults);
    return SIZED_LEVERS.flatMap((lever) => found(made, lever));
  }
  return [first, second].flatMap((fault) => {
    const { cure } = FAULTS[fault.id];
    return cure && isSized(cure) ? found(madeWith(house, [fault]), cure) : [];
  });
}
function worthOf(
  causes: readonly FaultName[],
  brackets: readonly Bracket[],
): Record<CureLever, Worth> {
  const worth = (lever: CureLever): Worth => {
    if (causes.some((id) => FAULTS[id].cure === lever)) return 'right';
    const bracket = brackets.find((b) => b.lever === lever);
    if (!bracket) return 'no';
    return bracket.within === 'half' ? 'right' : 'half';
  };
  return Object.fromEntries(CURE_LEVERS.map((l) => [l, worth(l)])) as Record<CureLever, Worth>;
}

/** How a cup tastes and looks beside the house's. */
export type CupFound = Pick<Diagnosis, 'made' | 'house' | 'cup' | 'beside' | 'deltaE' | 'darker'>;
/** The part of a diagnosis that is quickly worked out: no rival is looked at. */
export function cupFound(house: HouseCup, faults: readonly Fault[]): CupFound {
  const made = madeWith(house, faults);
  const taste = tasteOfMade(asTheHouse(house));
  const cup = beside(taste, made);
  const houseLook = lookOfMade(asTheHouse(house));
  return {
    made,
    house: taste,
    cup: tasteOfMade(made),
    beside: cup,
    deltaE: deltaE00(houseLook, cup.lab),
    darker: cup.lab[0] < houseLook[0],
  };
}

export type DiagnosisAsked = {
  readonly house: HouseCup;
  readonly faults: readonly Fault[];
  /** Facts that are stated with the question. */
  readonly known: readonly Fact[];
  readonly level: Level;
};
/** A cup with what else it could be: all of a diagnosis that no lever is tried for. */
type Weighed = Omit<Diagnosis, 'levers' | 'brackets' | 'withoutColour'> & {
  readonly openPairs: readonly PairName[];
};
function weighed({ house, faults, known, level }: DiagnosisAsked, rivals: Rivals): Weighed {
  const found = cupFound(house, faults);
  const { made, beside: cup } = found;
  const truths = faults.map((f) => f.id);
  const isOpen = (id: FaultName) => !known.includes(FAULTS[id].fact);

  const near = rivals.near(faults);
  const open = [...near.keys()].filter(isOpen);
  const [truth] = truths;
  const isOne = faults.length === 1;
  const ties =
    isOne && level === 4
      ? open
          .filter((id) => (near.get(id) ?? Infinity) < TIE)
          .sort((a, b) => (near.get(a) ?? 0) - (near.get(b) ?? 0))
          .slice(0, 1)
      : [];
  const pairs = isOne ? new Map<PairName, number>() : rivals.pairs(cup, othersThan(truths));
  const openPairs = [...pairs.keys()].filter((p) => partsOf(p).every(isOpen));
  const choices =
    isOne && truth ? choicesOf(truth, ties, near, open) : choicesOfTwo(faults, pairs, openPairs);
  const isDoubtful = (id: FaultName) => (near.get(id) ?? Infinity) < FITS_NOT && !ties.includes(id);
  const openOfFamily = choices.filter(
    (c) =>
      !isPair(c) &&
      truth !== undefined &&
      open.includes(c) &&
      !ties.includes(c) &&
      FAULTS[c].family === FAULTS[truth].family,
  ).length;
  const needOpen = { 1: 0, 2: 0, 3: 1, 4: 2, 5: 0 }[level];
  const alone = isOne ? Infinity : Math.min(...truths.map((id) => rivals.single(cup, id)));
  const checks: readonly (readonly [Unfair, boolean])[] = [
    ['outside', outsideLimits(made.brew) !== null],
    ['nothing', cup.words.every((w) => w === 0)],
    ['edge', cup.gaps.some(isOnEdge)],
    ['stated', level > 1 && truths.some((id) => known.includes(FAULTS[id].fact))],
    ['alone', alone < ALONE],
    ['near', open.some(isDoubtful) || openPairs.some((p) => (pairs.get(p) ?? 0) < FITS_NOT)],
    ['faint', level <= 2 && cup.words.every((w) => Math.abs(w) < 2)],
    ['plain', openOfFamily < needOpen],
  ];
  return {
    ...found,
    faults,
    rivals: near,
    ...{ open, openPairs, ties, choices },
    right: inTableOrder([causeOf(faults), ...ties]),
    unfair: checks.find(([, holds]) => holds)?.[0] ?? null,
  };
}
/** The levers tried on a cup that was weighed. */
function withLevers(
  { openPairs, ...cup }: Weighed,
  { house, faults, level }: DiagnosisAsked,
  rivals: Rivals,
): Diagnosis {
  const brackets = bracketsOf(house, cup.house, faults, level);
  const levers = worthOf([...faults.map((f) => f.id), ...cup.ties], brackets);
  const hasLever = CURE_LEVERS.some((l) => levers[l] === 'right');
  const few = cup.choices.length < FEWEST_CHOICES ? 'few' : null;
  return {
    ...cup,
    ...{ brackets, levers },
    unfair: cup.unfair ?? (hasLever ? few : 'noLever'),
    withoutColour: rivals.fitByWords(cup.beside, cup.open, cup.ties, openPairs),
  };
}
/**
 * Works a cup out: how it tastes and looks, what else it could be, what mends it, and whether it makes a fair question.
 * `rivals` keeps what one house's faults come to; made here when it is not given.
 */
export function diagnosisOf(
  asked: DiagnosisAsked,
  rivals: Rivals = new Rivals(asked.house),
): Diagnosis {
  return withLevers(weighed(asked, rivals), asked, rivals);
}
/** The same; null: it makes no fair question. The levers are tried only where nothing else is against it. */
export function fairDiagnosis(asked: DiagnosisAsked, rivals: Rivals): Diagnosis | null {
  const cup = weighed(asked, rivals);
  const found = cup.unfair === null ? withLevers(cup, asked, rivals) : null;
  return found?.unfair === null ? found : null;
}
