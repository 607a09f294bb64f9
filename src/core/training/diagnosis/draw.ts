import type { Material } from '#core/heat';
import { pick, type Random, shuffled } from '#core/numeric';
import { characterOf, type Multipliers, type StyleId } from '#core/styles';
import { celsius, grams, millilitres, seconds } from '#core/units';
import type { InfuserKind } from '#core/vessels';
import { type Diagnosis, diagnosisOf, fairDiagnosis, type Level } from './diagnosis';
import {
  type Fact,
  FACTS,
  type Fault,
  FAULT_NAMES,
  type FaultName,
  FAULTS,
  type HouseCup,
  sizesOf,
} from './faults';
import { PAIR_NAMES, partsOf } from './pairs';
import { Rivals } from './rivals';
import { FITS_NOT, TIE } from './tasted';

/** A house cup in plain numbers, as it is kept with an answer: what it was can be shown again exactly. */
export type DrillCup = {
  readonly tea: string;
  readonly vessel: string;
  readonly style: StyleId;
  /** Of a tea that was fitted to this house; null: as its style. */
  readonly fitted: Multipliers | null;
  readonly leafGrams: number;
  readonly waterMl: number;
  readonly temperatureC: number;
  readonly seconds: number;
  readonly warm: boolean;
  readonly lid: boolean;
  readonly material: Material;
  readonly capacityMl: number;
  readonly infuser: InfuserKind;
  readonly basketMl: number | null;
  readonly ambientC: number;
  readonly boilingC: number;
  readonly pourLoss: number;
};
/** What a question was drawn as: all that is needed to work it out again. */
export type DiagnosisGiven = {
  readonly cup: DrillCup;
  readonly faults: readonly Fault[];
  readonly known: readonly Fact[];
  readonly level: Level;
};
/** Raised whenever the same given would come to another question. */
export const DIAGNOSIS_VERSION = 1;
/** The chance of a blind choice. */
export const DIAGNOSIS_GUESS = 0.07;

export const houseCupOf = (cup: DrillCup): HouseCup => ({
  brew: {
    style: cup.style,
    character: characterOf(cup.style, undefined, cup.fitted ?? undefined),
    leaf: grams(cup.leafGrams),
    water: millilitres(cup.waterMl),
    temperature: celsius(cup.temperatureC),
    time: seconds(cup.seconds),
    material: cup.material,
    lid: cup.lid,
    infuser: cup.infuser,
    basket: cup.basketMl === null ? null : millilitres(cup.basketMl),
    ambient: celsius(cup.ambientC),
  },
  warm: cup.warm,
  capacity: cup.capacityMl,
  ambient: celsius(cup.ambientC),
  boiling: celsius(cup.boilingC),
  pourLoss: cup.pourLoss,
});
/** The question that was drawn. */
export const workDiagnosis = (given: DiagnosisGiven, rivals?: Rivals): Diagnosis =>
  diagnosisOf({ ...given, house: houseCupOf(given.cup) }, rivals);

/** Each cup of a house with what its faults come to: worked out once, used for many questions. */
export class DrillHouse {
  private readonly made = new Map<DrillCup, Rivals>();
  private readonly worked = new WeakMap<DiagnosisGiven, Diagnosis>();
  constructor(readonly cups: readonly DrillCup[]) {}
  rivals(cup: DrillCup): Rivals {
    const known = this.made.get(cup) ?? new Rivals(houseCupOf(cup));
    this.made.set(cup, known);
    return known;
  }
  /** True when it makes a fair question. */
  isFair(given: DiagnosisGiven): boolean {
    const rivals = this.rivals(given.cup);
    const found = fairDiagnosis({ ...given, house: rivals.house }, rivals);
    if (found) this.worked.set(given, found);
    return found !== null;
  }
  /** The question worked out; what was drawn here has been already. */
  work(given: DiagnosisGiven): Diagnosis {
    return this.worked.get(given) ?? workDiagnosis(given, this.rivals(given.cup));
  }
}

const TRIES = 30;
/** Sizes as people know them: leaf and time in hundredths, degrees and minutes whole. */
const rounded = (size: number): number => Math.round(size * 100) / 100;
/** Of two faults at once the larger sizes only. */
const LARGER_PART = 3 / 5;
/** How far from nothing a size is: a factor below one counts by its inverse. */
const weightOf = (size: number): number => (size > 0 && size < 1 ? 1 / size : size);
/** From which part of its sizes a fault is drawn, largest last: two at once are drawn from the larger ones. */
function sizeOf(house: HouseCup, id: FaultName, random: Random, two: boolean): number | null {
  const sizes = sizesOf(house, id);
  const [only] = sizes;
  if (only === undefined) return null;
  if (sizes.length === 1) return only;
  const byWeight = [...sizes].sort((a, b) => weightOf(a) - weightOf(b));
  const from = two ? Math.floor(byWeight.length * (1 - LARGER_PART)) : 0;
  return rounded(pick(random, byWeight.slice(from)));
}

/** At the fourth level so often a fact is left out that would have parted two faults. */
const LEFT_OUT = 0.25;
/** The facts that are stated: all at level 1; then those that must be, and others until enough is open. */
function factsFor(
  level: Level,
  truths: readonly FaultName[],
  near: ReadonlyMap<FaultName, number>,
  random: Random,
): Fact[] {
  if (level === 1) return [...FACTS];
  const own = new Set(truths.map((id) => FAULTS[id].fact));
  const rivals = [...near].filter(([id]) => !own.has(FAULTS[id].fact));
  const needed = new Set(rivals.filter(([, d]) => d < FITS_NOT).map(([id]) => FAULTS[id].fact));
  if (level === 4 && random() < LEFT_OUT) {
    const [tied] = rivals.filter(([, d]) => d < TIE).sort(([, a], [, b]) => a - b);
    if (tied) needed.delete(FAULTS[tied[0]].fact);
  }
  const { family } = FAULTS[truths[0] ?? 'long'];
  const rest = shuffled(
    FACTS.filter((f) => !needed.has(f) && !own.has(f)),
    random,
  );
  const isOfFamily = (fact: Fact) =>
    rivals.some(([id]) => FAULTS[id].fact === fact && FAULTS[id].family === family);
  const ordered = [...rest.filter(isOfFamily), ...rest.filter((f) => !isOfFamily(f))];
  const open = { 2: 1, 3: 2, 4: ordered.length, 5: ordered.length }[level];
  return FACTS.filter((f) => needed.has(f) || ordered.slice(open).includes(f));
}

/** One try: a house, sizes and facts for those faults; null: they make no fair question. */
export function diagnosisTry(
  house: DrillHouse,
  level: Level,
  ids: readonly FaultName[],
  random: Random,
): DiagnosisGiven | null {
  const cup = pick(random, house.cups);
  const rivals = house.rivals(cup);
  const faults = ids.flatMap((id) => {
    const size = sizeOf(rivals.house, id, random, ids.length > 1);
    return size === null ? [] : [{ id, size }];
  });
  if (faults.length < ids.length || !rivals.isWorthAsking(faults, level)) return null;
  const near = rivals.near(faults);
  const known = factsFor(level, ids, near, random);
  const given: DiagnosisGiven = { cup, faults, known, level };
  return house.isFair(given) ? given : null;
}
/** A fault stays, its house, size and facts are drawn again until the question is fair. */
function tryToDraw(
  house: DrillHouse,
  level: Level,
  ids: readonly FaultName[],
  random: Random,
): DiagnosisGiven | null {
  for (let i = 0; i < TRIES; i++) {
    const given = diagnosisTry(house, level, ids, random);
    if (given) return given;
  }
  return null;
}
/** One fault, at the fifth level two. */
export const faultsFor = (level: Level, random: Random): readonly FaultName[] =>
  level === 5 ? partsOf(pick(random, PAIR_NAMES)) : [pick(random, FAULT_NAMES)];
/** Some faults cannot be in a house at all: so many are tried before the level is. */
const FAULTS_TRIED = 4;
/**
 * Draws a fair question for a house: the same chance draws the same one. A level that finds none gives way to the one
 * below.
 * @throws {RangeError} when the house has no cup that makes one
 */
export function drawDiagnosis(house: DrillHouse, level: Level, random: Random): DiagnosisGiven {
  for (let at = level; at >= 1; at = (at - 1) as Level)
    for (let i = 0; i < FAULTS_TRIED; i++) {
      const ids = faultsFor(at, random);
      const given = tryToDraw(house, at, ids, random);
      if (given) return given;
    }
  // Four faults in a row that make no fair question are rare; a house in which no fault does is not.
  for (const id of shuffled(FAULT_NAMES, random)) {
    const given = tryToDraw(house, 1, [id], random);
    if (given) return given;
  }
  throw new RangeError('this house has no cup to ask about');
}
