import {
  type CoolingRate,
  coolingRate,
  type HouseKettle,
  nearestSetting,
  waitUntil,
  type WaterPlan,
} from '#core/heat';
import { type Celsius, celsius, type Seconds } from '#core/units';
import type { CardInput, SiteFacts } from './cardInput';

// Which kettle a pour's water is heated in: what it can be set to, and what that comes to on the leaf.

/** A site whose water is heated in this kettle. */
export const siteWithKettle = <S extends SiteFacts>(
  site: S,
  { volume, material, lid, rate, pourLoss }: HouseKettle,
): S => ({
  ...site,
  pourLoss: pourLoss ?? site.pourLoss,
  kettle: { ...site.kettle, ...{ volume, material, lid, rate } },
});

/** A kettle as one pour uses it. */
export type KettleUsed = {
  readonly name: string;
  /** Its nearest setting; null: it only boils. */
  readonly set: Celsius | null;
  /** Off the boil until its water is as hot as is wanted; null: it can be set, or it would take too long. */
  readonly wait: Seconds | null;
  /**
   * How its water cools off the boil, where it waits: from which heat, at which rate, and the share of a degree in the
   * kettle that arrives on the leaf.
   */
  readonly cools?: (CoolingRate & { readonly from: Celsius; readonly arrives: number }) | undefined;
};
/** The same with what a card says of it. */
export type KettleOnCard = KettleUsed & {
  /** What its water comes to on the leaf, less what the recipe wants, °C. */
  readonly off: number;
  /** How long its water stays within 5 °C, off the heat. */
  readonly holds: Seconds | null;
  /** How often it is filled for this pour. */
  readonly fillings: number;
  /** What its water should be, °C. */
  readonly wanted: Celsius;
};
/** A kettle is filled to nine tenths. */
const FULL = 0.9;
/** Its water holds its heat while it is within so much, °C. */
const HELD = 5;
/** So many degrees cooler, to see what a degree in the kettle does on the leaf. */
const STEP = 10;
/** Nobody waits longer than this by a kettle, s (from memory). */
const LONGEST_WAIT = 1200;

/**
 * A kettle as this pour uses it.
 * @param wanted what its water should be, °C @param comesTo what water of a heat comes to on the leaf of this pour
 */
export function kettleOnCard(
  a: Pick<CardInput, 'recipe' | 'water' | 'site'>,
  kettle: HouseKettle,
  {
    heat,
    boiling,
    comesTo,
  }: { heat: WaterPlan; boiling: Celsius; comesTo: (water: Celsius) => Celsius },
): KettleOnCard {
  const { name, setPoints } = kettle;
  const wanted = celsius(Math.min(heat.kettleSetting, boiling));
  const set = setPoints && nearestSetting(setPoints, wanted);
  // It does not get hotter than water boils here, whatever it is set to.
  const water = set === null ? wanted : celsius(Math.min(set, boiling));
  const rate = kettle.rate ?? coolingRate(kettle);
  const off = set === null && heat.kind === 'reachable' ? heat.wait : null;
  const wait = off !== null && off < LONGEST_WAIT ? off : null;
  const arrives = (comesTo(boiling) - comesTo(celsius(boiling - STEP))) / STEP;
  return {
    ...{ name, set, wait },
    ...(wait !== null && { cools: { a: rate.a, b: rate.b, from: boiling, arrives } }),
    off: comesTo(water) - a.recipe.temperature,
    holds: waitUntil(water, celsius(water - HELD), a.site.ambient, rate),
    fillings: Math.ceil(a.water / (kettle.volume * FULL)),
    wanted,
  };
}

/** Differences of less than this are none to a taster, °C. */
const ALIKE = 1;
/** Of several kettles the one that suits a pour: nearest on the leaf, then filled once, then the one that holds longest. */
export function suitsBest<K extends { readonly used: KettleOnCard }>(
  kettles: readonly K[],
): K | null {
  const missedBy = ({ used }: K) => Math.floor(Math.abs(used.off) / ALIKE);
  const [best = null] = [...kettles].sort(
    (a, b) =>
      missedBy(a) - missedBy(b) ||
      a.used.fillings - b.used.fillings ||
      (b.used.holds ?? 0) - (a.used.holds ?? 0),
  );
  return best;
}
