import { mean } from 'simple-statistics';

// Individuals and moving-range chart, as statistical process control has it: limits from the steps between neighbours,
// so that a slow drift does not widen them (2.66 = 3 / d2 with d2 = 1.128 for pairs; 3.267 = D4 for pairs).

const INDIVIDUAL = 2.66;
const RANGE = 3.267;
/** So many in a row on one side of the mean say that it has moved. */
const RUN = 8;
/** Fewer points have no limits worth drawing. */
export const FEWEST = 8;

export type Run = { readonly from: number; readonly to: number; readonly side: 'above' | 'below' };
export type Chart = {
  readonly n: number;
  readonly mean: number;
  /** Mean moving range: the step from one to the next. */
  readonly step: number;
  readonly upper: number;
  readonly lower: number;
  readonly stepLimit: number;
  /** Places of points outside the limits. */
  readonly outside: readonly number[];
  /** Places of steps over their limit: the step that ends at that point. */
  readonly leaps: readonly number[];
  readonly runs: readonly Run[];
};

/**
 * The chart of values in the order they happened.
 * @returns null under eight values.
 */
export function controlChart(values: readonly number[]): Chart | null {
  if (values.length < FEWEST) return null;
  const centre = mean([...values]);
  const steps = values.slice(1).map((v, i) => Math.abs(v - (values[i] as number)));
  const step = mean(steps);
  const [upper, lower, stepLimit] = [
    centre + INDIVIDUAL * step,
    centre - INDIVIDUAL * step,
    RANGE * step,
  ];
  const places = (list: readonly number[], out: (v: number) => boolean) =>
    list.flatMap((v, i) => (out(v) ? [i] : []));
  return {
    n: values.length,
    mean: centre,
    step,
    upper,
    lower,
    stepLimit,
    outside: places(values, (v) => v > upper || v < lower),
    leaps: places(steps, (v) => v > stepLimit).map((i) => i + 1),
    runs: runsOf(values, centre),
  };
}

/** Runs of eight or more on one side; a value on the mean ends one. */
function runsOf(values: readonly number[], centre: number): Run[] {
  const runs: Run[] = [];
  for (let from = 0; from < values.length;) {
    const side = Math.sign((values[from] as number) - centre);
    let to = from;
    while (to + 1 < values.length && Math.sign((values[to + 1] as number) - centre) === side) to++;
    if (side !== 0 && to - from + 1 >= RUN)
      runs.push({ from, to, side: side > 0 ? 'above' : 'below' });
    from = to + 1;
  }
  return runs;
}

/** Points as a narrow picture can show them: medians of so many at a time, in order. */
export function thinned<T>(
  points: readonly T[],
  value: (t: T) => number,
  most: number,
): { readonly points: readonly T[]; readonly by: number } {
  const by = Math.ceil(points.length / most);
  if (by <= 1) return { points, by: 1 };
  const groups = Array.from({ length: Math.ceil(points.length / by) }, (_, i) =>
    points.slice(i * by, (i + 1) * by),
  );
  return {
    by,
    points: groups.map(
      (g) => [...g].sort((a, b) => value(a) - value(b))[Math.floor(g.length / 2)] as T,
    ),
  };
}
