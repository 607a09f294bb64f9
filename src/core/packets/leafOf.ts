import { grams } from '#core/units';
import { type Context, inOneSentence, isAside } from './context';
import { isLeafOunce } from './links';
import type { Field, PacketLeaf } from './packet';
import type { Quantity } from './readers';
import { GRAMS_PER_LEAF_OUNCE, type LeafUnit } from './vocabulary';
import { wordSet } from './wordSet';

/** A packet's spoon count or grams beyond this are something else. */
const MOST_LEAF: Readonly<Record<LeafUnit, number>> = {
  g: 200,
  teaspoon: 30,
  dessertSpoon: 20,
  tablespoon: 20,
  scoop: 12,
  bag: 30,
  pinch: 12,
};
/** Between a spoon count and the grams that say the same again: "1 tsp (about 2 g)", "1 bag = 2 g". */
const SAME_AGAIN: ReadonlySet<string> = new Set([
  ...wordSet('or about approx ca circa roughly around env environ aprox oder ou o etwa rund'),
  ...wordSet('tea leaf is ( = / . ~'),
  ',',
]);

/** Grams from here on are of the whole packet, unless water is named beside them. */
const PACK_GRAMS = 20;
const nearWater = (context: Context, q: Quantity): boolean =>
  context.quantities.some(
    (o) =>
      ['volume', 'ounce', 'cup', 'vessel'].includes(o.unit.of) &&
      !isAside(context, o) &&
      inOneSentence(context, q, o),
  );

/** Leaf as the packet measures it: the first amount that can be leaf. */
export function leafOf(context: Context): Field<PacketLeaf> {
  const { tokens, quantities } = context;
  const found = quantities.flatMap((q) => {
    if (q.doubtful || isAside(context, q)) return [];
    if (q.unit.of === 'ounce' && isLeafOunce(context, q)) {
      return [{ q, unit: 'g' as const, by: GRAMS_PER_LEAF_OUNCE }];
    }
    if (q.unit.of !== 'leaf' || q.unit.grams > 1) return [];
    if (!(q.low > 0) || q.high > MOST_LEAF[q.unit.unit]) return [];
    if (q.unit.unit === 'g' && q.low >= PACK_GRAMS && !nearWater(context, q)) return [];
    // "5 ml teaspoon": the size of the spoon stands before its name.
    return [{ q, unit: q.unit.unit, by: 1 }];
  });
  const first = found[0];
  if (!first) return null;
  const next = found[1];
  const between = next ? tokens.slice(first.q.end, next.q.first) : [];
  const isSameAgain =
    next !== undefined &&
    next.unit === 'g' &&
    first.unit !== 'g' &&
    between.length <= 4 &&
    between.length > 0 &&
    between.every((t) => SAME_AGAIN.has(t.text));
  const { q, unit, by } = first;
  const weighs = isSameAgain ? grams(((next.q.low + next.q.high) / 2) * next.by) : null;
  return {
    value: { low: q.low * by, high: q.high * by, unit, heaped: q.heaped && unit !== 'g', weighs },
    used: isSameAgain ? [q, next.q] : [q],
  };
}
