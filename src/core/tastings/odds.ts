import { inverse, Matrix, solve } from 'ml-matrix';
import { chiSquareUpTo, normalUpTo } from './distributions';

export type Effect = {
  /** Log odds of a higher mark, its error, Wald's z and chance. */
  readonly log: number;
  readonly error: number;
  readonly chance: number;
  /** The same as odds, with the 95 % interval by profile likelihood: "x12 (4.5 to 36)". */
  readonly odds: number;
  readonly interval: readonly [number, number];
};
export type OddsModel = {
  readonly effects: readonly Effect[];
  readonly thresholds: readonly number[];
  readonly logLik: number;
  /** Likelihood-ratio test of all effects together against none. */
  readonly chanceOfAll: number;
};
const ROUNDS = 60;
const SETTLED = 1e-8;
const logistic = (x: number) => 1 / (1 + Math.exp(-x));

type Fitted = { theta: number[]; beta: number[]; logLik: number; covariance: Matrix | null };

/**
 * Log-likelihood with its slope and curvature in the parameters [thresholds, effects], for P(mark <= k) =
 * logistic(theta_k - x beta).
 */
function logLikelihood(
  level: readonly number[],
  x: readonly (readonly number[])[],
  q: number,
  params: readonly number[],
  offset: readonly number[],
): { logLik: number; slope: number[]; bend: Matrix } {
  const size = params.length;
  const slope = new Array<number>(size).fill(0);
  const bend = Matrix.zeros(size, size);
  let logLik = 0;
  level.forEach((y, i) => {
    const row = x[i] as readonly number[];
    const eta = row.reduce((a, v, j) => a + v * (params[q + j] as number), offset[i] ?? 0);
    const side = (k: number) => {
      if (k < 0) return { f: 0, d: 0, dd: 0 };
      if (k >= q) return { f: 1, d: 0, dd: 0 };
      return (() => {
        const f = logistic((params[k] as number) - eta);
        return { f, d: f * (1 - f), dd: f * (1 - f) * (1 - 2 * f) };
      })();
    };
    const [up, low] = [side(y), side(y - 1)];
    const p = Math.max(up.f - low.f, 1e-300);
    logLik += Math.log(p);
    // Gradients of the two bounds: 1 at their threshold, -x at the effects.
    const g = (k: number) =>
      params.map((_, j) => {
        if (j < q) {
          if (j === k) return 1;
          return 0;
        }
        return -(row[j - q] as number);
      });
    const [gu, gl] = [g(y), g(y - 1)];
    const dp = params.map((_, j) => up.d * (gu[j] as number) - low.d * (gl[j] as number));
    for (let a = 0; a < size; a++) {
      slope[a] = (slope[a] as number) + (dp[a] as number) / p;
      for (let b = 0; b < size; b++)
        bend.set(
          a,
          b,
          bend.get(a, b) +
            (up.dd * (gu[a] as number) * (gu[b] as number) -
              low.dd * (gl[a] as number) * (gl[b] as number)) /
              p -
            ((dp[a] as number) * (dp[b] as number)) / p ** 2,
        );
    }
  });
  return { logLik, slope, bend };
}

/**
 * Newton's method with halved steps; null when the likelihood has no top (a lever that sorts the marks without one
 * exception).
 */
function maximise(
  level: readonly number[],
  x: readonly (readonly number[])[],
  q: number,
  effects: number,
  offset: readonly number[] = [],
): Fitted | null {
  const share = (k: number) => level.filter((y) => y <= k).length / level.length;
  let params = [
    ...Array.from({ length: q }, (_, k) => Math.log(share(k) / (1 - share(k)))),
    ...new Array<number>(effects).fill(0),
  ];
  let at = logLikelihood(level, x, q, params, offset);
  for (let round = 0; round < ROUNDS; round++) {
    let step: number[];
    try {
      step = solve(at.bend, Matrix.columnVector(at.slope)).getColumn(0);
    } catch {
      return null;
    }
    let scale = 1;
    for (;;) {
      const tried = params.map((v, i) => v - scale * (step[i] as number));
      const ordered = tried.slice(1, q).every((v, i) => v > (tried[i] as number));
      const next = ordered ? logLikelihood(level, x, q, tried, offset) : null;
      if (next && next.logLik >= at.logLik - SETTLED) {
        params = tried;
        at = next;
        break;
      }
      scale /= 2;
      if (scale < 1e-6) break;
    }
    if (Math.max(...at.slope.map(Math.abs)) < SETTLED * level.length) {
      if (params.slice(q).some((b) => Math.abs(b) > 15)) return null;
      return {
        theta: params.slice(0, q),
        beta: params.slice(q),
        logLik: at.logLik,
        covariance: inverse(Matrix.mul(at.bend, -1)),
      };
    }
  }
  return null;
}

/** Twice the likelihood given up at the ends of a 95 % interval: chi-square with one degree of freedom. */
const GIVEN_UP = 3.841458820694124;
/**
 * The 95 % interval of one effect by profile likelihood, as R's `confint` has it: how far it can be moved, the rest
 * fitted anew, before the data speak against it.
 */
function profile(
  level: readonly number[],
  x: readonly (readonly number[])[],
  q: number,
  best: Fitted,
  j: number,
  error: number,
): [number, number] {
  const others = x.map((row) => row.filter((_, k) => k !== j));
  const at = best.beta[j] as number;
  const lost = (beta: number) => {
    const f = maximise(
      level,
      others,
      q,
      best.beta.length - 1,
      x.map((row) => beta * (row[j] as number)),
    );
    return f ? 2 * (best.logLik - f.logLik) - GIVEN_UP : Infinity;
  };
  return [-1, 1].map((side) => {
    let [near, far] = [at, at + side * error * 1.96];
    while (lost(far) < 0 && Math.abs(far - at) < 20 * error)
      [near, far] = [far, far + side * error];
    for (let i = 0; i < 40; i++) {
      const middle = (near + far) / 2;
      if (lost(middle) < 0) near = middle;
      else far = middle;
    }
    return (near + far) / 2;
  }) as [number, number];
}

/**
 * Proportional-odds (cumulative logit) regression: what a lever does to marks on an ordered scale. Newton's method;
 * Wald
 * and likelihood-ratio tests (McCullagh 1980; checked against R's `ordinal::clm`).
 * @param marks ordered marks; only their order counts. @param levers one row a mark, one column a lever (0 or 1, or in its own units).
 * @returns null where it cannot be said: fewer than two levels were used, or a lever sorts the marks completely.
 */
export function oddsOf(
  marks: readonly number[],
  levers: readonly (readonly number[])[],
): OddsModel | null {
  const levels = [...new Set(marks)].sort((a, b) => a - b);
  const effects = levers[0]?.length ?? 0;
  if (levels.length < 2 || marks.length !== levers.length || effects === 0) return null;
  const y = marks.map((m) => levels.indexOf(m));
  const q = levels.length - 1;
  const full = maximise(y, levers, q, effects);
  const none = maximise(
    y,
    levers.map(() => []),
    q,
    0,
  );
  if (!full?.covariance || !none) return null;
  const { beta, covariance } = full;
  return {
    effects: beta.map((log, j) => {
      const error = Math.sqrt(covariance.get(q + j, q + j));
      return {
        log,
        error,
        chance: 2 * (1 - normalUpTo(Math.abs(log / error), 0, 1)),
        odds: Math.exp(log),
        interval: profile(y, levers, q, full, j, error).map(Math.exp) as [number, number],
      };
    }),
    thresholds: full.theta,
    logLik: full.logLik,
    chanceOfAll: 1 - chiSquareUpTo(2 * (full.logLik - none.logLik), effects),
  };
}
