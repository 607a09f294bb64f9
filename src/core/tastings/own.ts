import { mean } from 'simple-statistics';
import { type Attribute, ATTRIBUTE_NAMES } from '#core/corrections';
import { MARK } from '#core/taste';
import type { Sheet } from './events';
import { type Exercise, EXERCISES } from './exercise';
import type { Tasting } from './fold';
import { type Ordering, orderingOf } from './ordering';
import { type RealCup, realCups } from './real';
import { type Against, tasterAgainst } from './taster';

/** One bowl as one taster found it, beside the mean of the others: marks, or scores where those were asked. */
export type OwnCup = RealCup & {
  readonly mine: Readonly<Record<Attribute, number | null>>;
  readonly others: Readonly<Record<Attribute, number | null>>;
  readonly words: readonly string[];
  readonly leafWords: readonly string[];
  readonly place: number | null;
  readonly truePlace: number | null;
};
export type OwnResult = {
  readonly name: string;
  readonly scored: boolean;
  readonly cups: readonly OwnCup[];
  readonly ordering: Ordering | null;
  readonly against: Readonly<Record<Attribute, Against | null>>;
  readonly others: number;
};

/** A taster's own page: null when no sheet of theirs was handed in. What is told in `against` is in marks. */
export function ownResult(e: Exercise, t: Tasting, id: string): OwnResult | null {
  const me = t.tasters.find((x) => x.id === id && x.handedIn !== null);
  if (!me) return null;
  const scored = EXERCISES[e.kind].asks === 'scores';
  const others = t.tasters.filter((x) => x.id !== id && x.handedIn !== null);
  const valueOf = (s: Sheet | undefined, a: Attribute): number | null =>
    (scored ? s?.scores?.[a] : s?.marks[a]) ?? null;
  const used = realCups(e, t)
    .filter((c) => c.excluded === null)
    .sort((a, b) => a.value - b.value);
  const truth = used.map((c) => c.cup);
  const order = (me.order ?? []).flatMap((code) => {
    const c = t.cupOf[code];
    return c !== undefined && truth.includes(c) ? [c] : [];
  });
  const whole = EXERCISES[e.kind].orders && order.length === truth.length && truth.length > 1;
  const cups = realCups(e, t)
    .sort((a, b) => a.value - b.value)
    .flatMap((c) =>
      Object.keys(t.cupOf)
        .filter((code) => t.cupOf[code] === c.cup)
        .map((code): OwnCup => {
          const theirs = (a: Attribute) =>
            others.flatMap((x) =>
              Object.keys(x.sheets)
                .filter((k) => t.cupOf[k] === c.cup)
                .flatMap((k) => valueOf(x.sheets[k], a) ?? []),
            );
          const by = (make: (a: Attribute) => number | null) =>
            Object.fromEntries(ATTRIBUTE_NAMES.map((a) => [a, make(a)])) as Record<
              Attribute,
              number | null
            >;
          return {
            ...c,
            code,
            mine: by((a) => valueOf(me.sheets[code], a)),
            others: by((a) => {
              const all = theirs(a);
              return all.length === 0 ? null : mean(all);
            }),
            words: me.sheets[code]?.words ?? [],
            leafWords: me.sheets[code]?.leafWords ?? [],
            place: whole && c.excluded === null ? order.indexOf(c.cup) + 1 : null,
            truePlace: whole && c.excluded === null ? truth.indexOf(c.cup) + 1 : null,
          };
        }),
    );
  const unit = scored ? MARK : 1;
  const against = Object.fromEntries(
    ATTRIBUTE_NAMES.map((a) => [
      a,
      tasterAgainst(
        cups.flatMap((c) =>
          c.excluded === null && c.mine[a] !== null && c.others[a] !== null
            ? [{ mark: (c.mine[a] ?? 0) / unit, reference: (c.others[a] ?? 0) / unit }]
            : [],
        ),
      ),
    ]),
  ) as Record<Attribute, Against | null>;
  return {
    name: me.name,
    scored,
    cups,
    ordering: whole ? orderingOf(order, truth) : null,
    against,
    others: others.length,
  };
}
