import { type Attribute, ATTRIBUTE_NAMES, type Mark } from '#core/corrections';
import {
  chanceOfAtLeast,
  chanceOfSplit,
  fewestTasters,
  GUESSING,
  type Interval,
  shareAble,
  shareInterval,
  tastersNeeded,
} from './binomial';
import { calibrationOf, type CalibrationResult, cupsOf, type CupsResult } from './cups';
import { type Exercise, EXERCISES } from './exercise';
import type { Tasting } from './fold';
import { type Effect, oddsOf } from './odds';
import { type Ordering, orderingOf } from './ordering';
import { type Agreement, agreementOf } from './panel';
import { type RealCup, realCups } from './real';
import { type JustAboutRight, justAboutRight, penaltyOf } from './taster';

/** Where half of the table first marks it as too much: between which two cups. */
export type Begins =
  | { readonly kind: 'between'; readonly from: number; readonly to: number }
  | { readonly kind: 'already'; readonly at: number }
  | { readonly kind: 'never'; readonly upTo: number }
  /** The marks go down again along the ladder: no single place. */
  | { readonly kind: 'unclear' }
  | { readonly kind: 'noMarks' };
export type MarkAt = {
  readonly cup: number;
  readonly value: number;
  readonly tasterId: string;
  readonly mark: Mark;
};
export type AttributeResult = {
  readonly marks: readonly MarkAt[];
  readonly counts: readonly (JustAboutRight & { readonly cup: number; readonly value: number })[];
  readonly begins: Begins;
  /** What too little and too much of it cost in liking; null where too few said so. */
  readonly penalty: {
    readonly little: number | null;
    readonly much: number | null;
    readonly n: number;
  };
  /** Do tasters who marked every cup order them alike? */
  readonly agreement: Agreement | null;
  /** Odds of a higher mark for each doubling (a ladder of heat: each 10 C more). */
  readonly effect: Effect | null;
};
export type LadderResult = {
  readonly kind: 'ladder';
  readonly cups: readonly RealCup[];
  readonly tasters: readonly {
    readonly id: string;
    readonly name: string;
    readonly ordering: Ordering | null;
    readonly firstOver: Readonly<Partial<Record<Attribute, number | null>>>;
    readonly marked: number;
  }[];
  /** Each whole order handed in: cups from weak to strong. */
  readonly orders: readonly (readonly number[])[];
  readonly attributes: Readonly<Record<Attribute, AttributeResult>>;
};
export type ChoiceResult = {
  readonly kind: 'choice';
  readonly cups: readonly RealCup[];
  readonly n: number;
  /** Right answers; of a preference, those for the cup with more of what differs. */
  readonly right: number;
  readonly chance: number;
  readonly interval: Interval;
  readonly able: { readonly share: number; readonly interval: Interval } | null;
  readonly fewest: number;
  readonly needed: number | null;
  readonly tasters: readonly {
    readonly id: string;
    readonly name: string;
    readonly choice: string;
    readonly right: boolean;
  }[];
};

/** It has begun where half of those who marked the cup, or more, say it is over. */
const HALF = 0.5;
function beginsOf(counts: AttributeResult['counts']): Begins {
  const marked = counts.filter((c) => c.n > 0);
  if (marked.length === 0) return { kind: 'noMarks' };
  const over = marked.map((c) => c.much / c.n >= HALF);
  const first = over.indexOf(true);
  if (first === -1) return { kind: 'never', upTo: marked.at(-1)?.value ?? 0 };
  if (over.slice(first).includes(false)) return { kind: 'unclear' };
  const at = marked[first]?.value ?? 0;
  return first === 0
    ? { kind: 'already', at }
    : { kind: 'between', from: marked[first - 1]?.value ?? 0, to: at };
}

function ladderOf(e: Exercise, t: Tasting): LadderResult {
  const cups = realCups(e, t);
  const used = cups.filter((c) => c.excluded === null).sort((a, b) => a.value - b.value);
  const truth = used.map((c) => c.cup);
  const sat = t.tasters.filter((x) => x.handedIn !== null);
  const attributes = Object.fromEntries(
    ATTRIBUTE_NAMES.map((a): [Attribute, AttributeResult] => {
      const marks = used.flatMap((c) =>
        sat.flatMap((x) =>
          Object.entries(x.sheets).flatMap(([code, s]): MarkAt[] =>
            t.cupOf[code] === c.cup && s.marks[a] !== undefined
              ? [{ cup: c.cup, value: c.value, tasterId: x.id, mark: s.marks[a] }]
              : [],
          ),
        ),
      );
      const counts = used.map((c) => ({
        cup: c.cup,
        value: c.value,
        ...justAboutRight(marks.filter((m) => m.cup === c.cup).map((m) => m.mark)),
      }));
      const liked = sat.flatMap((x) =>
        Object.entries(x.sheets).flatMap(([code, s]) => {
          const mark = s.marks[a];
          return mark === undefined ||
            s.liking === undefined ||
            !truth.includes(t.cupOf[code] ?? -1)
            ? []
            : [{ mark, liking: s.liking }];
        }),
      );
      const rows = sat
        .map((x) =>
          used.map((c) => marks.find((m) => m.tasterId === x.id && m.cup === c.cup)?.mark),
        )
        .filter((r): r is Mark[] => r.every((m) => m !== undefined));
      const dose = (v: number) => (e.way === 'celsius' ? v / 10 : Math.log2(v));
      return [
        a,
        {
          marks,
          counts,
          begins: beginsOf(counts),
          penalty: {
            little: penaltyOf(liked, 'little'),
            much: penaltyOf(liked, 'much'),
            n: liked.length,
          },
          agreement: agreementOf(rows),
          effect:
            oddsOf(
              marks.map((m) => m.mark),
              marks.map((m) => [dose(m.value)]),
            )?.effects[0] ?? null,
        },
      ];
    }),
  ) as Record<Attribute, AttributeResult>;
  const orderOf = (x: Tasting['tasters'][number]) =>
    (x.order ?? [])
      .map((code) => t.cupOf[code])
      .filter((c): c is number => c !== undefined && truth.includes(c));
  const tasters = sat.map((x) => {
    const order = orderOf(x);
    const firstOver = Object.fromEntries(
      ATTRIBUTE_NAMES.map((a) => [
        a,
        attributes[a].marks
          .filter((m) => m.tasterId === x.id && m.mark > 0)
          .map((m) => m.value)
          .sort((p, q) => p - q)[0] ?? null,
      ]),
    );
    return {
      id: x.id,
      name: x.name,
      ordering: order.length === truth.length && truth.length > 1 ? orderingOf(order, truth) : null,
      firstOver,
      marked: ATTRIBUTE_NAMES.reduce(
        (n, a) => n + attributes[a].marks.filter((m) => m.tasterId === x.id).length,
        0,
      ),
    };
  });
  return {
    kind: 'ladder',
    cups,
    tasters,
    attributes,
    orders: sat.map(orderOf).filter((o) => o.length === truth.length),
  };
}

function choiceOf(e: Exercise, t: Tasting): ChoiceResult {
  const cups = realCups(e, t);
  const more = [...cups].sort((a, b) => b.value - a.value)[0]?.cup ?? 0;
  const sat = t.tasters.filter((x) => x.handedIn !== null && x.choice !== null);
  const tasters = sat.map((x) => {
    const chosen = t.cupOf[x.choice ?? ''];
    const served = (e.servings[x.id] ?? []).map((c) => t.cupOf[c]);
    const odd = served.find((c) => served.filter((o) => o === c).length === 1);
    const right = choseRight({ e, chosen, odd, more });
    return { id: x.id, name: x.name, choice: x.choice ?? '', right };
  });
  const [n, right] = [tasters.length, tasters.filter((x) => x.right).length];
  const test = testOf(e);
  const liked = e.kind === 'pair' && e.asks === 'preferred';
  return {
    kind: 'choice',
    cups,
    n,
    right,
    tasters,
    chance: liked ? chanceOfSplit(right, n) : chanceOfAtLeast(right, n, GUESSING[test]),
    interval: shareInterval(right, n),
    able: liked ? null : shareAble(right, n, test),
    fewest: fewestTasters(test, liked ? 0.025 : 0.05),
    needed: n > 0 ? tastersNeeded(right / n, test) : null,
  };
}

/** Whether a taster found what was asked for. */
function choseRight({
  e,
  chosen,
  odd,
  more,
}: {
  e: Exercise;
  chosen: number | undefined;
  odd: number | undefined;
  more: number;
}) {
  if (e.kind === 'triangle') return chosen === odd;
  if (e.kind === 'duoTrio') return chosen === 0;
  return chosen === more;
}

/** By which forced choice it is counted. */
function testOf(e: Exercise) {
  if (e.kind === 'triangle') return 'triangle';
  if (e.kind === 'duoTrio') return 'duoTrio';
  return 'pair';
}

/** What an exercise showed. What was spilled or left out does not count, and is named. */
export function resultOf(
  e: Exercise,
  t: Tasting,
): LadderResult | ChoiceResult | CupsResult | CalibrationResult {
  const { asks, orders } = EXERCISES[e.kind];
  if (asks === 'choice') return choiceOf(e, t);
  if (asks === 'scores') return calibrationOf(e, t);
  if (orders) return ladderOf(e, t);
  return cupsOf(e, t);
}
