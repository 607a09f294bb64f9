import {
  type Grams,
  grams,
  type GramsPer100Ml,
  gramsPer100Ml,
  type GramsPerMl,
  type Millilitres,
  millilitres,
  ML_PER,
} from '#core/units';
import type { Packet } from './packet';

/** The spoons a packet can name. */
export type PacketSpoon = 'teaspoon' | 'dessertSpoon' | 'tablespoon';
/** What a level spoon of a packet holds, ml. Common practice: metric spoons. */
export const PACKET_SPOON_ML: Readonly<Record<PacketSpoon, number>> = {
  teaspoon: ML_PER.metricTeaspoon,
  dessertSpoon: ML_PER.dessertSpoon,
  tablespoon: ML_PER.metricTablespoon,
};
/** What a packet may mean by a cup. Common practice; the US cup is 8 fl oz. */
const CUPS: readonly (readonly [name: string, ml: number])[] = [
  ['a teacup', ML_PER.teacup],
  ['a US packet’s cup', ML_PER.usCup],
  ['a metric cup', ML_PER.metricCup],
];
/** A heaped spoon holds about so much more than a level one (from memory). */
const HEAPED = 1.5;
/** A pinch of three fingers of whole leaf, g (from memory). */
export const PINCH_GRAMS = 1;
/** So many times off the usual dose, a spoon is asked about. */
const SLIP = 2;

/** A house's own spoon or scoop. */
export type HouseScoop = { readonly name: string; readonly ml: Millilitres };
/** What is known here of the tea and of the house, to give a packet's measures a weight and a volume. */
export type PacketFacts = {
  /** Of this tea, from its weighed spoons; null while nobody weighed one. */
  readonly density: GramsPerMl | null;
  /** Leaf in one bag of this tea. */
  readonly bag?: Grams | null;
  /** The house's scoops: a packet's scoop is one of them. */
  readonly scoops?: readonly HouseScoop[];
  /** The pot that "per pot" means, filled to its fill line. */
  readonly vessel?: { readonly name: string; readonly water: Millilitres } | null;
  /** The usual dose of the style: the likeliest meaning is the nearest to it. */
  readonly usual: GramsPer100Ml;
};

/** One way to take a packet's words. */
export type PacketMeaning = {
  /** Which cup or pot, where the packet says only "cup" or "pot"; else empty. */
  readonly cup: string;
  /** Which of the house's scoops, where the packet says "scoop"; else empty. */
  readonly scoop: string;
  readonly water: Millilitres;
  readonly leaf: Grams;
  readonly dose: GramsPer100Ml;
  /**
   * The spoon it would be if teaspoon and tablespoon were mixed up, and the dose that gives; null when as printed is
   * likelier.
   */
  readonly slip: { readonly spoon: PacketSpoon; readonly dose: GramsPer100Ml } | null;
  /** The one nearest the style's usual dose. */
  readonly likeliest: boolean;
};

type Each = { readonly scoop: string; readonly grams: number };

/** What one of the packet's measures weighs here; several where a scoop may be one of several. */
function weightsOf(leaf: NonNullable<Packet['leaf']>, facts: PacketFacts): Each[] {
  const one = (weight: number | null | undefined): Each[] =>
    weight ? [{ scoop: '', grams: weight }] : [];
  const middle = (leaf.low + leaf.high) / 2;
  if (leaf.weighs !== null) return one(leaf.weighs / middle / (leaf.heaped ? HEAPED : 1));
  switch (leaf.unit) {
    case 'g':
      return one(1);
    case 'bag':
      return one(facts.bag);
    case 'pinch':
      return one(PINCH_GRAMS);
    case 'scoop':
      return (facts.scoops ?? []).flatMap((s) =>
        facts.density === null ? [] : [{ scoop: s.name, grams: facts.density * s.ml }],
      );
    case 'teaspoon':
    case 'dessertSpoon':
    case 'tablespoon':
      return one(facts.density && facts.density * PACKET_SPOON_ML[leaf.unit]);
  }
}

/** The water a packet may mean, each with the name of its cup or pot. */
function watersOf(
  water: NonNullable<Packet['water']>,
  facts: PacketFacts,
): (readonly [name: string, ml: Millilitres])[] {
  switch (water.kind) {
    case 'ml':
      return [['', water.ml]];
    case 'cups':
      return CUPS.map(([name, ml]) => [name, millilitres(ml * water.cups)]);
    case 'vessels':
      return facts.vessel
        ? [[facts.vessel.name, millilitres(facts.vessel.water * water.vessels)]]
        : [];
  }
}

/** The spoon that packets mix up with a spoon. */
const mixedUp = (unit: string): PacketSpoon | null => {
  if (unit === 'teaspoon') return 'tablespoon';
  if (unit === 'tablespoon') return 'teaspoon';
  return null;
};

/**
 * Every meaning of a packet's leaf and water for one tea. Spoons and scoops need the tea's own weighed density, a bag
 * its own weight, a pot the vessel chosen. Empty when the packet gives no leaf or no water, or when that is not known.
 * @example packetMeanings(readPacket('6 g per 500 ml'), { density: null, usual: gramsPer100Ml(1.2) })[0]?.dose // 1.2
 */
export function packetMeanings(
  { leaf, water }: Pick<Packet, 'leaf' | 'water'>,
  facts: PacketFacts,
): PacketMeaning[] {
  if (!leaf || !water) return [];
  const count = ((leaf.low + leaf.high) / 2) * (leaf.heaped ? HEAPED : 1);
  const off = (dose: number) => Math.abs(Math.log(dose / facts.usual));
  const slipOf = (dose: number): PacketMeaning['slip'] => {
    const spoon = mixedUp(leaf.unit);
    if (!spoon || leaf.weighs !== null || off(dose) <= Math.log(SLIP)) return null;
    const asPrinted = PACKET_SPOON_ML[leaf.unit as PacketSpoon];
    const other = gramsPer100Ml((dose * PACKET_SPOON_ML[spoon]) / asPrinted);
    return off(other) < off(dose) ? { spoon, dose: other } : null;
  };
  const all = weightsOf(leaf, facts).flatMap((each) =>
    watersOf(water, facts).map(([cup, ml]) => {
      const weight = grams(count * each.grams);
      const dose = gramsPer100Ml((100 * weight) / ml);
      return { cup, scoop: each.scoop, water: ml, leaf: weight, dose, slip: slipOf(dose) };
    }),
  );
  const first = all[0];
  if (!first) return [];
  const best = all.reduce((x, y) => (off(y.dose) < off(x.dose) ? y : x), first);
  return all.map((m) => ({ ...m, likeliest: m === best }));
}
