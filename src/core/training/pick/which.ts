import { deltaE00 } from '#core/colour';
import { brewCup } from '#core/cup';
import { pick, type Random } from '#core/numeric';
import { cupWords, differenceWords } from '#core/taste';
import { celsius, minutesText, seconds, temperatureText } from '#core/units';
import type { Level } from '../diagnosis/diagnosis';
import { type DrillCup, houseCupOf } from '../diagnosis/draw';
import type { MadeCup } from '../diagnosis/faults';
import { lookOfMade } from '../diagnosis/tasted';
import { drawnFair } from '../drawnFair';
import { g, ml } from '../figure/figureWords';
import { type PickWorked, rightParts } from './drill';

// Three pairs of cups of one tea: equal time, which was hotter; or equal heat, which steeped longer.

export type WhichKind = 'hotter' | 'longer';
/** The milder cup of a pair, and whether the other one stands first. */
export type WhichPair = {
  readonly temperatureC: number;
  readonly seconds: number;
  readonly isFirst: boolean;
};
export type WhichGiven = {
  readonly cup: DrillCup;
  readonly kind: WhichKind;
  /** The other cup is hotter by so many °C, or steeped so many times as long. */
  readonly by: number;
  readonly pairs: readonly WhichPair[];
  readonly level: Level;
};

const PAIRS = 3;
/** Colours of a pair differ for the eye from here on, CIEDE2000. */
const SEEN = 2;
const HOTTEST_C = 98;
const BY: Readonly<Record<WhichKind, Readonly<Record<Level, number>>>> = {
  hotter: { 1: 15, 2: 12, 3: 9, 4: 6, 5: 4 },
  longer: { 1: 2.2, 2: 1.8, 3: 1.5, 4: 1.3, 5: 1.2 },
};

const made = (cup: DrillCup, temperatureC: number, time: number): MadeCup => ({
  brew: {
    ...houseCupOf(cup).brew,
    ...{ temperature: celsius(temperatureC), time: seconds(time) },
  },
  leftMinutes: 0,
});
/** The two cups of a pair as they stand. */
export function cupsOfPair({ cup, kind, by }: WhichGiven, pair: WhichPair): [MadeCup, MadeCup] {
  const { temperatureC, seconds: time, isFirst } = pair;
  const mild = made(cup, temperatureC, time);
  const strong =
    kind === 'hotter' ? made(cup, temperatureC + by, time) : made(cup, temperatureC, time * by);
  return isFirst ? [strong, mild] : [mild, strong];
}
const tasteOf = ({ brew }: MadeCup) => brewCup(brew).taste;
function isTold(given: WhichGiven, pair: WhichPair): boolean {
  const [a, b] = cupsOfPair(given, pair);
  return (
    deltaE00(lookOfMade(a), lookOfMade(b)) >= SEEN ||
    differenceWords(tasteOf(a), tasteOf(b)).length > 0
  );
}
const isWithin = ({ kind, by, cup }: WhichGiven, pair: WhichPair): boolean =>
  pair.temperatureC + (kind === 'hotter' ? by : 0) <= Math.min(HOTTEST_C, cup.boilingC);

const LESSONS: Readonly<Record<WhichKind, string>> = {
  hotter: 'Heat makes a cup bitter and dry first. Time makes a cup stronger first.',
  longer: 'Time makes a cup darker and stronger first. A steep that is too long makes a cup dry.',
};
const OTHER_WAY: Readonly<Record<WhichKind, string>> = {
  hotter: 'In each pair the other cup was hotter.',
  longer: 'In each pair the other cup steeped longer.',
};
/** The question worked out; null: a pair cannot be told apart. */
export function workWhich(given: WhichGiven): PickWorked | null {
  const { cup, kind, pairs } = given;
  if (pairs.length !== PAIRS) return null;
  if (!pairs.every((p) => isWithin(given, p) && isTold(given, p))) return null;
  const asked = kind === 'hotter' ? 'Which was hotter?' : 'Which steeped longer?';
  const parts = pairs.map((pair) => {
    const [a, b] = cupsOfPair(given, pair);
    return {
      asked,
      options: [
        { id: 'a', text: `Left: ${cupWords(tasteOf(a))}` },
        { id: 'b', text: `Right: ${cupWords(tasteOf(b))}` },
      ],
      ...{ many: false, right: [pair.isFirst ? 'a' : 'b'] },
    };
  });
  const shared =
    kind === 'hotter'
      ? 'In each pair leaf, water and time are alike.'
      : 'In each pair leaf, water and heat are alike.';
  const figuresOf = ({ brew }: MadeCup) =>
    kind === 'hotter' ? temperatureText(brew.temperature, 'C') : minutesText(brew.time);
  return {
    tea: cup.tea,
    known: [`${g(cup.leafGrams)} in ${ml(cup.waterMl)}. ${shared}`],
    parts,
    guess: 0.5 ** PAIRS,
    working: pairs.map((pair, i) => {
      const [a, b] = cupsOfPair(given, pair);
      const words = differenceWords(
        tasteOf(pair.isFirst ? a : b),
        tasteOf(pair.isFirst ? b : a),
      ).join(', ');
      const side = pair.isFirst ? 'left' : 'right';
      return `Pair ${i + 1}: left ${figuresOf(a)}, right ${figuresOf(b)}. The ${side} one is ${words || 'darker'}.`;
    }),
    lesson: LESSONS[kind],
    ifNotRight: (picks) => (rightParts({ parts }, picks) >= PAIRS - 1 ? 'near' : 'wrong'),
    mistake: (picks) => (rightParts({ parts }, picks) === 0 ? OTHER_WAY[kind] : null),
  };
}

/** Other pairs of the same tea lie about its recipe, °C and times its seconds. */
const HEATS = [-12, -8, -4, 0, 4] as const;
const TIMES = [0.6, 0.8, 1, 1.3, 1.6] as const;
/** Draws three pairs of one of the house's cups. @throws {RangeError} when none can be told apart */
export function drawWhich(cups: readonly DrillCup[], level: Level, random: Random): WhichGiven {
  return drawnFair(level, (l) => {
    const cup = pick(random, cups);
    const kind = pick(random, ['hotter', 'longer'] as const);
    const base = { cup, kind, by: BY[kind][l], level: l };
    const pairs = Array.from({ length: PAIRS }, () => ({
      temperatureC: Math.round(cup.temperatureC + pick(random, HEATS)),
      seconds: Math.max(15, 5 * Math.round((cup.seconds * pick(random, TIMES)) / 5)),
      isFirst: random() < 0.5,
    }));
    const given: WhichGiven = { ...base, pairs };
    return workWhich(given) ? given : null;
  });
}
