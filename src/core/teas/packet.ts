import { celsius, fromFahrenheit, GRAMS_PER_OUNCE, grams, gramsPer100Ml, millilitres, ML_PER, seconds, type Celsius, type Grams, type GramsPer100Ml, type GramsPerMl, type Millilitres, type Seconds } from '#core/units';

// A supplier's advice is kept as it was printed. What it means is read from it each time: nothing of it is stored.

export type PacketSpoon = 'teaspoon' | 'dessertSpoon' | 'tablespoon';
export type PacketLeaf = { readonly low: number; readonly high: number; readonly heaped: boolean } & ({ readonly unit: 'spoon'; readonly spoon: PacketSpoon } | { readonly unit: 'gram' | 'bag' | 'scoop' });
/** Water in ml where the packet says it, or a "cup" of nobody knows what. */
export type PacketWater = { readonly kind: 'ml'; readonly ml: Millilitres } | { readonly kind: 'cups'; readonly cups: number };
export type Packet = {
  readonly leaf: PacketLeaf | null;
  readonly water: PacketWater | null;
  /** As the packet means it: of the water that is poured. */
  readonly heat: Celsius | null;
  readonly time: { readonly from: Seconds; readonly to: Seconds } | null;
};

const WORDS: Readonly<Record<string, number>> = { a: 1, an: 1, one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, half: 0.5 };
const NUMBER = String.raw`(?:\d+\s?[½¼¾]|\d+\s+\d\/\d|\d+\/\d|\d+(?:[.,]\d+)?|[½¼¾]|\b(?:an?|one|two|three|four|five|six|half)\b)`;
const RANGE = String.raw`(${NUMBER})(?:\s*(?:-|–|to|or)\s*(${NUMBER}))?`;

/** "1½", "1 1/2", "2,5", "one", "half". */
function numberIn(text: string): number {
  const t = text.trim().toLowerCase();
  if (t in WORDS) return WORDS[t] as number;
  const m = /^(\d+)?\s*(?:([½¼¾])|(\d)\/(\d))$/.exec(t);
  if (m) return Number(m[1] ?? 0) + (m[2] ? { '½': 0.5, '¼': 0.25, '¾': 0.75 }[m[2] as '½' | '¼' | '¾'] : Number(m[3]) / Number(m[4]));
  return Number(t.replace(',', '.'));
}

function readLeaf(text: string): PacketLeaf | null {
  const m = new RegExp(String.raw`${RANGE}\s*(level|heaped|heaping|rounded|good|large)?\s*(tea ?spoons?(?:fuls?)?|tsps?\.?|table ?spoons?(?:fuls?)?|tbsps?\.?|tbs\.?|dessert ?spoons?(?:fuls?)?|dsp\.?|grams?|gr?\b|oz\b(?=.*(?:tea|leaf))|(?:tea ?)?bags?|sachets?|pockets?|scoops?|spoons?)`, 'i').exec(text);
  if (!m) return null;
  const [, a, b, how, unitWord = ''] = m;
  const low = numberIn(a ?? '1');
  const high = b ? numberIn(b) : low;
  const heaped = /heap|round|good|large/i.test(how ?? '');
  const w = unitWord.toLowerCase();
  const amount = { low: Math.min(low, high), high: Math.max(low, high), heaped };
  if (/^t(ea|sp)|^spoon/.test(w) && !/bag/.test(w)) return { ...amount, unit: 'spoon', spoon: 'teaspoon' };
  if (/^tab|^tb/.test(w)) return { ...amount, unit: 'spoon', spoon: 'tablespoon' };
  if (/^d/.test(w)) return { ...amount, unit: 'spoon', spoon: 'dessertSpoon' };
  if (/^oz/.test(w)) return { ...amount, low: amount.low * GRAMS_PER_OUNCE, high: amount.high * GRAMS_PER_OUNCE, unit: 'gram' };
  if (/^g/.test(w)) return { ...amount, unit: 'gram' };
  return { ...amount, unit: /scoop/.test(w) ? 'scoop' : 'bag' };
}

const WATER_ML: readonly (readonly [RegExp, number])[] = [
  [/^(ml|mls|millilit)/, 1], [/^cl/, 10], [/^(l\b|lit)/, 1000], [/^(uk|imp)/, ML_PER.imperialFlOz], [/^(us |fl|oz|ounce|fluid)/, ML_PER.usFlOz], [/^pint/, 16 * ML_PER.usFlOz],
];
function readWater(text: string): PacketWater | null {
  const found = new RegExp(String.raw`(?:per|for(?: each| every)?|to|in|into|with|\/|each|every)?\s*(${NUMBER})?\s*-?(ml\b|mls\b|millilit(?:re|er)s?|cl\b|l\b|lit(?:re|er)s?|(?:uk |imp(?:erial)? |us )?fl\.? ?oz|oz\b|(?:fluid )?ounces?|pints?)`, 'gi');
  for (const m of text.matchAll(found)) {
    if (!m[1] && !/per|\/|each|every/i.test(m[0])) continue;
    const per = WATER_ML.find(([word]) => word.test((m[2] ?? '').toLowerCase()))?.[1];
    if (per !== undefined) return { kind: 'ml', ml: millilitres(numberIn(m[1] ?? '1') * per) };
  }
  const cup = new RegExp(String.raw`(${NUMBER})?\s*(?:tea)?(?:cups?|mugs?)\b`, 'i').exec(text);
  return cup ? { kind: 'cups', cups: cup[1] ? numberIn(cup[1]) : 1 } : null;
}

function readHeat(text: string): Celsius | null {
  const m = /(\d{2,3})(?:\s*(?:-|–|to)\s*(\d{2,3}))?\s*(?:°|º|deg(?:rees)?\.?)?\s*(c|f|celsius|centigrade|fahrenheit)\b/i.exec(text) ?? /(\d{2,3})(?:\s*(?:-|–|to)\s*(\d{2,3}))?\s*[°º](?!\s*[cf])()/i.exec(text);
  if (!m) return /\b(boiling|boil(ed)?)\b/i.test(text) && !/off the boil|under the boil|below/i.test(text) ? celsius(100) : null;
  const value = (Number(m[1]) + Number(m[2] ?? m[1])) / 2;
  return /^f/i.test(m[3] ?? '') || value > 110 ? fromFahrenheit(value) : celsius(value);
}

function readTime(text: string): Packet['time'] {
  const clock = /(\d{1,2}):([0-5]\d)(?:\s*(?:-|–|to)\s*(\d{1,2}):([0-5]\d))?/.exec(text);
  if (clock) {
    const from = Number(clock[1]) * 60 + Number(clock[2]);
    return { from: seconds(from), to: seconds(clock[3] ? Number(clock[3]) * 60 + Number(clock[4]) : from) };
  }
  const m = new RegExp(String.raw`${RANGE}\s*(min(?:ute)?s?\b\.?|m\b|sec(?:ond)?s?\b\.?|s\b|hours?|hrs?\b|h\b)`, 'i').exec(text);
  if (!m) return null;
  const unit = /^m/i.test(m[3] ?? '') ? 60 : /^h/i.test(m[3] ?? '') ? 3600 : 1;
  const [a, b] = [numberIn(m[1] ?? '1') * unit, numberIn(m[2] ?? m[1] ?? '1') * unit];
  return { from: seconds(Math.min(a, b)), to: seconds(Math.max(a, b)) };
}

/**
 * What a packet's words say, in SI; null for what is not in them.
 * @example readPacket('1 tsp per cup, 80 C, 2-3 minutes').time // { from: 120, to: 180 }
 */
export function readPacket(text: string): Packet {
  return { leaf: readLeaf(text), water: readWater(text), heat: readHeat(text), time: readTime(text) };
}

/** What a spoon or cup of a packet may be. Common practice: P08, P09; the US cup is 8 fl oz. */
export const PACKET_SPOON_ML: Readonly<Record<PacketSpoon, number>> = { teaspoon: ML_PER.metricTeaspoon, dessertSpoon: ML_PER.dessertSpoon, tablespoon: ML_PER.metricTablespoon };
const CUPS: readonly (readonly [name: string, ml: number])[] = [['a teacup', ML_PER.teacup], ['a US packet’s cup', ML_PER.usCup], ['a metric cup', ML_PER.metricCup]];

/** One way to take a packet's words. */
export type PacketMeaning = {
  /** Which cup, where the packet says only "cup"; else empty. */
  readonly cup: string;
  readonly water: Millilitres;
  readonly leaf: Grams;
  readonly dose: GramsPer100Ml;
  /** The spoon it would be if teaspoon and tablespoon were mixed up, and the dose that gives; null when as printed is likelier. */
  readonly slip: { readonly spoon: PacketSpoon; readonly dose: GramsPer100Ml } | null;
  /** The one nearest the style's usual dose. */
  readonly likeliest: boolean;
};
/** So many times off the usual dose, a spoon is asked about. */
const SLIP = 2;
const HEAPED = 1.5;

/**
 * Every meaning of a packet's leaf and water for one tea. Spoons need the tea's own weighed density, a bag its own
 * weight. Empty when the packet gives no leaf or no water, or that weight is not known.
 */
export function packetMeanings(p: Packet, { density, bag, usual }: { density: GramsPerMl | null; bag?: Grams | null; usual: GramsPer100Ml }): PacketMeaning[] {
  const { leaf, water } = p;
  if (!leaf || !water) return [];
  const count = ((leaf.low + leaf.high) / 2) * (leaf.heaped ? HEAPED : 1);
  const each = leaf.unit === 'gram' ? 1 : leaf.unit === 'bag' ? (bag ?? null) : leaf.unit === 'spoon' ? density && density * PACKET_SPOON_ML[leaf.spoon] : null;
  if (!each) return [];
  const waters = water.kind === 'ml' ? [['', water.ml] as const] : CUPS.map(([name, ml]) => [name, millilitres(ml * water.cups)] as const);
  const off = (dose: number) => Math.abs(Math.log(dose / usual));
  const all = waters.map(([cup, ml]) => {
    const g = grams(count * each);
    const dose = gramsPer100Ml((100 * g) / ml);
    const other: PacketSpoon | null = leaf.unit !== 'spoon' ? null : leaf.spoon === 'teaspoon' ? 'tablespoon' : leaf.spoon === 'tablespoon' ? 'teaspoon' : null;
    const otherDose = other && leaf.unit === 'spoon' ? gramsPer100Ml((dose * PACKET_SPOON_ML[other]) / PACKET_SPOON_ML[leaf.spoon]) : null;
    const slip = other && otherDose && off(dose) > Math.log(SLIP) && off(otherDose) < off(dose) ? { spoon: other, dose: otherDose } : null;
    return { cup, water: ml, leaf: g, dose, slip };
  });
  const best = all.reduce((x, y) => (off(y.dose) < off(x.dose) ? y : x));
  return all.map((m) => ({ ...m, likeliest: m === best }));
}
