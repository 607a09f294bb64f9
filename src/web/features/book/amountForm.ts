import { doseOfSpoons, type Method, type Recipe, type SpoonDose } from '#core/recipes';
import {
  fromMl,
  type GramsPer100Ml,
  gramsPer100Ml,
  type GramsPerMl,
  millilitres,
  numberText,
  type Parsed,
  parseVolume,
  parseWithin,
  type Spoon,
  SPOONS,
  volumeParts,
  type VolumeUnit,
} from '#core/units';

/** How much leaf goes to the water, as its form holds it: grams as typed, or a count of spoons. */
export type AmountForm = {
  measuredIn: 'grams' | 'spoons';
  dose: string;
  spoonCount: string;
  /** The spoon, as JSON: the value of a choice among spoons. */
  countedSpoon: string;
  /** Water to the count, with its unit. */
  spoonWater: string;
};

/** A spoon as a choice among spoons keeps it. */
export const spoonValue = ({ id, name, plural, ml, heaped }: Spoon): string =>
  JSON.stringify({ id, name, plural, ml, heaped });

/** What a form in spoons begins with: one to 8 fl oz, the usual way a packet says it. */
const FIRST: SpoonDose = {
  quarters: 4,
  spoon: SPOONS.metricTablespoon,
  water: millilitres(240),
};
export function amountFormOf(
  { dose, spoons }: Pick<Recipe, 'dose' | 'spoons'>,
  volume: VolumeUnit,
): AmountForm {
  const { quarters, spoon, water } = spoons ?? FIRST;
  return {
    measuredIn: spoons ? 'spoons' : 'grams',
    dose: numberText(dose, 3),
    spoonCount: numberText(quarters / 4, 2),
    countedSpoon: spoonValue(spoon),
    spoonWater: `${numberText(fromMl(water, volume), 2)} ${volumeParts(water, volume).unit}`,
  };
}

const waterWithin = (water: Parsed<number>): Parsed<number> =>
  water.kind === 'ok' && (water.value < 20 || water.value > 20_000)
    ? { kind: 'bad', why: 'Water is 20 ml at least and 20 litres at most.' }
    : water;

/** Reads a count of spoons; each part by itself. */
export function spoonsTyped(
  v: AmountForm,
  volume: VolumeUnit,
): { readonly count: Parsed<number>; readonly water: Parsed<number>; readonly spoon: Spoon } {
  return {
    count: parseWithin(v.spoonCount, 'A count', 'spoons', 0.25, 100),
    water: waterWithin(parseVolume(v.spoonWater, volume)),
    spoon: JSON.parse(v.countedSpoon) as Spoon,
  };
}
/** The dose that a count of spoons gives for a tea of this density; null while it is not to be read. */
export function spoonDoseTyped(
  v: AmountForm,
  volume: VolumeUnit,
  density: GramsPerMl,
): { readonly spoons: SpoonDose; readonly dose: GramsPer100Ml } | null {
  const { count, water, spoon } = spoonsTyped(v, volume);
  if (count.kind === 'bad' || water.kind === 'bad') return null;
  const spoons = {
    ...{ quarters: Math.round(count.value * 4), spoon },
    water: millilitres(water.value),
  };
  return { spoons, dose: doseOfSpoons(spoons, density) };
}

/** Leaf is counted in spoons; in a bag it never is. */
export const isInSpoons = ({ measuredIn }: AmountForm, method: Method): boolean =>
  measuredIn === 'spoons' && method !== 'bag';
/** Reads the amount, naming each fault beside its field. */
export function amountOf(
  v: AmountForm,
  {
    method,
    volume,
    density,
  }: { readonly method: Method; readonly volume: VolumeUnit; readonly density: GramsPerMl },
  wrong: (name: keyof AmountForm, why: string) => void,
): Pick<Recipe, 'dose' | 'spoons'> {
  if (!isInSpoons(v, method)) {
    const dose = parseWithin(v.dose, 'Leaf', 'g per 100 ml', 0.05, 20);
    if (dose.kind === 'bad') wrong('dose', dose.why);
    return { dose: gramsPer100Ml(dose.kind === 'ok' ? dose.value : 1) };
  }
  const { count, water } = spoonsTyped(v, volume);
  if (count.kind === 'bad') wrong('spoonCount', count.why);
  if (count.kind === 'ok' && !Number.isInteger(count.value * 4))
    wrong('spoonCount', 'Count in quarters of a spoon: 1, 1.25, 1.5 or 1¾.');
  if (water.kind === 'bad') wrong('spoonWater', water.why);
  const read = spoonDoseTyped(v, volume, density);
  if (read && (read.dose < 0.05 || read.dose > 20))
    wrong('spoonCount', `${numberText(read.dose, 2)} g per 100 ml is no recipe.`);
  return read ?? { dose: gramsPer100Ml(1) };
}
