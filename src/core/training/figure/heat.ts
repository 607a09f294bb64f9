import {
  afterPour,
  beforePour,
  cooled,
  type CoolingRate,
  coolingRate,
  firstContact,
  type Material,
  planWater,
  splitWater,
  waitUntil,
  WARMED_WALL,
  waterDensity,
  type WaterWish,
} from '#core/heat';
import { siteBoiling } from '#core/recipes';
import { type Celsius, celsius, grams, millilitres, seconds } from '#core/units';
import { type Figure, firstApart, type Mistake, toDigits } from './figures';

// Water for the leaf: cold water first, a wait off the boil, a kettle to set, or where boiling water lands. An answer is
// judged by what it comes to on the leaf.

export type HeatAsk = 'splash' | 'wait' | 'set' | 'landing';
export type HeatSite = {
  readonly altitudeM: number;
  readonly measuredBoilingC: number | null;
  readonly ambientC: number;
  readonly coldC: number;
  readonly pourLoss: number;
};
export type HeatKettle = {
  readonly ml: number;
  readonly material: Material;
  readonly lid: boolean;
  /** Its own, where it was fitted from readings. */
  readonly rate?: CoolingRate | null;
};
export type HeatFacts = {
  readonly waterMl: number;
  /** Wanted on the leaf. */
  readonly targetC: number;
  readonly leafGrams: number;
  readonly warmed: boolean;
  readonly material: Material;
  readonly capacityMl: number;
  readonly site: HeatSite;
  readonly kettle: HeatKettle;
  readonly ask: HeatAsk;
};

export type HeatMistake =
  | 'shareOfHot'
  | 'coldIsZero'
  | 'tenth'
  | 'toTarget'
  | 'degreeAMinute'
  | 'twoMinutes'
  | 'otherLid'
  | 'target'
  | 'kettle'
  | 'wallOnly'
  | 'pourOnly'
  | 'seaLevel'
  | 'otherPot'
  | 'noPour'
  | 'bareCup';
type Came = Mistake<HeatMistake> & {
  /** What it comes to on the leaf, °C. */
  readonly comesToC: number;
};
/** Its figures are ml of cold water, seconds, or °C. */
export type HeatFigure = Figure<HeatMistake> & { readonly mistakes: readonly Came[] };
export type HeatWorked =
  | {
      readonly kind: 'reachable';
      readonly boilingC: number;
      /** What the water has as it arrives, and in the kettle. */
      readonly arriveC: number;
      readonly kettleC: number;
      readonly figure: HeatFigure;
      /** What an answer comes to on the leaf, °C. */
      readonly comesTo: (value: number) => number;
    }
  | {
      readonly kind: 'outOfReach';
      readonly boilingC: number;
      /** What the water would have to be as it arrives. */
      readonly arriveC: number;
      readonly shortC: number;
      /** In a vessel that was warmed it would be reached. */
      readonly warmedReaches: boolean;
      readonly fair: boolean;
    }
  /** Cold water that is warmer than what is wanted, or a kettle that never falls so far. */
  | { readonly kind: 'never' };

/** On the leaf, °C. */
const [RIGHT_C, NEAR_C] = [1.5, 3];
/** Choices miss by more than this, and lie further than this from each other, °C on the leaf. */
const [CHOICE_MISSES_C, CHOICES_APART_C] = [4, 1.5];
/** Out of reach by less is not asked: a thermometer is no better. */
const SHORT_C = 2;
/** Water boils so at the sea, °C; below this a house has to know that its water does not. */
const SEA_LEVEL_C = 99.97;
const LOW_SITE_C = 98;
const POURED_C = celsius(20);

export const boilingOf = ({ altitudeM, measuredBoilingC }: HeatSite): Celsius =>
  siteBoiling({
    altitudeM,
    measuredBoiling: measuredBoilingC === null ? null : celsius(measuredBoilingC),
  });
/** The wish as the plan of the water takes it; the pot may be the other one. */
function wishOf(f: HeatFacts, warmed = f.warmed) {
  const { site, kettle } = f;
  return {
    water: grams(f.waterMl * waterDensity(POURED_C)),
    target: celsius(f.targetC),
    boiling: boilingOf(site),
    wallAt: warmed ? WARMED_WALL : celsius(site.ambientC),
    material: f.material,
    capacity: millilitres(f.capacityMl),
    leaf: grams(f.leafGrams),
    cold: celsius(site.coldC),
    ambient: celsius(site.ambientC),
    pourLoss: site.pourLoss,
    kettle: { volume: millilitres(kettle.ml), ...kettle },
  } satisfies WaterWish;
}
type Wish = ReturnType<typeof wishOf>;
const rateOf = ({ kettle }: Wish): CoolingRate => kettle.rate ?? coolingRate(kettle);
const landed = (w: Wish, waterAt: Celsius): Celsius =>
  firstContact({ ...w, waterAt, leafAt: w.ambient });
const poured = (w: Wish, kettle: Celsius): Celsius => afterPour(kettle, w.ambient, w.pourLoss);

/** What an answer comes to on the leaf. */
function cameTo(w: Wish, ask: HeatAsk, value: number): number {
  const most = poured(w, w.boiling);
  switch (ask) {
    case 'landing':
      return value;
    case 'set':
      return landed(w, poured(w, celsius(value)));
    case 'wait':
      return landed(w, poured(w, cooled(w.boiling, w.ambient, rateOf(w), seconds(value))));
    case 'splash':
      return landed(w, celsius((most * (w.water - value) + w.cold * value) / w.water));
  }
}
/** The answer that comes to so much on the leaf: 0 where no more heat can be had; null: it never does. */
function answerFor(w: Wish, ask: HeatAsk, target: number): number | null {
  if (ask === 'landing') return target;
  const plan = planWater({ ...w, target: celsius(target) });
  if (ask === 'set') return plan.kettleSetting;
  if (plan.kind === 'outOfReach') return 0;
  return ask === 'wait' ? plan.wait : (plan.splash?.cold ?? null);
}
const bandOf = (w: Wish, ask: HeatAsk, target: number, by: number) => {
  const ends = [target - by, target + by].map((t) => answerFor(w, ask, t) ?? Infinity);
  return [Math.min(...ends), Math.max(...ends)] as const;
};

type Added = readonly (readonly [id: HeatMistake, value: number | null | undefined])[];
const DIGITS: Readonly<Record<HeatAsk, number>> = { splash: 0, wait: 0, set: 1, landing: 1 };
/** Named mistakes in the order in which they are tried; one that comes to nothing is null. */
function mistakesOf(f: HeatFacts, w: Wish): Added {
  const plan = planWater(w);
  const isHigh = w.boiling < LOW_SITE_C;
  const atSea = { ...w, boiling: celsius(SEA_LEVEL_C) };
  const other = wishOf(f, !f.warmed);
  const otherPlan = planWater(other);
  const most = poured(w, w.boiling);
  const rate = rateOf(w);
  const wait = (from: Celsius, to: Celsius, by = rate) => waitUntil(from, to, w.ambient, by);
  const split = (hot: Celsius) => splitWater(w.water, hot, w.cold, plan.arrive)?.cold;
  const reached = otherPlan.kind === 'reachable' ? otherPlan : null;
  switch (f.ask) {
    case 'splash': {
      const parts = splitWater(w.water, most, w.cold, plan.arrive);
      return [
        ['shareOfHot', parts && (w.water * parts.cold) / parts.hot],
        ['coldIsZero', w.water * (1 - plan.arrive / most)],
        ['tenth', w.water / 10],
        ['seaLevel', isHigh ? split(poured(atSea, atSea.boiling)) : null],
        ['otherPot', reached?.splash?.cold],
        ['noPour', split(w.boiling)],
      ];
    }
    case 'wait': {
      const otherLid = coolingRate({ ...w.kettle, lid: !w.kettle.lid });
      return [
        ['toTarget', wait(w.boiling, w.target)],
        ['degreeAMinute', 60 * (w.boiling - plan.kettleSetting)],
        ['twoMinutes', 120],
        ['otherLid', wait(w.boiling, plan.kettleSetting, otherLid)],
        ['seaLevel', isHigh ? wait(atSea.boiling, plan.kettleSetting) : null],
        ['otherPot', reached?.wait],
        ['noPour', wait(w.boiling, plan.arrive)],
      ];
    }
    case 'set':
      return [
        ['target', w.target],
        ['otherPot', reached?.kettleSetting],
        ['noPour', plan.arrive],
        ['bareCup', beforePour(w.target, w.ambient, w.pourLoss)],
      ];
    case 'landing':
      return [
        ['kettle', w.boiling],
        ['wallOnly', landed(w, w.boiling)],
        ['pourOnly', most],
        ['otherPot', landed(other, most)],
        ['seaLevel', isHigh ? landed(atSea, poured(atSea, atSea.boiling)) : null],
      ];
  }
}

/** What is asked, worked out. @throws {RangeError} unless there is water and a kettle */
export function heatWorked(f: HeatFacts): HeatWorked {
  const w = wishOf(f);
  const { ask } = f;
  const plan = planWater(w);
  const boilingC = w.boiling;
  if (ask !== 'landing' && plan.kind === 'outOfReach') {
    const warm = planWater(wishOf(f, true));
    return {
      ...{ kind: 'outOfReach', boilingC, arriveC: plan.arrive, shortC: plan.short },
      warmedReaches: warm.kind === 'reachable',
      fair: plan.short >= SHORT_C,
    };
  }
  const target = ask === 'landing' ? landed(w, poured(w, w.boiling)) : w.target;
  const truth = answerFor(w, ask, target);
  if (truth === null) return { kind: 'never' };
  const comesTo = (value: number) => cameTo(w, ask, value);
  const mistakes = mistakesOf(f, w).flatMap(([id, exact]) => {
    const value = exact === null || exact === undefined ? 0 : toDigits(exact, DIGITS[ask]);
    return value > 0 ? [{ id, value, comesToC: comesTo(value) }] : [];
  });
  const figure: HeatFigure = {
    ...{ truth, shown: toDigits(truth, DIGITS[ask]), mistakes },
    right: bandOf(w, ask, target, RIGHT_C),
    near: bandOf(w, ask, target, NEAR_C),
    distractors: firstApart(
      mistakes,
      (m) => Math.abs(m.comesToC - target) > CHOICE_MISSES_C,
      (a, b) => Math.abs(a.comesToC - b.comesToC) > CHOICES_APART_C,
    ),
  };
  const { arrive, kettleSetting } = plan;
  return {
    ...{ kind: 'reachable', boilingC, arriveC: arrive, kettleC: kettleSetting },
    ...{ figure, comesTo },
  };
}
