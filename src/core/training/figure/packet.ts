import { pick, type Random } from '#core/numeric';
import { PACKET_SPOON_ML, packetMeanings, type PacketSpoon, readPacket } from '#core/packets';
import { quartersText } from '#core/recipes';
import { type StyleId, styleOf } from '#core/styles';
import {
  celsius,
  gramsPer100Ml,
  type GramsPerMl,
  ML_PER,
  numberText,
  toFahrenheit,
} from '#core/units';
import type { Level } from '../diagnosis/diagnosis';
import type { DrillCup } from '../diagnosis/draw';
import { drawnFair } from '../drawnFair';
import { bandAbout, distractorsOf, type Figure, LEAF_OFF, type Mistake, toDigits } from './figures';
import type { WeighedTea } from './spoons';

// What a packet's advice comes to in grams, for this tea in this vessel.

export type PacketGiven = {
  readonly tea: string;
  readonly style: StyleId;
  readonly vesselName: string;
  readonly waterMl: number;
  /** As it is printed. */
  readonly text: string;
  /** Of the tea, from its weighed spoons. */
  readonly gramsPerMl: number;
  readonly level: Level;
};
export type PacketMistake = 'asPrinted' | 'otherCup' | 'onePot';
export type PacketFigure = Figure<PacketMistake> & {
  /** What the packet means: leaf in so much water, and how the words are taken. */
  readonly meant: {
    readonly leafGrams: number;
    readonly waterMl: number;
    readonly cup: string;
    /** The spoon that was meant where the other was printed; null: as printed. */
    readonly spoon: PacketSpoon | null;
    /** Grams for 100 ml. */
    readonly dose: number;
  };
};

/** One reading lies so near the usual dose, every other further away. */
const [NEAR_USUAL, BEYOND] = [1.3, 1.35];

/** Grams for 100 ml that are usual for the style. */
export const usualOf = ({ style }: PacketGiven) => gramsPer100Ml(styleOf(style).start.dose);
const meaningsOf = (given: PacketGiven) =>
  packetMeanings(readPacket(given.text), {
    density: given.gramsPerMl as GramsPerMl,
    usual: usualOf(given),
  });

/** The question worked out; null: the packet can be taken in more ways than one, or in none. */
export function packetFigure(given: PacketGiven): PacketFigure | null {
  const meanings = meaningsOf(given);
  const likeliest = meanings.find((m) => m.likeliest);
  if (!likeliest) return null;
  const dose = likeliest.slip?.dose ?? likeliest.dose;
  const others = meanings.filter((m) => m !== likeliest).map((m) => m.slip?.dose ?? m.dose);
  const off = (d: number) => Math.abs(Math.log(d / usualOf(given)));
  const isOne = off(dose) <= Math.log(NEAR_USUAL) && others.every((d) => off(d) > Math.log(BEYOND));
  if (!isOne) return null;
  const leaf = (d: number) => (d * given.waterMl) / 100;
  const truth = leaf(dose);
  const mistakes: Mistake<PacketMistake>[] = [
    ...(likeliest.slip ? [{ id: 'asPrinted' as const, value: leaf(likeliest.dose) }] : []),
    ...others.map((d) => ({ id: 'otherCup' as const, value: leaf(d) })),
    { id: 'onePot' as const, value: (dose * likeliest.water) / 100 },
  ].map(({ id, value }) => ({ id, value: toDigits(value, 1) }));
  const [right, near] = [bandAbout(truth, LEAF_OFF.right), bandAbout(truth, LEAF_OFF.near)];
  return {
    ...{ truth, shown: toDigits(truth, 1), right, near, mistakes },
    distractors: distractorsOf({ truth, near, mistakes }, LEAF_OFF.apart),
    meant: {
      ...{ leafGrams: (dose * likeliest.water) / 100, waterMl: likeliest.water },
      ...{ cup: likeliest.cup, spoon: likeliest.slip?.spoon ?? null, dose },
    },
  };
}

const SPOON_WORDS: Readonly<Record<PacketSpoon, readonly [one: string, many: string]>> = {
  teaspoon: ['teaspoon', 'teaspoons'],
  dessertSpoon: ['dessert spoon', 'dessert spoons'],
  tablespoon: ['tablespoon', 'tablespoons'],
};
/** Nobody counts more half spoons into a cup. */
const MOST_HALVES = 16;
const WATERS = [200, 250, 300, 400, 500, 750] as const;
/** Doses of packets lie about the usual one. */
const [LEAST, MOST] = [0.85, 1.2];
/** So much leaf by a spoon, in half spoons; null: it comes to none or to too many. */
function halvesOf(gramsWanted: number, gramsPerMl: number, spoon: PacketSpoon): number | null {
  const halves = Math.round((2 * gramsWanted) / (gramsPerMl * PACKET_SPOON_ML[spoon]));
  return halves >= 1 && halves <= MOST_HALVES ? halves : null;
}
const countText = (halves: number, spoon: PacketSpoon): string =>
  `${quartersText(2 * halves)} ${SPOON_WORDS[spoon][halves > 2 ? 1 : 0]}`;
const other = (spoon: PacketSpoon): PacketSpoon =>
  spoon === 'teaspoon' ? 'tablespoon' : 'teaspoon';

/** Heat and time as packets print them. */
function restOf(cup: DrillCup, isFahrenheit: boolean): string {
  const degrees = isFahrenheit
    ? `${5 * Math.round(toFahrenheit(celsius(cup.temperatureC)) / 5)} °F`
    : `${Math.round(cup.temperatureC)} °C`;
  return `${degrees}, ${numberText(Math.max(1, cup.seconds / 60), 0)} min`;
}
function textOf(cup: DrillCup, gramsPerMl: number, level: Level, random: Random): string | null {
  const dose = styleOf(cup.style).start.dose * (LEAST + random() * (MOST - LEAST));
  const water = level <= 2 ? pick(random, WATERS) : pick(random, [ML_PER.teacup, ML_PER.usCup]);
  const leaf = (dose * water) / 100;
  if (level === 1) return `${numberText(leaf)} g per ${water} ml, ${restOf(cup, false)}`;
  const spoon = pick(random, ['teaspoon', 'tablespoon'] as const);
  const halves = halvesOf(leaf, gramsPerMl, spoon);
  if (halves === null) return null;
  if (level === 2) return `${countText(halves, spoon)} per ${water} ml, ${restOf(cup, false)}`;
  const isSlip = level === 4 || (level === 5 && random() < 0.5);
  const count = countText(halves, isSlip ? other(spoon) : spoon);
  return `${count} per cup, ${restOf(cup, level === 5)}`;
}
/** Draws a packet of one of the house's weighed teas. @throws {RangeError} when none was weighed */
export function drawPacket(
  cups: readonly DrillCup[],
  weighed: readonly WeighedTea[],
  level: Level,
  random: Random,
): PacketGiven {
  return drawnFair(level, (l) => {
    const tea = pick(random, weighed);
    const cup = pick(
      random,
      cups.filter((c) => c.tea === tea.tea),
    );
    const gramsPerMl = tea.grams / tea.spoon.ml;
    const text = textOf(cup, gramsPerMl, l, random);
    if (text === null) return null;
    const given: PacketGiven = {
      ...{ tea: cup.tea, style: cup.style, vesselName: cup.vessel, waterMl: cup.waterMl },
      ...{ text, gramsPerMl, level: l },
    };
    const figure = packetFigure(given);
    if (!figure) return null;
    const isSlip = figure.meant.spoon !== null;
    return l === 5 || isSlip === (l === 4) ? given : null;
  });
}
