import { mean } from 'simple-statistics';
import { type Attribute, ATTRIBUTE_NAMES } from '#core/corrections';
import { MARK } from '#core/taste';
import { chanceOfSplit } from './binomial';
import type { Sheet } from './events';
import type { Exercise } from './exercise';
import type { TasterState, Tasting } from './fold';
import { type Agreement, agreementOf } from './panel';
import { type RealCup, realCups } from './real';
import { type Against, type JustAboutRight, justAboutRight, tasterAgainst } from './taster';

const byAttribute = <T>(make: (a: Attribute) => T): Readonly<Record<Attribute, T>> =>
  Object.fromEntries(ATTRIBUTE_NAMES.map((a) => [a, make(a)])) as Record<Attribute, T>;
const satOf = (t: Tasting): readonly TasterState[] => t.tasters.filter((x) => x.handedIn !== null);
/** What one taster wrote of a cup; the first of its bowls that has it. */
const sheetOf = (t: Tasting, x: TasterState, cup: number): Sheet | undefined =>
  Object.entries(x.sheets).find(([code]) => t.cupOf[code] === cup)?.[1];

/** One cup as a table marked it: mean of the marks, and how many called it right. */
export type CupMarked = RealCup & {
  readonly marks: Readonly<Record<Attribute, (JustAboutRight & { readonly mean: number }) | null>>;
};
/** A cup beside the first: how many tasters marked it higher, lower, alike; exact sign test, two-sided. */
export type Beside = {
  readonly cup: number;
  readonly attribute: Attribute;
  readonly higher: number;
  readonly lower: number;
  readonly alike: number;
  readonly by: number;
  readonly chance: number;
};
export type CupsResult = {
  readonly kind: 'cups';
  readonly cups: readonly CupMarked[];
  readonly n: number;
  readonly beside: readonly Beside[];
  readonly agreement: Readonly<Record<Attribute, Agreement | null>>;
};

export function cupsOf(e: Exercise, t: Tasting): CupsResult {
  const sat = satOf(t);
  const cups = realCups(e, t).map((c): CupMarked => ({
    ...c,
    marks: byAttribute((a) => {
      const given =
        c.excluded === null ? sat.flatMap((x) => sheetOf(t, x, c.cup)?.marks[a] ?? []) : [];
      return given.length === 0 ? null : { ...justAboutRight(given), mean: mean([...given]) };
    }),
  }));
  const [first, ...others] = cups.filter((c) => c.excluded === null);
  const beside = first
    ? others.flatMap((c) =>
        ATTRIBUTE_NAMES.flatMap((attribute): Beside[] => {
          const steps = sat.flatMap((x) => {
            const [a, b] = [
              sheetOf(t, x, first.cup)?.marks[attribute],
              sheetOf(t, x, c.cup)?.marks[attribute],
            ];
            return a === undefined || b === undefined ? [] : [b - a];
          });
          if (steps.length === 0) return [];
          const [higher, lower] = [
            steps.filter((s) => s > 0).length,
            steps.filter((s) => s < 0).length,
          ];
          return [
            {
              cup: c.cup,
              attribute,
              higher,
              lower,
              alike: steps.length - higher - lower,
              by: mean(steps),
              chance: higher + lower === 0 ? 1 : chanceOfSplit(higher, higher + lower),
            },
          ];
        }),
      )
    : [];
  const used = cups.filter((c) => c.excluded === null);
  const rows = (a: Attribute) =>
    sat
      .map((x) => used.map((c) => sheetOf(t, x, c.cup)?.marks[a]))
      .filter((r): r is (-2 | -1 | 0 | 1 | 2)[] => r.every((m) => m !== undefined));
  return {
    kind: 'cups',
    cups,
    n: sat.length,
    beside,
    agreement: byAttribute((a) => agreementOf(rows(a))),
  };
}

export type TasterFound = {
  readonly id: string;
  readonly name: string;
  readonly against: Readonly<Record<Attribute, Against | null>>;
};
export type CalibrationResult = {
  readonly kind: 'calibration';
  readonly cups: readonly (RealCup & {
    readonly means: Readonly<Record<Attribute, number | null>>;
  })[];
  readonly n: number;
  readonly tasters: readonly TasterFound[];
  readonly agreement: Readonly<Record<Attribute, Agreement | null>>;
};
/**
 * Each taster against the mean of the others, bowl by bowl, in marks (0.8 of the 0 to 10 scale): bias, spread, and
 * how far
 * apart the two hidden bowls of one cup were scored.
 */
export function calibrationOf(e: Exercise, t: Tasting): CalibrationResult {
  const sat = satOf(t);
  const cups = realCups(e, t);
  const used = cups.filter((c) => c.excluded === null);
  const bowls = (cup: number) => Object.keys(t.cupOf).filter((code) => t.cupOf[code] === cup);
  const scores = (x: TasterState, cup: number, a: Attribute) =>
    bowls(cup).flatMap((code) => x.sheets[code]?.scores?.[a] ?? []);
  const tasters = sat.map((x): TasterFound => ({
    id: x.id,
    name: x.name,
    against: byAttribute((a) => {
      const pairs = used.flatMap((c) => {
        const others = sat.filter((o) => o.id !== x.id).flatMap((o) => scores(o, c.cup, a));
        return others.length === 0
          ? []
          : scores(x, c.cup, a).map((s) => ({ mark: s / MARK, reference: mean(others) / MARK }));
      });
      const twice = used.flatMap((c) => {
        const [p, q] = scores(x, c.cup, a);
        return p === undefined || q === undefined ? [] : [[p / MARK, q / MARK] as const];
      });
      return tasterAgainst(pairs, twice);
    }),
  }));
  const rows = (a: Attribute) =>
    sat
      .map((x) => used.flatMap((c) => bowls(c.cup).map((code) => x.sheets[code]?.scores?.[a])))
      .filter((r): r is number[] => r.length > 0 && r.every((s) => s !== undefined));
  return {
    kind: 'calibration',
    n: sat.length,
    tasters,
    agreement: byAttribute((a) => agreementOf(rows(a))),
    cups: cups.map((c) => ({
      ...c,
      means: byAttribute((a) => {
        const all = c.excluded === null ? sat.flatMap((x) => scores(x, c.cup, a)) : [];
        return all.length === 0 ? null : mean(all);
      }),
    })),
  };
}
