import type { Celsius, Grams, Millilitres, Seconds } from '#core/units';
import { afterPour, arrivalFor, beforePour, type Material } from './contact';
import { type CoolingRate, coolingRate, waitUntil } from './cooling';
import { type Split, splitWater } from './mixing';

/** `rate` is the kettle's own, fitted from readings; without it the usual one of its size and make. */
export type Kettle = {
  readonly volume: Millilitres;
  readonly material: Material;
  readonly lid: boolean;
  readonly rate?: CoolingRate | null;
};

export type WaterWish = {
  readonly water: Grams;
  /** Wanted on the leaf. */
  readonly target: Celsius;
  readonly boiling: Celsius;
  readonly wallAt: Celsius;
  readonly material: Material;
  readonly capacity?: Millilitres;
  readonly leaf: Grams;
  readonly cold: Celsius;
  readonly ambient: Celsius;
  readonly pourLoss: number;
  readonly kettle: Kettle;
};

/** The ways a site has to get the temperature on the leaf. */
export type WaterPlan =
  | {
      readonly kind: 'reachable';
      /** Of the water as it meets vessel and leaf. */
      readonly arrive: Celsius;
      readonly kettleSetting: Celsius;
      /** Just-boiled water and a cold splash; null when the cold tap is warmer than the target. */
      readonly splash: Split | null;
      /** Off the boil with the house's kettle; null when it would never come. */
      readonly wait: Seconds | null;
    }
  | {
      readonly kind: 'outOfReach';
      readonly arrive: Celsius;
      /** What the water would have to be in the kettle, above boiling here. */
      readonly kettleSetting: Celsius;
      /** How much too much: needed on arrival less the most that can arrive. */
      readonly short: number;
    };

/** Works back from the temperature on the leaf, through wall and leaf, to water on arrival and in the kettle. */
export function planWater(w: WaterWish): WaterPlan {
  const arrive = arrivalFor(w.target, {
    water: w.water,
    material: w.material,
    capacity: w.capacity,
    wallAt: w.wallAt,
    leaf: w.leaf,
    leafAt: w.ambient,
  });
  const kettleSetting = beforePour(arrive, w.ambient, w.pourLoss);
  const most = afterPour(w.boiling, w.ambient, w.pourLoss);
  if (arrive > most) return { kind: 'outOfReach', arrive, kettleSetting, short: arrive - most };
  const rate = w.kettle.rate ?? coolingRate(w.kettle);
  return {
    kind: 'reachable',
    arrive,
    kettleSetting,
    splash: splitWater(w.water, most, w.cold, arrive),
    wait: waitUntil(w.boiling, kettleSetting, w.ambient, rate),
  };
}
