import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { inverse, Matrix } from 'ml-matrix';
import type { Brewing } from '#core/cup';
import { CUP, newCup, quickCup } from '#core/quick';
import {
  characterOf,
  type Grade,
  type Multipliers,
  STYLE_DEFAULT,
  type StyleId,
} from '#core/styles';
import { doseOf, MAPS } from '#core/taste';

/** What a fit reads of a cup's taste. */
export const FIT_SCORES = ['strength', 'bitterness', 'astringency'] as const;
export type FitScore = (typeof FIT_SCORES)[number];
/** One tasted or measured cup of a tea. What was not measured is absent. */
export type Tasted = {
  readonly brew: Omit<Brewing, 'character'>;
  /** Dissolved solids by refractometer, g/L. */
  readonly tds?: number;
  /** Scores 0..10. */
  readonly strength?: number;
  readonly bitterness?: number;
  readonly astringency?: number;
  /** A score from the end of a taster's scale is a bound: none of it, or harsh, may be any amount beyond. */
  readonly bounds?: Readonly<Partial<Record<FitScore, 'atMost' | 'atLeast'>>>;
  /** How strong its colour is against another brew of the tea: 1.14 is 14 % stronger. `sd` of its logarithm. */
  readonly colour?: {
    readonly ratio: number;
    readonly sd: number;
    readonly against: Omit<Brewing, 'character'>;
  };
};
export const FITTED = ['rate', 'pool', 'bite', 'sensitivity'] as const;
export type FittedName = (typeof FITTED)[number];

/** The tea's own multipliers with how much the cups taught of each. */
export type Fit =
  | {
      readonly kind: 'fitted';
      readonly multipliers: Multipliers;
      /** 1 - posterior variance over prior variance; below a half it is mostly the style default. */
      readonly learnt: Readonly<Record<FittedName, number>>;
      /** Posterior sd of each log multiplier. */
      readonly sd: Readonly<Record<FittedName, number>>;
      /** Root mean square of the whitened residuals of the data; near 1 when the model suits. */
      readonly rmse: number;
      readonly iterations: number;
    }
  | { readonly kind: 'tooFewCups'; readonly got: number; readonly need: number };

/** Below this a parameter is mostly the style default. */
export const MOSTLY_LEARNT = 0.5;
// Errors of the measures and sd of the prior log multipliers: from memory, checked in simulation.
const SOLIDS_ERROR = 0.06;
const SCORE_ERROR = { strength: 0.6, bitterness: 0.7, astringency: 0.7 } as const;
const PRIOR: Readonly<Record<FittedName, number>> = {
  rate: 0.4,
  pool: 0.25,
  bite: 0.35,
  sensitivity: 0.15,
};
const BOUND = 1.5;
const STEP = 1e-3;
/** The library stops only at no error at all; a fit of these few has long settled by then (tested). */
const ITERATIONS = 10;
const NEED = 2;
/** Two heats this far apart teach sensitivity. */
const HEAT_APART = 5;

const SCORES = FIT_SCORES.map((s) => [s, CUP[s]] as const);
const cup = newCup();
/** What colours a cup, g/L: the dose behind the model's own colour index. */
function colourDose(b: Brewing): number {
  quickCup(b, cup);
  return doseOf(Math.min(9.999, Math.max(1e-6, cup[CUP.colour] as number)), MAPS.colour);
}

/**
 * Fits a tea's own multipliers to cups of this house, from the style default as prior. Sensitivity is free only when
 * the cups were brewed at two heats. Least squares by Levenberg-Marquardt (ml-levenberg-marquardt).
 */
export function fitToHouse(style: StyleId, cups: readonly Tasted[], grade?: Grade): Fit {
  const measured = cups.filter(
    (c) =>
      c.tds !== undefined || c.colour !== undefined || FIT_SCORES.some((s) => c[s] !== undefined),
  );
  if (measured.length < NEED) return { kind: 'tooFewCups', got: measured.length, need: NEED };
  const heats = measured.map((c) => c.brew.temperature);
  const free = FITTED.filter(
    (f) => f !== 'sensitivity' || Math.max(...heats) - Math.min(...heats) >= HEAT_APART,
  );

  const wants: number[] = [];
  for (const c of measured) {
    if (c.tds !== undefined) wants.push(Math.log(c.tds) / SOLIDS_ERROR);
    for (const [name] of SCORES) if (c[name] !== undefined) wants.push(c[name] / SCORE_ERROR[name]);
    if (c.colour) wants.push(Math.log(c.colour.ratio) / c.colour.sd);
  }
  const data = wants.length;
  free.forEach(() => wants.push(0));

  const multipliersOf = (logs: readonly number[]): Multipliers => ({
    ...STYLE_DEFAULT,
    ...Object.fromEntries(free.map((f, i) => [f, Math.exp(logs[i] ?? 0)])),
  });
  /** All whitened predictions at once, the prior's rows last. */
  const predictions = (logs: readonly number[]): number[] => {
    const character = characterOf(style, grade, multipliersOf(logs));
    const rows: number[] = [];
    for (const c of measured) {
      quickCup({ ...c.brew, character }, cup);
      if (c.tds !== undefined)
        rows.push(Math.log(Math.max(1e-6, cup[CUP.tds] as number)) / SOLIDS_ERROR);
      for (const [name, place] of SCORES) {
        const [score, found, bound] = [c[name], cup[place] as number, c.bounds?.[name]];
        if (score === undefined) continue;
        const kept =
          (bound === 'atMost' && found <= score) || (bound === 'atLeast' && found >= score);
        rows.push((kept ? score : found) / SCORE_ERROR[name]);
      }
      if (c.colour)
        rows.push(
          Math.log(
            colourDose({ ...c.brew, character }) / colourDose({ ...c.colour.against, character }),
          ) / c.colour.sd,
        );
    }
    free.forEach((f, i) => rows.push((logs[i] ?? 0) / PRIOR[f]));
    return rows;
  };

  const found = levenbergMarquardt(
    { x: wants.map((_, i) => i), y: wants },
    (logs) => {
      const rows = predictions(logs);
      return (i) => rows[i] ?? 0;
    },
    {
      initialValues: free.map(() => 0),
      minValues: free.map(() => -BOUND),
      maxValues: free.map(() => BOUND),
      gradientDifference: STEP,
      centralDifference: true,
      damping: 1e-2,
      maxIterations: ITERATIONS,
      errorTolerance: 1e-9,
    },
  );
  const logs = [...found.parameterValues];
  const residuals = predictions(logs)
    .slice(0, data)
    .map((p, i) => p - (wants[i] ?? 0));
  const variance = posteriorVariance(predictions, logs);
  const of = <T>(make: (f: FittedName, i: number) => T, otherwise: T) =>
    Object.fromEntries(
      FITTED.map((f) => [f, free.includes(f) ? make(f, free.indexOf(f)) : otherwise]),
    ) as Record<FittedName, T>;
  return {
    kind: 'fitted',
    multipliers: multipliersOf(logs),
    learnt: of(
      (f, i) => Math.min(1, Math.max(0, 1 - (variance[i] ?? PRIOR[f] ** 2) / PRIOR[f] ** 2)),
      0,
    ),
    sd: {
      ...of((_f, i) => Math.sqrt(variance[i] ?? 0), 0),
      ...(free.includes('sensitivity') ? {} : { sensitivity: PRIOR.sensitivity }),
    },
    rmse: Math.sqrt(residuals.reduce((s, r) => s + r * r, 0) / data),
    iterations: found.iterations,
  };
}

/** Diagonal of (J'J)^-1 at a point; rows are whitened and hold the prior. */
function posteriorVariance(
  predictions: (logs: readonly number[]) => number[],
  at: readonly number[],
): number[] {
  const columns = at.map((_, i) => {
    const shifted = (by: number) => predictions(at.map((v, k) => (k === i ? v + by : v)));
    const [up, down] = [shifted(STEP), shifted(-STEP)];
    return up.map((v, r) => (v - (down[r] ?? 0)) / (2 * STEP));
  });
  const square = columns.map((a) =>
    columns.map((b) => a.reduce((s, v, r) => s + v * (b[r] ?? 0), 0)),
  );
  return inverse(new Matrix(square)).diagonal();
}
