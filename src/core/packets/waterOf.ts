import { millilitres, ML_PER } from '#core/units';
import { type Context, inOneSentence, isAside } from './context';
import { isLeafOunce, isPer } from './links';
import type { Field, PacketLeaf, PacketWater } from './packet';
import { isSymbol, type Quantity } from './readers';
import { type LeafUnit, unitsFrom } from './vocabulary';
import { wordSet } from './wordSet';

type Volume = Quantity & { readonly ml: number };

/** Less water than this is a spoon's size or a splash, more is no packet's, ml. */
const LEAST_WATER = 40;
const MOST_WATER = 20_000;
const SPOON_WORDS = wordSet('spoon scoop teaspoon tablespoon');
const SPOON_UNITS = new Set<LeafUnit>(['teaspoon', 'dessertSpoon', 'tablespoon', 'scoop']);

/** Amounts of water in ml, in the order they stand. */
function volumesOf(context: Context): Volume[] {
  const { tokens, quantities } = context;
  return quantities.flatMap((q, i) => {
    let ml: number;
    if (q.unit.of === 'volume') ml = q.unit.ml;
    else if (q.unit.of === 'ounce' && !isLeafOunce(context, q)) ml = ML_PER.usFlOz;
    else return [];
    const amount = ((q.low + q.high) / 2) * ml;
    if (q.doubtful || isAside(context, q) || amount < LEAST_WATER || amount > MOST_WATER) return [];
    const next = quantities[i + 1];
    const sizeOfSpoon =
      next?.unit.of === 'leaf' &&
      SPOON_UNITS.has(next.unit.unit) &&
      next.first <= q.end + 1 &&
      next.implied;
    if (sizeOfSpoon || SPOON_WORDS.has(tokens[q.end]?.text ?? '')) return [];
    return [{ ...q, ml: amount }];
  });
}

/** "2 tsp in your teapot": how many, where leaf goes into a vessel named without a number. */
function vesselOfLeaf({ tokens }: Context, leaf: Quantity): Quantity | null {
  const rest = tokens.slice(leaf.end, leaf.end + 7);
  const at = rest.findIndex((t) => ['your', 'the'].includes(t.text));
  if (at < 1 || !['in', 'to', 'into'].includes(rest[at - 1]?.text ?? '')) return null;
  if (rest.slice(0, at - 1).some((t) => t.kind === 'symbol' || t.kind === 'number')) return null;
  const name = rest[at + 1]?.text ?? '';
  const unit = unitsFrom(name).find((e) => e.words.length === 1 && e.unit.of === 'vessel')?.unit;
  const first = leaf.end + at + 1;
  return unit
    ? {
        low: 1,
        high: 1,
        unit,
        heaped: false,
        implied: true,
        doubtful: false,
        first,
        end: first + 1,
      }
    : null;
}

const SIZE_WORDS = wordSet('of about approx ca or de with mit von zu a environ con unos');
const SIZE_SIGNS = new Set(['(', '=', '/', ',', '~', '-', '.']);
/** A cup's size in ml, said beside it: "an 8 oz cup", "cup (250 ml)". */
function sizeBeside({ tokens }: Context, volumes: readonly Volume[], cup: Quantity): Volume | null {
  const before = volumes.find(
    (v) => v.end === cup.first || (v.end === cup.first - 1 && isSymbol(tokens[v.end], '-')),
  );
  if (before) return before;
  const behind = volumes.find((v) => {
    if (v.first < cup.end || v.first > cup.end + 3) return false;
    const between = tokens.slice(cup.end, v.first);
    return between.every((t) => (t.kind === 'symbol' ? SIZE_SIGNS : SIZE_WORDS).has(t.text));
  });
  return behind ?? null;
}

/** One pour after another: neither is the whole. */
const THEN = new Set([
  ...wordSet('then followed plus dann danach puis ensuite luego despues'),
  '+',
]);
/** The water that the leaf is for; where nothing says so, the water that is poured. */
export function waterOf(context: Context, leaf: Field<PacketLeaf>): Field<PacketWater> {
  const { tokens, quantities } = context;
  const volumes = volumesOf(context);
  const linked = (q: Quantity) => {
    if (isPer(context, q, true)) return 2;
    if (isPer(context, q, false)) return 1;
    return 0;
  };
  const counted = quantities.filter(
    (q) =>
      (q.unit.of === 'cup' || q.unit.of === 'vessel') &&
      !q.doubtful &&
      q.low > 0 &&
      q.high <= 60 &&
      !isAside(context, q),
  );
  const sizeOf = (cup: Quantity) => sizeBeside(context, volumes, cup);
  const all = [
    ...volumes.map((v) => ({
      q: v as Quantity,
      link: linked(v),
      ml: v.ml as number | null,
      cup: null as Quantity | null,
    })),
    ...counted.map((c) => ({
      q: c,
      link: linked(c),
      ml: sizeOf(c)?.ml ?? null,
      cup: c as Quantity | null,
    })),
  ].sort((a, b) => a.q.first - b.q.first);
  // What leaf is counted against goes before what is merely poured.
  const chosen =
    all.find((c) => c.link === 2) ??
    all.find((c) => c.cup === null && c.link === 1) ??
    all.find((c) => c.cup === null) ??
    all.find((c) => c.link === 1) ??
    all[0];
  if (!chosen) {
    const vessel = leaf?.used[0] ? vesselOfLeaf(context, leaf.used[0]) : null;
    return vessel && { value: { kind: 'vessels', vessels: 1 }, used: [vessel] };
  }
  const { q, ml, cup } = chosen;
  // "50 ml cold, then 100 ml boiling": two pours, and neither is the whole.
  const other = volumes.find((v) => v.first > q.first && inOneSentence(context, q, v));
  const between = other ? tokens.slice(q.end, other.first) : [];
  const inTurn = between.some((t) => THEN.has(t.text)) && chosen.link < 2;
  if (ml !== null && cup === null && inTurn) return null;
  if (ml !== null) {
    const size = cup && sizeOf(cup);
    return { value: { kind: 'ml', ml: millilitres(ml) }, used: size ? [q, size] : [q] };
  }
  const count = (q.low + q.high) / 2;
  const value: PacketWater =
    q.unit.of === 'vessel' ? { kind: 'vessels', vessels: count } : { kind: 'cups', cups: count };
  return { value, used: [q] };
}
