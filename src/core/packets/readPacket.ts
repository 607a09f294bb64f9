import { hasPhrase, inOneSentence, isAside, isLimit, timeRole, type Context } from './context';
import { isSymbol, isWord, quantitiesOf, type Quantity } from './quantities';
import { tokensOf, type Token } from './tokens';
import {
  GRAMS_PER_LEAF_OUNCE,
  PER_WORDS,
  STRONG_PER_WORDS,
  unitsFrom,
  type LeafUnit,
} from './vocabulary';
import {
  celsius,
  fromFahrenheit,
  grams,
  millilitres,
  ML_PER,
  seconds,
  type Celsius,
  type Grams,
  type Millilitres,
  type Seconds,
} from '#core/units';

// A supplier's advice is kept as it was printed. What it means is read from it each time: nothing of it is stored.

/** Leaf as a packet measures it. */
export type PacketLeaf = {
  readonly low: number;
  readonly high: number;
  readonly unit: LeafUnit;
  readonly heaped: boolean;
  /** What that much weighs, where the packet says both: "1 bag (2 g)". */
  readonly weighs: Grams | null;
};
/** Water in ml where the packet says it; else cups or vessels of a size it does not say. */
export type PacketWater =
  | { readonly kind: 'ml'; readonly ml: Millilitres }
  | { readonly kind: 'cups'; readonly cups: number }
  | { readonly kind: 'vessels'; readonly vessels: number };
export type TimeRange = { readonly from: Seconds; readonly to: Seconds };
/** A stretch of the packet's text and whether anything was read from it. */
export type PacketPart = { readonly text: string; readonly read: boolean };
/** What a packet says, in SI. Each field is null where the packet does not say it, or not clearly. */
export type Packet = {
  readonly leaf: PacketLeaf | null;
  readonly water: PacketWater | null;
  /** Of the water as the packet means it: in the kettle. Boiling is 100, also where a wait follows. */
  readonly heat: { readonly low: Celsius; readonly high: Celsius } | null;
  /** How long the boiled water stands before it is poured. */
  readonly wait: TimeRange | null;
  /** The first steep. */
  readonly time: TimeRange | null;
  /** The packet's text in order, clause by clause. */
  readonly parts: readonly PacketPart[];
};

/** Less water than this is a spoon's size or a splash, ml. */
const LEAST_WATER = 40;
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

type Field<T> = { readonly value: T; readonly used: readonly Quantity[] } | null;
type Volume = Quantity & { readonly ml: number };

const LEAF_WORDS = new Set([
  'tea',
  'leaf',
  'leaves',
  'tee',
  'blatt',
  'blatter',
  'teeblatter',
  'the',
  'feuilles',
  'te',
  'hojas',
  'hebras',
  'herbs',
  'herb',
  'loose',
]);

/** Whether an ounce is of leaf: "1 oz of tea". */
function isLeafOunce({ tokens, quantities }: Context, q: Quantity): boolean {
  let place = q.end;
  while (['of', 'de', 'dry', 'loose', 'd', 'prime'].includes(tokens[place]?.text ?? '')) place += 1;
  // "1 oz per gallon": leaf for water.
  const [next] = quantities.filter((o) => o.first >= q.end);
  const perWater = next?.unit.of === 'volume' && isPer({ tokens, quantities }, next, true);
  if (perWater && tokens.slice(q.end, next.first).length <= 2) return true;
  // "oz tea cup" is a vessel.
  return (
    LEAF_WORDS.has(tokens[place]?.text ?? '') &&
    !['cup', 'mug', 'pot'].includes(tokens[place + 1]?.text ?? '')
  );
}

/** Grams from here on are of the whole packet, unless water is named beside them. */
const PACK_GRAMS = 20;
const nearWater = (context: Context, q: Quantity): boolean =>
  context.quantities.some(
    (o) =>
      ['volume', 'ounce', 'cup', 'vessel'].includes(o.unit.of) &&
      !isAside(context, o) &&
      inOneSentence(context, q, o),
  );

function leafOf(context: Context): Field<PacketLeaf> {
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
  const SAME = new Set([
    'or',
    'about',
    'approx',
    'ca',
    'circa',
    'roughly',
    'around',
    'env',
    'environ',
    'aprox',
    'oder',
    'ou',
    'o',
    'etwa',
    'rund',
    'tea',
    'leaf',
    'is',
    '(',
    '=',
    '/',
    '.',
    ',',
    '~',
  ]);
  const isSameAgain =
    next !== undefined &&
    next.unit === 'g' &&
    first.unit !== 'g' &&
    between.length <= 4 &&
    between.length > 0 &&
    between.every((t) => SAME.has(t.text));
  const { q, unit, by } = first;
  const weighs = isSameAgain ? grams(((next.q.low + next.q.high) / 2) * next.by) : null;
  return {
    value: { low: q.low * by, high: q.high * by, unit, heaped: q.heaped && unit !== 'g', weighs },
    used: isSameAgain ? [q, next.q] : [q],
  };
}

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
    if (q.doubtful || isAside(context, q) || amount < LEAST_WATER || amount > 20_000) return [];
    const next = quantities[i + 1];
    const sizeOfSpoon =
      next?.unit.of === 'leaf' &&
      SPOON_UNITS.has(next.unit.unit) &&
      next.first <= q.end + 1 &&
      next.implied;
    if (
      sizeOfSpoon ||
      ['spoon', 'scoop', 'teaspoon', 'tablespoon'].includes(tokens[q.end]?.text ?? '')
    )
      return [];
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

/** Whether an amount is what leaf is measured out for: "per 200 ml", "for each cup", "3 g/100 ml". */
function isPer({ tokens }: Context, q: Quantity, strong: boolean): boolean {
  let place = q.first - 1;
  while (
    [
      'a',
      'an',
      'the',
      'one',
      'your',
      'of',
      'x',
      'every',
      'each',
      'standard',
      'large',
      'la',
      'le',
      'les',
      'der',
      'die',
      'das',
      'der',
      'about',
      'approx',
      'ca',
      'circa',
      'environ',
      'unos',
      'etwa',
    ].includes(tokens[place]?.text ?? '') &&
    !(strong && STRONG_PER_WORDS.has(tokens[place]?.text ?? ''))
  )
    place -= 1;
  while (isSymbol(tokens[place], '.')) place -= 1;
  const before = tokens[place];
  if (isSymbol(before, '/')) return true;
  return isWord(before, strong ? STRONG_PER_WORDS : PER_WORDS);
}

const THEN = new Set([
  'then',
  'followed',
  'plus',
  '+',
  'dann',
  'danach',
  'puis',
  'ensuite',
  'luego',
  'despues',
]);
function waterOf(context: Context, leaf: Field<PacketLeaf>): Field<PacketWater> {
  const { tokens, quantities } = context;
  const volumes = volumesOf(context);
  const linked = (q: Quantity) => (isPer(context, q, true) ? 2 : isPer(context, q, false) ? 1 : 0);
  const counted = quantities.filter(
    (q) =>
      (q.unit.of === 'cup' || q.unit.of === 'vessel') &&
      !q.doubtful &&
      q.low > 0 &&
      q.high <= 60 &&
      !isAside(context, q),
  );
  /** "an 8 oz cup", "cup (250 ml)": its size in ml, said beside it. */
  const sizeOf = (cup: Quantity): Volume | null => {
    const before = volumes.find(
      (v) => v.end === cup.first || (v.end === cup.first - 1 && isSymbol(tokens[v.end], '-')),
    );
    if (before) return before;
    const behind = volumes.find(
      (v) =>
        v.first > cup.end - 1 &&
        v.first <= cup.end + 3 &&
        tokens
          .slice(cup.end, v.first)
          .every((t) =>
            t.kind === 'symbol'
              ? ['(', '=', '/', ',', '~', '-', '.'].includes(t.text)
              : [
                  'of',
                  'about',
                  'approx',
                  'ca',
                  'or',
                  'de',
                  'with',
                  'mit',
                  'von',
                  'zu',
                  'a',
                  'environ',
                  'con',
                  'unos',
                ].includes(t.text),
          ),
    );
    return behind ?? null;
  };
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

const has = (text: string): ReadonlySet<string> => new Set(text.split(' '));
const BOIL = has(
  'boiling boil boiled boils reboiled kochend kochendes kochendem kochenden kochende kochen aufkochen aufgekocht aufgekochtes aufgekochtem sprudelnd sprudelndes sprudelndem siedend siedendes siedendem gekochtes gekochtem bouillante bouillant bouillir bouillie bouillonnante ebullition hirviendo hirviente hervir hierva hierve hervida hervor ebullicion',
);
const NOT_BOIL = has(
  'not never under below before almost nearly shy short no without don prevent avoid off nicht kein keine keinesfalls knapp unter vor fast nie presque pas sans non dessous sous avant jamais eviter casi sin antes debajo punto nunca evitar evite ne pre',
);
const COOLING = has(
  'cool cooled cooling stand rest sit abkuhlen abgekuhlt abgekuhltes refroidir refroidi refroidie tiedir enfriar enfrie reposar reposer',
);
const ABOVE_ALL = has(
  'store stored keep storage drink serve drinking lagern trinken servir boire beber conservar conserver',
);

/** Temperatures named with figures. Where C and F are both given, C. */
function namedHeat(context: Context): Field<{ low: Celsius; high: Celsius }> {
  const { tokens, quantities } = context;
  const found = quantities.flatMap((q) => {
    if (q.unit.of !== 'temperature') return [];
    const near = tokens.slice(Math.max(0, q.first - 5), q.first);
    const sentence = near.slice(near.findLastIndex((t) => isSymbol(t, '.')) + 1);
    if (sentence.some((t) => ABOVE_ALL.has(t.text))) return [];
    const isF = q.unit.scale === 'F' || (q.unit.scale === 'unsaid' && q.high > 110);
    const [low, high] = isF
      ? [fromFahrenheit(q.low), fromFahrenheit(q.high)]
      : [celsius(q.low), celsius(q.high)];
    if (low < 0 || high > 101.5) return [];
    return [{ q, isF, low: celsius(low), high: celsius(high), limit: isLimit(context, q) }];
  });
  const aims = found.filter((f) => !f.limit);
  const from = aims.length > 0 ? aims : found;
  const first = from[0];
  if (!first) return null;
  // "175 F (80 C)": the same twice.
  const second = from[1];
  const twice =
    second &&
    first.isF !== second.isF &&
    Math.abs((first.low + first.high - second.low - second.high) / 2) < 4;
  const best = twice && first.isF ? second : first;
  return {
    value: { low: best.low, high: best.high },
    used: twice ? [first.q, second.q] : [first.q],
  };
}

/** "water at 80", "temperature: 175": a bare figure beside a word for heat. */
function bareHeat({ tokens, quantities }: Context): Field<{ low: Celsius; high: Celsius }> {
  const taken = (i: number) => quantities.some((q) => q.first <= i && i < q.end);
  const HEAT_WORDS = has('temperature temp temperatur wassertemperatur temperatura');
  for (let i = 0; i < tokens.length; i++) {
    const t = tokens[i] as Token;
    if (t.kind !== 'number' || taken(i)) continue;
    const before = tokens.slice(Math.max(0, i - 3), i).map((x) => x.text);
    if (!before.some((w) => HEAT_WORDS.has(w))) continue;
    const range =
      isSymbol(tokens[i + 1], '-') && tokens[i + 2]?.kind === 'number'
        ? (tokens[i + 2]?.value ?? t.value)
        : t.value;
    const value = (v: number) => (v > 110 ? fromFahrenheit(v) : celsius(v));
    if (t.value < 40 || range > 212 || (t.value > 100 && t.value < 140)) continue;
    return { value: { low: value(t.value), high: value(range) }, used: [] };
  }
  return null;
}

type Boil = 'boiling' | 'below' | 'unsaid';
/** What the words say of boiling, where no figure does. */
function boilWords({ tokens }: Context): { readonly said: Boil; readonly at: readonly number[] } {
  const at: number[] = [];
  let said: Boil = 'unsaid';
  tokens.forEach((t, i) => {
    if (t.kind !== 'word' || !BOIL.has(t.text) || tokens[i + 1]?.text === 'point') return;
    // "boiling point" of elsewhere, "boil the kettle" alike: the water boils.
    const before: string[] = [];
    for (let j = i - 1; j >= 0 && j >= i - 7; j--) {
      const b = tokens[j] as Token;
      if (b.kind === 'symbol' && ['.', ';', ',', '(', ')'].includes(b.text)) break;
      before.unshift(b.text);
    }
    const longer = hasPhrase(before, ['nicht', 'mehr']) || hasPhrase(before, ['no', 'longer']);
    // "before" and "antes" say when to pour, not how hot, where the water has boiled: "pour before it boils" is below.
    const negated = longer || before.some((w) => NOT_BOIL.has(w));
    at.push(i);
    if (!negated) said = 'boiling';
    else if (said === 'unsaid') said = 'below';
  });
  return { said, at };
}

function heatOf(context: Context, wait: Field<TimeRange>): Field<{ low: Celsius; high: Celsius }> {
  const named = namedHeat(context) ?? bareHeat(context);
  if (named) return named;
  const { said } = boilWords(context);
  const boiling = { value: { low: celsius(100), high: celsius(100) }, used: [] };
  if (wait && said !== 'unsaid') return boiling;
  if (said !== 'boiling') return null;
  // Boiled, then cooled for a while that is not said: below the boil, nobody knows how far.
  const cooledSomewhat = context.tokens.some(
    (t, i) => t.kind === 'word' && COOLING.has(t.text) && standsBeforePour(context, i),
  );
  return cooledSomewhat ? null : boiling;
}

/** Whether a word for cooling at a place is of the water, before it is on the leaf. */
function standsBeforePour({ tokens, quantities }: Context, at: number): boolean {
  const word = tokens[at]?.text ?? '';
  if (!/^(cool|abk|abge|refr|tied|enfr)/.test(word)) return false;
  if ([1, 2, -1, -2].some((by) => BOIL.has(tokens[at + by]?.text ?? ''))) return true;
  const poured = tokens
    .slice(0, at)
    .some((t) =>
      [
        'pour',
        'steep',
        'infuse',
        'brew',
        'aufgiessen',
        'ziehen',
        'infuser',
        'versez',
        'vierta',
        'infusionar',
      ].includes(t.text),
    );
  const steeped = quantities.some((q) => q.unit.of === 'time' && q.end <= at);
  return !poured && !steeped;
}

function timesOf(context: Context): { wait: Field<TimeRange>; steep: Field<TimeRange> } {
  const times = context.quantities.flatMap((q) => {
    if (q.unit.of !== 'time' || q.doubtful) return [];
    const { seconds: per } = q.unit;
    const range: TimeRange = {
      from: seconds(Math.round(q.low * per)),
      to: seconds(Math.round(q.high * per)),
    };
    if (!(range.from > 0) || range.to > 72 * 3600) return [];
    return [{ q, range, role: timeRole(context, q), limit: isLimit(context, q) }];
  });
  const field = (list: typeof times): Field<TimeRange> => {
    const one = list.find((t) => !t.limit) ?? list[0];
    return one ? { value: one.range, used: [one.q] } : null;
  };
  return {
    wait: field(times.filter((t) => t.role === 'cool')),
    steep: field(times.filter((t) => t.role === 'steep')),
  };
}

/** A packet's text clause by clause, with whether anything in it was read. */
function partsOf(text: string, tokens: readonly Token[], read: ReadonlySet<number>): PacketPart[] {
  const parts: PacketPart[] = [];
  let start = 0;
  let isRead = false;
  const close = (end: number) => {
    const piece = text.slice(start, end).trim();
    if (piece !== '') parts.push({ text: piece, read: isRead });
    start = end;
    isRead = false;
  };
  tokens.forEach((t, i) => {
    if (read.has(i)) isRead = true;
    const ends = t.kind === 'symbol' && ['.', ',', ';', ')'].includes(t.text);
    const decimal =
      t.text === '.' && tokens[i + 1]?.start === t.end && tokens[i + 1]?.kind === 'word';
    if (ends && !decimal) close(t.end);
  });
  close(text.length);
  return parts;
}

/**
 * What a packet's words say, in SI; null for what is not in them or not clear.
 * Reads English, German, French and Spanish. A wrong figure is worse than none.
 * @example readPacket('1 tsp per cup, 80 C, 2-3 minutes').time // { from: 120, to: 180 }
 */
export function readPacket(text: string): Packet {
  const tokens = tokensOf(text);
  const context: Context = { tokens, quantities: quantitiesOf(tokens) };
  const leaf = leafOf(context);
  const water = waterOf(context, leaf);
  const { wait, steep } = timesOf(context);
  const heat = heatOf(context, wait);
  const read = new Set<number>();
  for (const field of [leaf, water, wait, steep, heat]) {
    for (const q of field?.used ?? []) for (let i = q.first; i < q.end; i++) read.add(i);
  }
  if (heat && heat.used.length === 0) for (const i of boilWords(context).at) read.add(i);
  return {
    leaf: leaf?.value ?? null,
    water: water?.value ?? null,
    heat: heat?.value ?? null,
    wait: wait?.value ?? null,
    time: steep?.value ?? null,
    parts: partsOf(text, tokens, read),
  };
}
