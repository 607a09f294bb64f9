import { pick, type Random } from '#core/numeric';
import { quartersText, spoonsFor } from '#core/recipes';
import { grams, type GramsPerMl, millilitres, type Spoon, SPOON_KINDS, SPOONS } from '#core/units';
import type { Level } from '../diagnosis/diagnosis';
import type { DrillCup } from '../diagnosis/draw';
import { drawnFair } from '../drawnFair';
import { type Band, distractorsOf, type Figure, type Mistake, toDigits } from './figures';

// So many grams of leaf by a spoon, from so many spoons that were weighed.

export type SpoonsFacts = {
  readonly leafGrams: number;
  readonly waterMl: number;
  readonly weighing: { readonly spoonMl: number; readonly spoons: number; readonly grams: number };
  readonly spoonMl: number;
  /** How dense another tea of the house is; null: there is none. */
  readonly otherGramsPerMl: number | null;
};
export type SpoonsGiven = SpoonsFacts & {
  readonly tea: string;
  readonly vesselName: string;
  readonly level: Level;
  /** "dessert spoon": what was weighed, and what is asked for. */
  readonly weighedName: string;
  readonly spoonName: string;
};
export type SpoonsMistake =
  | 'spoonWeighed'
  | 'teaspoonForTable'
  | 'tableForTeaspoon'
  | 'otherTea'
  | 'heaped'
  | 'spoonACup'
  | 'gramsAsSpoons';
/** Its figures are quarters of a spoon. */
export type SpoonsFigure = Figure<SpoonsMistake> & {
  readonly gramsPerSpoon: number;
  readonly quarters: number;
  /** "3½". */
  readonly text: string;
  /** By how much the nearest quarter misses the wanted leaf. */
  readonly error: number;
  readonly fair: boolean;
};

const APART = { by: 2, share: 0.18 };
const [RIGHT, NEAR, BESIDE_BEST] = [0.05, 0.15, 0.005];
const FAIR_ERROR = 0.12;
const MOST_SPOONS = 12;
/** A mistake that comes to more spoons than this is nobody's. */
const MOST_QUARTERS = 80;
/** A tablespoon holds three teaspoons; one that is heaped, half as much again (common practice). */
const [THREE, HEAPED] = [3, 1.5];
const [TEASPOON_MOST_ML, TABLESPOON_LEAST_ML] = [6, 13];
/** "A spoon a cup and one for the pot." */
const CUP_ML = 150;

/** What is asked, worked out: quarters of a spoon. @throws {RangeError} unless leaf and weighing are positive */
export function spoonsFigure(facts: SpoonsFacts): SpoonsFigure {
  const { leafGrams, waterMl, weighing, spoonMl, otherGramsPerMl } = facts;
  const density = (weighing.grams / (weighing.spoons * weighing.spoonMl)) as GramsPerMl;
  const spoon: Spoon = { ...SPOONS.dessertSpoon, ml: millilitres(spoonMl) };
  const { quarters, perSpoon, error } = spoonsFor(grams(leafGrams), density, spoon);
  const truth = (4 * leafGrams) / perSpoon;
  const mistakes: Mistake<SpoonsMistake>[] = [];
  const add = (id: SpoonsMistake, value: number) => {
    const rounded = Math.max(1, Math.round(value));
    if (rounded <= MOST_QUARTERS) mistakes.push({ id, value: rounded });
  };
  if (spoonMl !== weighing.spoonMl) add('spoonWeighed', (truth * spoonMl) / weighing.spoonMl);
  if (spoonMl >= TABLESPOON_LEAST_ML) add('teaspoonForTable', truth * THREE);
  if (spoonMl <= TEASPOON_MOST_ML) add('tableForTeaspoon', truth / THREE);
  if (otherGramsPerMl !== null) add('otherTea', (4 * leafGrams) / (otherGramsPerMl * spoonMl));
  add('heaped', truth / HEAPED);
  add('spoonACup', 4 * (waterMl / CUP_ML + 1));
  add('gramsAsSpoons', 4 * leafGrams);
  const [right, near] = [
    bandWithin(truth, Math.max(RIGHT, Math.abs(error) + BESIDE_BEST)),
    bandWithin(truth, NEAR),
  ];
  return {
    ...{ gramsPerSpoon: perSpoon, quarters, text: quartersText(quarters), error },
    fair: Math.abs(error) <= FAIR_ERROR && quarters <= 4 * MOST_SPOONS,
    ...{ truth, shown: quarters, right, near, mistakes },
    distractors: distractorsOf({ truth: quarters, near, mistakes }, APART),
  };
}
/** The first and the last whole quarter within a share of the wanted leaf. */
function bandWithin(truth: number, share: number): Band {
  const hair = 1e-9;
  return [Math.ceil(truth * (1 - share) - hair), Math.floor(truth * (1 + share) + hair)];
}

/** A tea of the house whose spoons were weighed. */
export type WeighedTea = {
  readonly tea: string;
  readonly spoon: { readonly name: string; readonly ml: number };
  /** Of one level spoon. */
  readonly grams: number;
};

const SEVERAL = 5;
const TRADE_SPOONS = SPOON_KINDS.map((kind) => SPOONS[kind]);
type NamedSpoon = WeighedTea['spoon'];
/** The spoon that is asked for: the weighed one, any, or another. */
function spoonFor(level: Level, weighed: NamedSpoon, random: Random): NamedSpoon {
  if (level <= 2) return weighed;
  return pick(random, level === 3 ? TRADE_SPOONS : TRADE_SPOONS.filter((s) => s.ml !== weighed.ml));
}
/**
 * Draws a question of one of the house's weighed teas, in one of the cups it is brewed in.
 * @throws {RangeError} when no tea of the house was weighed by the spoon
 */
export function drawSpoons(
  cups: readonly DrillCup[],
  weighed: readonly WeighedTea[],
  level: Level,
  random: Random,
): SpoonsGiven {
  return drawnFair(level, (l) => {
    const tea = pick(random, weighed);
    const cup = pick(
      random,
      cups.filter((c) => c.tea === tea.tea),
    );
    const others = weighed.filter((w) => w.tea !== tea.tea);
    const other = others.length > 0 ? pick(random, others) : null;
    const spoon = spoonFor(l, tea.spoon, random);
    const spoons = l === 5 ? SEVERAL : 1;
    const perWeighed = toDigits(tea.grams, 2);
    const whole = Math.max(1, Math.round(cup.leafGrams / perWeighed));
    const given: SpoonsGiven = {
      ...{ tea: tea.tea, vesselName: cup.vessel, level: l, waterMl: cup.waterMl },
      leafGrams: toDigits(l === 1 ? whole * perWeighed : cup.leafGrams, 1),
      weighing: {
        spoonMl: tea.spoon.ml,
        spoons,
        grams: toDigits(spoons * perWeighed, 1 + Number(spoons === 1)),
      },
      ...{ spoonMl: spoon.ml, weighedName: tea.spoon.name, spoonName: spoon.name },
      otherGramsPerMl: other && other.grams / other.spoon.ml,
    };
    return spoonsFigure(given).fair ? given : null;
  });
}
