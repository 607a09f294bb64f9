import { pick, type Random } from '#core/numeric';
import { leafFor, type PlainScaling } from '#core/scaling';
import { characterOf } from '#core/styles';
import { grams, gramsPer100Ml, millilitres, ML_PER } from '#core/units';
import type { Level } from '../diagnosis/diagnosis';
import type { DrillCup } from '../diagnosis/draw';
import { drawnFair } from '../drawnFair';
import { bandAbout, distractorsOf, type Figure, LEAF_OFF, type Mistake, toDigits } from './figures';
import { soldSize } from './soldSize';

// Leaf for another amount of water than the one that is known.

/** Leaf that is known to be right for so much water. */
export type KnownLeaf = { readonly leafGrams: number; readonly waterMl: number };
/** What leaf is asked for: a vessel to its fill line, water, liquor in the cups, or pints of water. */
export type ScaleAsk =
  | { readonly kind: 'fillLine' }
  | { readonly kind: 'water'; readonly ml: number }
  | { readonly kind: 'liquor'; readonly ml: number }
  | { readonly kind: 'pints'; readonly count: number; readonly uk: boolean };
export type ScaleFacts = {
  readonly reference: KnownLeaf;
  /** A second vessel that is known to be right: leaf tapers between the two. */
  readonly second: KnownLeaf | null;
  readonly vessel: {
    readonly brimMl: number;
    readonly fillLineMl: number;
    /** The size it is sold as; null: its brim up to the next 100 ml. */
    readonly namedMl: number | null;
  };
  /** What a gram of leaf keeps of the water. */
  readonly heldMlPerG: number;
  readonly ask: ScaleAsk;
};
export type ScaleGiven = ScaleFacts & {
  readonly tea: string;
  readonly vesselName: string;
  readonly level: Level;
};
export type ScaleMistake =
  | 'leafDrinks'
  | 'otherPint'
  | 'brim'
  | 'name'
  | 'asKnown'
  | 'wrongWay'
  | 'straight'
  | 'perCup'
  | 'double';
export type ScaleFigure = Figure<ScaleMistake> & { readonly waterMl: number };

/** Leaf is said to a tenth of a gram, and less than that is none. */
const DIGITS = 1;
const LEAST_G = 0.1;
/** A US pint is 16 US fl oz, an imperial one 20 imperial fl oz. */
const PINT_ML = { us: 16 * ML_PER.usFlOz, uk: 20 * ML_PER.imperialFlOz };
const CUP_ML = 150;
/** Water and leaf for liquor settle within so many rounds: leaf keeps a small part of its water. */
const ROUNDS = 60;

/** What is asked, worked out: grams of leaf. @throws {RangeError} where two known vessels hold the same water */
export function scaleFigure(facts: ScaleFacts): ScaleFigure {
  const { reference, second, vessel, ask } = facts;
  const known = { water: millilitres(reference.waterMl), leaf: grams(reference.leafGrams) };
  const dose = gramsPer100Ml((100 * reference.leafGrams) / reference.waterMl);
  const scaling: PlainScaling = second
    ? {
        school: 'tapered',
        small: known,
        large: { water: millilitres(second.waterMl), leaf: grams(second.leafGrams) },
      }
    : { school: 'linear' };
  const leafOf = (water: number) => leafFor(millilitres(water), dose, scaling);
  const waterMl = waterAsked(facts, leafOf);
  const truth = leafOf(waterMl);
  const mistakes: Mistake<ScaleMistake>[] = [];
  const add = (id: ScaleMistake, value: number) =>
    mistakes.push({ id, value: toDigits(value, DIGITS) });
  if (ask.kind === 'liquor') add('leafDrinks', leafOf(ask.ml));
  if (ask.kind === 'pints') add('otherPint', leafOf(ask.count * PINT_ML[ask.uk ? 'us' : 'uk']));
  if (ask.kind === 'fillLine') {
    add('brim', leafOf(vessel.brimMl));
    add('name', leafOf(vessel.namedMl ?? soldSize(vessel.brimMl)));
  }
  add('asKnown', reference.leafGrams);
  add('wrongWay', (reference.leafGrams * reference.waterMl) / waterMl);
  if (second) add('straight', (reference.leafGrams * waterMl) / reference.waterMl);
  add('perCup', (truth * 100) / CUP_ML);
  add('double', 2 * truth);
  const [right, near] = [bandAbout(truth, LEAF_OFF.right), bandAbout(truth, LEAF_OFF.near)];
  const distractors = distractorsOf({ truth, near, mistakes }, LEAF_OFF.apart);
  return { waterMl, truth, shown: toDigits(truth, DIGITS), right, near, mistakes, distractors };
}
/** Water for what is asked; of liquor, what the leaf keeps is added. */
function waterAsked(
  { vessel, heldMlPerG, ask }: ScaleFacts,
  leafOf: (water: number) => number,
): number {
  switch (ask.kind) {
    case 'fillLine':
      return vessel.fillLineMl;
    case 'water':
      return ask.ml;
    case 'pints':
      return ask.count * PINT_ML[ask.uk ? 'uk' : 'us'];
    case 'liquor': {
      let water = ask.ml;
      for (let i = 0; i < ROUNDS; i++) water = ask.ml + heldMlPerG * leafOf(water);
      return water;
    }
  }
}

/** Nearer than this to what is known there is nothing to scale. */
const DIFFERENT = 0.08;
/** Where leaf keeps more than it is given there is no end to the water. */
const MOST_WATER_ML = 20_000;
/** True when there is leaf to work out, and something to scale. */
export function isFairScale(facts: ScaleFacts): boolean {
  const { reference, second } = facts;
  if (second && second.waterMl === reference.waterMl) return false;
  const { waterMl, truth } = scaleFigure(facts);
  const isPourable = waterMl <= MOST_WATER_ML && truth >= LEAST_G;
  const isScaled = Math.abs(Math.log(waterMl / reference.waterMl)) >= DIFFERENT;
  return isPourable && isScaled;
}

const KNOWN_WATER = [300, 400, 500, 600, 750, 1000] as const;
const TIMES = [0.5, 1.5, 2, 3] as const;
const LARGER = [1.8, 2, 2.5] as const;
const TAPERS = [0.75, 0.8, 0.85, 0.9] as const;
const fiftyBetween = (random: Random, low: number, high: number): number =>
  50 * Math.round((low + random() * (high - low)) / 50);

function askOf(level: Level, known: number, random: Random): ScaleAsk {
  const isFirst = random() < 0.5;
  switch (level) {
    case 1:
      return { kind: 'water', ml: known * pick(random, TIMES) };
    case 2:
      return { kind: 'fillLine' };
    case 3:
      return isFirst
        ? { kind: 'fillLine' }
        : { kind: 'water', ml: fiftyBetween(random, 200, 1800) };
    case 4:
      return isFirst
        ? { kind: 'pints', count: pick(random, [1, 2]), uk: random() < 0.5 }
        : { kind: 'liquor', ml: fiftyBetween(random, 250, 1200) };
    case 5:
      return isFirst
        ? { kind: 'fillLine' }
        : { kind: 'liquor', ml: fiftyBetween(random, 250, 1200) };
  }
}
function secondOf(first: KnownLeaf, random: Random): KnownLeaf {
  const waterMl = 50 * Math.round((first.waterMl * pick(random, LARGER)) / 50);
  const taper = (waterMl / first.waterMl) ** pick(random, TAPERS);
  return { waterMl, leafGrams: toDigits(first.leafGrams * taper, DIGITS) };
}
/**
 * Draws a question of one of the house's teas in one of its vessels.
 * @throws {RangeError} when the house has no cup, or holds what is known already in every vessel
 */
export function drawScale(cups: readonly DrillCup[], level: Level, random: Random): ScaleGiven {
  return drawnFair(level, (l) => {
    const cup = pick(random, cups);
    const waterMl = pick(random, KNOWN_WATER);
    const leafGrams = toDigits((cup.leafGrams * waterMl) / cup.waterMl, DIGITS);
    const reference = { leafGrams, waterMl };
    const given: ScaleGiven = {
      ...{ tea: cup.tea, vesselName: cup.vessel, level: l, reference },
      second: l === 5 ? secondOf(reference, random) : null,
      vessel: { brimMl: cup.capacityMl, fillLineMl: cup.waterMl, namedMl: null },
      heldMlPerG: characterOf(cup.style).held,
      ask: askOf(l, waterMl, random),
    };
    return isFairScale(given) ? given : null;
  });
}
