import type { ColouredBrew } from '#core/colour';
import { afterPour, firstContact, inColdVessel, WARMED_WALL } from '#core/heat';
import { type Grade, GRADES } from '#core/styles';
import { type Celsius, celsius, grams, millilitres, seconds } from '#core/units';

// What can go wrong with a cup, one thing at a time. Sizes and limits are choices; where a fault changes the heat, the
// model of the pour is used.

/** A cup as the house brews it, in the vessel it is drilled on. */
export type HouseCup = {
  /** Temperature is of the water on the leaf. */
  readonly brew: ColouredBrew;
  /** The vessel is warmed before. */
  readonly warm: boolean;
  readonly capacity: number;
  readonly ambient: Celsius;
  readonly boiling: Celsius;
  /** Share of the difference to the air that is lost in the pour. */
  readonly pourLoss: number;
};

export const FAULT_NAMES = [
  'long',
  'short',
  'hot',
  'cool',
  'muchLeaf',
  'littleLeaf',
  'spoonUp',
  'spoonDown',
  'coldPot',
  'noLid',
  'smallBall',
  'brokenLeaf',
  'leftOn',
] as const;
export type FaultName = (typeof FAULT_NAMES)[number];
/** What would have shown a fault at once. */
export const FACTS = ['leaf', 'time', 'kettle', 'pot', 'lid', 'basket', 'cut', 'drained'] as const;
export type Fact = (typeof FACTS)[number];
/** What is turned to mend a cup. */
export const CURE_LEVERS = ['leaf', 'heat', 'time', 'vessel', 'water'] as const;
export type CureLever = (typeof CURE_LEVERS)[number];
/** What is done to the vessel. */
export type VesselAct = 'warm' | 'lid' | 'basket' | 'drain';
/** A fault with how much: a factor, °C, or minutes; 0 where there is only one way. */
export type Fault = { readonly id: FaultName; readonly size: number };

type FaultKind = {
  /** The cup is too strong of it, or too weak. */
  readonly family: 'strong' | 'weak';
  readonly fact: Fact;
  /** What mends it; null: whatever the model says. */
  readonly cure: CureLever | null;
  readonly act?: VesselAct;
};
export const FAULTS: Readonly<Record<FaultName, FaultKind>> = {
  long: { family: 'strong', fact: 'time', cure: 'time' },
  short: { family: 'weak', fact: 'time', cure: 'time' },
  hot: { family: 'strong', fact: 'kettle', cure: 'heat' },
  cool: { family: 'weak', fact: 'kettle', cure: 'heat' },
  muchLeaf: { family: 'strong', fact: 'leaf', cure: 'leaf' },
  littleLeaf: { family: 'weak', fact: 'leaf', cure: 'leaf' },
  spoonUp: { family: 'strong', fact: 'leaf', cure: 'leaf' },
  spoonDown: { family: 'weak', fact: 'leaf', cure: 'leaf' },
  coldPot: { family: 'weak', fact: 'pot', cure: 'vessel', act: 'warm' },
  noLid: { family: 'weak', fact: 'lid', cure: 'vessel', act: 'lid' },
  smallBall: { family: 'weak', fact: 'basket', cure: 'vessel', act: 'basket' },
  brokenLeaf: { family: 'strong', fact: 'cut', cure: null },
  leftOn: { family: 'strong', fact: 'drained', cure: 'vessel', act: 'drain' },
};
/** True when one fact tells neither from the other, and both lead the same way: a slip of the spoon is much leaf. */
export const isAlike = (a: FaultName, b: FaultName): boolean =>
  FAULTS[a].fact === FAULTS[b].fact && FAULTS[a].family === FAULTS[b].family;

/** A cup with what was done to it: the brew, and for how many minutes the rest stood on the leaf. */
export type MadeCup = { readonly brew: ColouredBrew; readonly leftMinutes: number };

/** Infusers in which leaf has no more room than in a small ball. */
const SMALL_ALREADY: readonly string[] = ['ball', 'flatbag', 'tetra'];
const SMALL_BALL = millilitres(30);
const FINER: Readonly<Partial<Record<Grade, Grade>>> = {
  whole: 'broken',
  broken: 'fannings',
  fannings: 'dust',
};
const DOSE_G_PER_L = [3, 60] as const;
/** No water on leaf is hotter than this. */
const HOTTEST = 98;

/** What water meets in the house's vessel: wall and leaf. */
function contactOf(house: HouseCup) {
  const { brew, capacity, ambient } = house;
  return {
    water: grams(brew.water),
    material: brew.material ?? 'porcelain',
    capacity: millilitres(capacity),
    leaf: brew.leaf,
    leafAt: ambient,
  };
}
/** Where boiling water lands on the leaf, in the vessel warmed or not, °C. */
export function boilingLandsAt(house: HouseCup, isWarmed: boolean): Celsius {
  const waterAt = afterPour(house.boiling, house.ambient, house.pourLoss);
  const wallAt = isWarmed ? WARMED_WALL : house.ambient;
  return firstContact({ ...contactOf(house), wallAt, waterAt });
}
/** The hottest that lands on the leaf here: boiling water into a warmed vessel, °C. */
export const hottestHere = (house: HouseCup): number =>
  Math.min(HOTTEST, boilingLandsAt(house, true));
/** What the house's water comes to in a vessel that nobody warmed, °C. */
const onLeafInColdVessel = (house: HouseCup): Celsius =>
  inColdVessel(house.brew.temperature, contactOf(house));
const finer = (house: HouseCup): Grade | undefined => FINER[house.brew.character.grade];

const leafOf = (brew: ColouredBrew, size: number): ColouredBrew => ({
  ...brew,
  leaf: grams(brew.leaf * size),
});
function brokenLeafOf(house: HouseCup, brew: ColouredBrew): ColouredBrew {
  const grade = finer(house);
  if (!grade) return brew;
  const { character } = brew;
  const wetting = (character.wetting * GRADES[grade].wetting) / GRADES[character.grade].wetting;
  return { ...brew, character: { ...character, grade, wetting } };
}
/** A cup with one more fault. */
export function withFault(house: HouseCup, made: MadeCup, { id, size }: Fault): MadeCup {
  const { brew } = made;
  const changed = (next: ColouredBrew): MadeCup => ({ ...made, brew: next });
  switch (id) {
    case 'long':
    case 'short':
      return changed({ ...brew, time: seconds(brew.time * size) });
    case 'hot':
      return changed({ ...brew, temperature: celsius(brew.temperature + size) });
    case 'cool':
      return changed({ ...brew, temperature: celsius(brew.temperature - size) });
    case 'muchLeaf':
    case 'littleLeaf':
    case 'spoonUp':
    case 'spoonDown':
      return changed(leafOf(brew, size));
    case 'coldPot': {
      const lower = house.brew.temperature - onLeafInColdVessel(house);
      return changed({ ...brew, temperature: celsius(brew.temperature - lower) });
    }
    case 'noLid':
      return changed({ ...brew, lid: false });
    case 'smallBall':
      return changed({ ...brew, infuser: 'ball', basket: SMALL_BALL });
    case 'brokenLeaf':
      return changed(brokenLeafOf(house, brew));
    case 'leftOn':
      return { ...made, leftMinutes: size };
  }
}
export const asTheHouse = (house: HouseCup): MadeCup => ({ brew: house.brew, leftMinutes: 0 });
/** The house's cup with those faults. */
export const madeWith = (house: HouseCup, faults: readonly Fault[]): MadeCup =>
  faults.reduce((made, fault) => withFault(house, made, fault), asTheHouse(house));

/** Steps of equal ratio from one size to another, both among them. */
const ratios = (from: number, to: number, steps: number): number[] =>
  Array.from({ length: steps }, (_, i) => from * (to / from) ** (i / (steps - 1)));
/** Whole steps from one size to another; with fewer `steps` than that, so many at equal distances. */
function wholes(from: number, to: number, steps: number | null): number[] {
  if (to < from) return [];
  if (steps === null)
    return Array.from({ length: Math.floor(to - from + 1e-9) + 1 }, (_, i) => from + i);
  return Array.from({ length: steps }, (_, i) => from + ((to - from) * i) / (steps - 1));
}
const LEAST_COLDER = 3;
/** So many sizes of a fault are looked at; null: as many as there are whole ones. */
export type Grid = { readonly time: number; readonly leaf: number; readonly whole: number | null };
export const SINGLE_GRID: Grid = { time: 24, leaf: 20, whole: null };
export const PAIR_GRID: Grid = { time: 10, leaf: 10, whole: 10 };

/** Every size of a fault that can be in the house's cup; none: it cannot. */
export function sizesOf(house: HouseCup, id: FaultName, grid: Grid = SINGLE_GRID): number[] {
  const { brew } = house;
  const doseOf = (size: number) => (1000 * brew.leaf * size) / brew.water;
  const canDose = (size: number) =>
    doseOf(size) >= DOSE_G_PER_L[0] - 1e-9 && doseOf(size) <= DOSE_G_PER_L[1] + 1e-9;
  switch (id) {
    case 'long':
      return ratios(1.2, 3.5, grid.time);
    case 'short':
      return ratios(0.2, 0.85, grid.time);
    case 'hot':
      return wholes(3, Math.min(22, hottestHere(house) - brew.temperature), grid.whole);
    case 'cool':
      return wholes(3, 24, grid.whole);
    case 'muchLeaf':
      return ratios(1.15, 2.2, grid.leaf).filter(canDose);
    case 'littleLeaf':
      return ratios(0.42, 0.87, grid.leaf).filter(canDose);
    case 'spoonUp':
      return [3].filter(canDose);
    case 'spoonDown':
      return [1 / 3].filter(canDose);
    case 'coldPot':
      return house.warm && brew.temperature - onLeafInColdVessel(house) >= LEAST_COLDER ? [0] : [];
    case 'noLid':
      return brew.lid === false ? [] : [0];
    case 'smallBall':
      return brew.infuser && SMALL_ALREADY.includes(brew.infuser) ? [] : [0];
    case 'brokenLeaf':
      return finer(house) ? [0] : [];
    case 'leftOn':
      return wholes(3, 12, grid.whole);
  }
}
