import {
  afterPour,
  arrivalFor,
  beforePour,
  cooled,
  type CoolingFit,
  type CoolingRate,
  coolingRate,
  type CoolingVessel,
  fitOfKettle,
  POUR_LOSS,
  type PourLossFit,
  splitWater,
  waitUntil,
  WARMED_WALL,
} from '#core/heat';
import { siteBoiling } from '#core/recipes';
import {
  type Celsius,
  celsius,
  grams,
  type Millilitres,
  millilitres,
  type Seconds,
  seconds,
} from '#core/units';
import type { Kettle } from '#contracts/kettles';
import type { Site } from '#contracts/sites';

/** What a kettle's readings say of it. */
export type KettleFacts = {
  readonly usual: CoolingVessel;
  readonly before: CoolingRate;
  readonly fit: CoolingFit;
  readonly loss: PourLossFit | null;
  readonly boiling: Celsius;
  readonly ambient: Celsius;
};

export function factsOf(k: Kettle, site: Site): KettleFacts {
  const { usual, fit, loss, ambient } = fitOfKettle(k);
  return {
    ...{ usual, fit, loss },
    before: coolingRate(usual),
    boiling: siteBoiling(site),
    ambient: ambient ?? site.ambient,
  };
}

/** One line of "to have it on the leaf". */
export type WaitLine = { readonly leaf: Celsius } & (
  | { readonly kind: 'outOfReach'; readonly most: Celsius }
  | {
      readonly kind: 'reachable';
      readonly kettleAt: Celsius;
      readonly wait: Seconds | null;
      readonly cold: Millilitres | null;
    }
);
const LINES = [95, 90, 85, 80, 75, 70, 60] as const;
/** A pot the table is worked out for: half a litre, warmed, with a usual dose. */
const POT = { water: grams(500), material: 'porcelain' as const, leaf: grams(6) };

/** Set point, wait off the boil and cold splash for each heat on the leaf, by this kettle's own rate and pour. */
export function waitTable({ fit, before, loss, boiling }: KettleFacts, site: Site): WaitLine[] {
  const rate = fit.kind === 'fitted' ? fit.rate : before;
  const share = loss?.loss ?? site.pourLoss ?? POUR_LOSS;
  const contact = { ...POT, wallAt: WARMED_WALL, leafAt: site.ambient };
  return LINES.map((leaf) => {
    const arrive = arrivalFor(celsius(leaf), contact);
    const most = afterPour(boiling, site.ambient, share);
    if (arrive > most)
      return { leaf: celsius(leaf), kind: 'outOfReach', most: celsius(leaf - (arrive - most)) };
    const kettleAt = beforePour(arrive, site.ambient, share);
    const split = splitWater(POT.water, most, site.coldWater, arrive);
    return {
      leaf: celsius(leaf),
      kind: 'reachable',
      kettleAt,
      wait: waitUntil(boiling, kettleAt, site.ambient, rate),
      cold: split ? millilitres(Math.round(split.cold / 5) * 5) : null,
    };
  });
}

/** Points of a cooling curve and its error, per minute. */
export function curveOf(
  start: Celsius,
  ambient: Celsius,
  rate: CoolingRate,
  minutes: number,
): { m: number; t: number }[] {
  return Array.from({ length: 61 }, (_, i) => ({
    m: (minutes * i) / 60,
    t: cooled(start, ambient, rate, seconds((minutes * 60 * i) / 60)),
  }));
}
export const scaledRate = (r: CoolingRate, by: number): CoolingRate => ({
  a: r.a * by,
  b: r.b * by,
});
