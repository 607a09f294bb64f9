import { mean, sum } from 'simple-statistics';
import { brewCup, POT_GRADIENT, strengthAlongPour } from '#core/cup';
import { eachSolute } from '#core/extraction';
import { MARK, tasteOf } from '#core/taste';
import { brewOfCup, type MadeOf } from './brew';
import type { Exercise } from './exercise';
import type { Tasting } from './fold';
import { realCups } from './real';

// How much stronger the last drop of a pot is than its first, from tables at which the cups of one pot were tasted.

/** One table: what was marked of its cups, and what would be expected of them. */
export type PotTasted = {
  /** By taster who marked every cup: strength of each in marks, their own mean taken off. */
  readonly marks: readonly (readonly number[])[];
  /** Strength of each cup in marks, their mean taken off, for a gradient. */
  readonly expected: (gradient: number) => readonly number[];
};
const centred = (list: readonly number[]): number[] => {
  const middle = mean([...list]);
  return list.map((x) => x - middle);
};
/** What a table says of its pot; null: it was poured in turns, or nobody marked two cups or more. */
export function potTasted(e: Exercise, t: Tasting, of: MadeOf): PotTasted | null {
  if (e.compares !== 'poured') return null;
  const cups = realCups(e, t).filter((c) => c.excluded === null && !c.made.poured?.inTurns);
  if (cups.length < 2) return null;
  const marks = t.tasters.flatMap((taster) => {
    if (taster.handedIn === null) return [];
    const own = cups.flatMap((cup) => {
      const code = Object.keys(taster.sheets).find((key) => t.cupOf[key] === cup.cup);
      return (code === undefined ? undefined : taster.sheets[code]?.marks.strength) ?? [];
    });
    return own.length === cups.length ? [centred(own)] : [];
  });
  if (marks.length === 0) return null;
  const made = cups.map(({ made }) => {
    const { poured, ...plan } = made;
    const brew = brewOfCup(of, plan);
    const { gramsPerLitre, taste } = brewCup(brew);
    const at = poured ? (poured.place - 0.5) / poured.of : 0.5;
    return { gramsPerLitre, stewed: taste.stewed, character: brew.character, at };
  });
  return {
    marks,
    expected: (gradient) =>
      centred(
        made.map(({ gramsPerLitre, character, at }) => {
          const times = strengthAlongPour(at, gradient);
          const poured = eachSolute((solute) => times * (gramsPerLitre[solute] ?? 0));
          // Stewing does not change how strong a cup is.
          return tasteOf(poured, character, 0, 0).strength / MARK;
        }),
      ),
  };
}

/** From memory: what a pot has before anybody tasted, and how far it may be from that. */
const PRIOR_SD = 0.25;
/** A mark is off by half a mark, and is a whole number. */
const MARK_VARIANCE = 0.5 ** 2 + 1 / 12;
const STEP = 0.01;
const MOST = 1.5;

export type PotGradient = {
  /** From the first drop to the last, as a share of the mean. */
  readonly gradient: number;
  readonly sd: number;
  readonly tasters: number;
};
/**
 * The gradient that fits what was marked, held to what is known from memory; null: no table.
 * A cup’s own mark has an error of half a mark (common practice), so few tasters move it little.
 */
export function potGradientOf(pots: readonly PotTasted[]): PotGradient | null {
  const tasters = sum(pots.map((pot) => pot.marks.length));
  if (tasters === 0) return null;
  const costAt = (gradient: number): number => {
    const off = pots.flatMap((pot) => {
      const expected = pot.expected(gradient);
      return pot.marks.flatMap((own) => own.map((x, i) => (x - (expected[i] ?? 0)) ** 2));
    });
    return sum(off) / MARK_VARIANCE + ((gradient - POT_GRADIENT) / PRIOR_SD) ** 2;
  };
  const grid = Array.from({ length: MOST / STEP + 1 }, (_, i) => {
    const gradient = i * STEP;
    return { gradient, cost: costAt(gradient) };
  });
  const least = Math.min(...grid.map((g) => g.cost));
  const weights = grid.map((g) => Math.exp(-(g.cost - least) / 2));
  const all = sum(weights);
  const meanOf = (value: (gradient: number) => number) =>
    sum(grid.map((g, i) => value(g.gradient) * (weights[i] ?? 0))) / all;
  const middle = meanOf((g) => g);
  const sd = Math.sqrt(meanOf((g) => (g - middle) ** 2));
  return { gradient: Number(middle.toFixed(2)), sd, tasters };
}
