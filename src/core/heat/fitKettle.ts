import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { mean, sampleStandardDeviation } from 'simple-statistics';
import { normal, type Random } from '#core/numeric';
import { type Celsius, celsius, type Seconds, seconds } from '#core/units';
import { afterPour } from './contact';
import { cooled, type CoolingRate, coolingRate, type CoolingVessel } from './cooling';

/** A thermometer in a kettle that cools: so long after it boiled. */
export type CoolingReading = {
  readonly boil: string;
  readonly at: Seconds;
  readonly temperature: Celsius;
  readonly ambient: Celsius;
};
/** Read in what was just poured, and in the kettle it came from. */
export type PouredReading = {
  readonly kettle: Celsius;
  readonly poured: Celsius;
  readonly ambient: Celsius;
};

/** A kettle's own cooling, or what is still missing. */
export type CoolingFit =
  | {
      readonly kind: 'fitted';
      readonly rate: CoolingRate;
      /** Against the usual kettle of its size and make: 1.18 cools 18 % faster. */
      readonly times: number;
      /** Relative standard error of the rate. */
      readonly error: number;
      /** Scatter of the readings about the curve, C. */
      readonly scatter: number;
      readonly drop: number;
      readonly readings: number;
      /** Fitted temperature at the first instant of each boil. */
      readonly starts: Readonly<Record<string, Celsius>>;
    }
  | { readonly kind: 'tooFew'; readonly need: 'readings' | 'drop'; readonly words: string };

/** A drop under this says little of the rate: its error is about sqrt(2) x scatter / drop. */
const LEAST_DROP = 10;
/** A usual kitchen thermometer, C: the least scatter believed. From memory. */
const THERMOMETER = 0.3;
const STEPS = 60;
/** The rate is looked for between these shares of the usual. */
const RANGE = [0.1, 10] as const;

/**
 * Fits how fast a kettle cools: its loss through wall and lid against the usual one, with the share that evaporates
 * as in
 * its class (b/a kept), and the start of every boil. Least squares by Levenberg-Marquardt on the temperatures
 * (ml-levenberg-marquardt); the standard error is that of the linearised problem.
 */
export function fitCooling(readings: readonly CoolingReading[], usual: CoolingVessel): CoolingFit {
  const boils = [...new Set(readings.map((r) => r.boil))].filter(
    (b) => readings.filter((r) => r.boil === b).length >= 2,
  );
  const used = readings.filter((r) => boils.includes(r.boil));
  if (used.length < 2)
    return {
      kind: 'tooFew',
      need: 'readings',
      words: 'Two readings of one boil are needed, some minutes apart.',
    };
  const drop = Math.max(
    ...boils.map((b) => {
      const t = used.filter((r) => r.boil === b).map((r) => r.temperature);
      return Math.max(...t) - Math.min(...t);
    }),
  );
  if (drop < LEAST_DROP)
    return {
      kind: 'tooFew',
      need: 'drop',
      words: `It has cooled by ${drop.toFixed(1)} °C so far. A drop of ${LEAST_DROP} °C or more tells its rate.`,
    };
  const base = coolingRate(usual);
  const rateAt = (k: number): CoolingRate => ({ a: base.a * k, b: base.b * k });
  const at = (i: number, k: number, start: number) =>
    cooled(
      celsius(start),
      (used[i] as CoolingReading).ambient,
      rateAt(k),
      (used[i] as CoolingReading).at,
    );
  const first = boils.map((b) =>
    Math.max(...used.filter((r) => r.boil === b).map((r) => r.temperature)),
  );
  const which = used.map((r) => boils.indexOf(r.boil));
  const model = (p: number[]) => (i: number) =>
    at(i, Math.exp(p[0] as number), p[1 + (which[i] as number)] as number);
  const fit = levenbergMarquardt(
    { x: used.map((_, i) => i), y: used.map((r) => r.temperature as number) },
    model,
    {
      initialValues: [0, ...first],
      minValues: [Math.log(RANGE[0]), ...first.map((t) => t - 5)],
      maxValues: [Math.log(RANGE[1]), ...first.map((t) => t + 15)],
      maxIterations: STEPS,
      gradientDifference: 1e-4,
      damping: 0.01,
    },
  );
  const p = fit.parameterValues;
  const misses = used.map((r, i) => r.temperature - model(p)(i));
  const free = used.length - p.length;
  const scatter = Math.max(
    THERMOMETER,
    free > 0 ? Math.sqrt(misses.reduce((s, m) => s + m * m, 0) / free) : 0,
  );
  // What the rate alone explains, once each boil's own start has taken its share.
  const H = 1e-4;
  const slope = used.map(
    (_, i) => (model([(p[0] as number) + H, ...p.slice(1)])(i) - model(p)(i)) / H,
  );
  const byStart = used.map((_, i) => {
    const q = [...p];
    const j = 1 + (which[i] as number);
    q[j] = (q[j] as number) + H;
    return (model(q)(i) - model(p)(i)) / H;
  });
  let information = 0;
  boils.forEach((_, b) => {
    const rows = used.flatMap((_r, i) => (which[i] === b ? [i] : []));
    const [ss, ff, sf] = rows.reduce(
      ([x, y, z], i) => {
        const [s, f] = [slope[i] as number, byStart[i] as number];
        return [x + s * s, y + f * f, z + s * f];
      },
      [0, 0, 0] as [number, number, number],
    );
    information += ss - (sf * sf) / ff;
  });
  const times = Math.exp(p[0] as number);
  return {
    kind: 'fitted',
    rate: rateAt(times),
    times,
    error: information > 0 ? scatter / Math.sqrt(information) : Infinity,
    scatter,
    drop,
    readings: used.length,
    starts: Object.fromEntries(boils.map((b, i) => [b, celsius(p[1 + i] as number)])),
  };
}

/** Share of the difference to the air lost in the pour, with its standard error. */
export type PourLossFit = {
  readonly loss: number;
  readonly error: number;
  readonly readings: number;
};
/** From readings of just-poured water; null without one that makes sense (poured between air and kettle). */
export function fitPourLoss(readings: readonly PouredReading[]): PourLossFit | null {
  const each = readings
    .filter((r) => r.kettle > r.ambient + 20 && r.poured < r.kettle && r.poured > r.ambient)
    .map((r) => ({
      loss: (r.kettle - r.poured) / (r.kettle - r.ambient),
      over: r.kettle - r.ambient,
    }));
  if (each.length === 0) return null;
  const losses = each.map((e) => e.loss);
  const own = (Math.SQRT2 * THERMOMETER) / mean(each.map((e) => e.over));
  return {
    loss: mean(losses),
    error:
      each.length > 1
        ? Math.max(own, sampleStandardDeviation(losses)) / Math.sqrt(each.length)
        : own,
    readings: each.length,
  };
}

/** A made-up kettle and thermometer to learn the flow with: what it would read, with a thermometer's scatter. */
export function simulatedKettle(
  random: Random,
  vessel: CoolingVessel,
  {
    times = 1,
    loss = 0.07,
    ambient = celsius(20),
    boiling = celsius(100),
    scatter = THERMOMETER,
  } = {},
) {
  const base = coolingRate(vessel);
  const rate = { a: base.a * times, b: base.b * times };
  const real = (at: Seconds) => cooled(boiling, ambient, rate, at);
  const read = (t: number) => celsius(Math.round((t + normal(random, 0, scatter)) * 10) / 10);
  return {
    /** The thermometer in the kettle, so long off the boil. */
    reading: (at: Seconds): Celsius => read(real(at)),
    /** The thermometer in what was just poured at that moment. */
    poured: (at: Seconds): Celsius => read(afterPour(real(at), ambient, loss)),
    times,
    loss,
    ambient,
    until: (to: Celsius): Seconds => {
      let s = 0;
      while (real(seconds(s)) > to && s < 14_400) s += 10;
      return seconds(s);
    },
  };
}
