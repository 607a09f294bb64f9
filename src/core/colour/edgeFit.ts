import type { Absorbance } from './absorbance';
import type { Circle } from './circleVotes';

/** A liquor's edge: its circle, how good it is, and the outer edge of its porcelain where that was seen. */
export type Edge = Circle & { readonly score: number; readonly rim: number | null };

const RAYS = 72;
/** The edge is looked for in so many steps across its reach. */
const PASSES = 3;
/**
 * A ray's edge this far off the fitted circle, as a share of the radius, does not count: a tilt of 15 degrees needs
 * 0.02.
 */
const OFF_CIRCLE = 0.04;
/**
 * At least this share of the rays must see the edge; more of them where it is faint, since chance makes faint edges.
 */
const LEAST_SEEN = { clear: 0.6, faint: 0.86 } as const;
const FAINT = 0.16;
/** Least step from liquor to porcelain, absorbance: about 3 dE00 of a pale liquor. */
const LEAST_STEP = 0.03;
/** A liquor takes one colour more than another by at least this, or all of them by `DARK`. */
const LEAST_COLOUR = 0.02;
const DARK = 0.6;

const { abs, cos, sin, floor, hypot, max, min, sqrt, PI } = Math;
const median = (list: readonly number[]): number => {
  const sorted = [...list].sort((a, b) => a - b);
  return sorted[floor(sorted.length / 2)] ?? 0;
};

/** A channel between its pixels. */
function sample(
  channel: Float32Array,
  { width, height }: Absorbance,
  x: number,
  y: number,
): number {
  const px = min(width - 1.001, max(0, x - 0.5));
  const py = min(height - 1.001, max(0, y - 0.5));
  const [ix, iy] = [floor(px), floor(py)];
  const [fx, fy] = [px - ix, py - iy];
  const i = iy * width + ix;
  const top = (channel[i] as number) * (1 - fx) + (channel[i + 1] as number) * fx;
  const below = iy + 1 < height ? i + width : i;
  const bottom = (channel[below] as number) * (1 - fx) + (channel[below + 1] as number) * fx;
  return top * (1 - fy) + bottom * fy;
}

type RayEdge = {
  readonly x: number;
  readonly y: number;
  readonly at: number;
  readonly step: number;
};

/** Along one ray, where absorbance falls most steeply from inside to outside within a reach of the circle. */
function edgeOnRay(a: Absorbance, c: Circle, angle: number, reach: number): RayEdge | null {
  const [dx, dy] = [cos(angle), sin(angle)];
  const half = max(1.5, c.r * 0.025);
  const from = max(2, c.r * (1 - reach));
  const to = c.r * (1 + reach);
  let best: RayEdge | null = null;
  for (let r = from; r <= to; r += 0.75) {
    const [x, y] = [c.x + dx * r, c.y + dy * r];
    if (x < 2 || y < 2 || x > a.width - 2 || y > a.height - 2) break;
    const inside = sample(a.smooth, a, x - dx * half, y - dy * half);
    const outside = sample(a.smooth, a, x + dx * half, y + dy * half);
    const step = inside - outside;
    if (best === null || step > best.step) best = { x, y, at: r, step };
  }
  return best;
}

/** The circle through points, by least squares (Kasa). Null where they lie on a line. */
function circleThrough(points: readonly RayEdge[]): Circle | null {
  const n = points.length;
  if (n < 6) return null;
  const [mx, my] = [0, 1].map((k) => points.reduce((s, p) => s + (k ? p.y : p.x), 0) / n) as [
    number,
    number,
  ];
  let [suu, suv, svv, suuu, svvv, suvv, svuu] = [0, 0, 0, 0, 0, 0, 0];
  for (const p of points) {
    const [u, v] = [p.x - mx, p.y - my];
    suu += u * u;
    suv += u * v;
    svv += v * v;
    suuu += u * u * u;
    svvv += v * v * v;
    suvv += u * v * v;
    svuu += v * u * u;
  }
  const det = suu * svv - suv * suv;
  if (abs(det) < 1e-6) return null;
  const [p, q] = [(suuu + suvv) / 2, (svvv + svuu) / 2];
  const [u, v] = [(p * svv - q * suv) / det, (q * suu - p * suv) / det];
  return { x: mx + u, y: my + v, r: sqrt(u * u + v * v + (suu + svv) / n) };
}

const ANGLES = Array.from({ length: RAYS }, (_, i) => (2 * PI * i) / RAYS);

/**
 * Fits the edge of a liquor near a circle. Null where no even edge runs round it, or where what it encloses is no
 * liquor
 * in porcelain: it must take more light of some colour than what lies just outside.
 * @param reach how far from the circle the edge is looked for, as a share of its radius.
 */
export function fitEdge(a: Absorbance, near: Circle, reach: number): Edge | null {
  let circle: Circle = near;
  let seen: readonly RayEdge[] = [];
  for (let pass = 0; pass < PASSES; pass++) {
    const within = reach / 2 ** pass;
    const rays = ANGLES.flatMap((angle) => edgeOnRay(a, circle, angle, within) ?? []);
    const strong = rays.filter((e) => e.step > LEAST_STEP);
    const fitted = robustCircle(strong);
    if (!fitted || abs(fitted.circle.r / near.r - 1) > reach + 0.1) return null;
    circle = fitted.circle;
    seen = fitted.on;
  }
  const share = seen.length / RAYS;
  const step = median(seen.map((e) => e.step));
  if (share < (step < FAINT ? LEAST_SEEN.faint : LEAST_SEEN.clear)) return null;
  const porcelain = porcelainRound(a, circle);
  if (!isLiquor(a, circle, porcelain)) return null;
  if (!isEven(a, circle, step, porcelain) || !isOutermost(a, circle, porcelain)) return null;
  return { ...circle, score: share * share * sqrt(step), rim: rimEdge(a, circle) };
}

/** A circle through most of the points, those far off it left out. */
function robustCircle(
  points: readonly RayEdge[],
): { circle: Circle; on: readonly RayEdge[] } | null {
  let on = points;
  let circle: Circle | null = null;
  for (let i = 0; i < 4; i++) {
    circle = circleThrough(on);
    if (!circle) return null;
    const { x, y, r } = circle;
    const off = (e: RayEdge) => abs(hypot(e.x - x, e.y - y) - r) / r;
    const limit = max(OFF_CIRCLE, i < 2 ? 2 * median(on.map(off)) : 0);
    const kept = points.filter((e) => off(e) <= limit);
    if (kept.length < 6) return null;
    on = kept;
  }
  return circle && { circle, on };
}

type Rgb = readonly [red: number, green: number, blue: number];
/** Median absorbance on a ring. */
function ringOf(a: Absorbance, c: Circle, r: number): Rgb {
  const of = (channel: Float32Array) =>
    median(ANGLES.map((t) => sample(channel, a, c.x + cos(t) * r, c.y + sin(t) * r)));
  return [of(a.red), of(a.green), of(a.blue)];
}
const less = (a: Rgb, b: Rgb): Rgb => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];

/** The porcelain just outside a circle: on each ray the place that takes least light. Rims may be narrow. */
type Porcelain = { readonly median: Rgb; readonly all: readonly number[] };
function porcelainRound(a: Absorbance, c: Circle): Porcelain {
  const to = c.r + max(3, c.r * 0.05);
  const places = ANGLES.map((t) => {
    let best = { value: Infinity, x: 0, y: 0 };
    for (let r = c.r + 1; r <= to; r += 0.75) {
      const [x, y] = [c.x + cos(t) * r, c.y + sin(t) * r];
      const value = sample(a.all, a, x, y);
      if (value < best.value) best = { value, x, y };
    }
    return best;
  });
  const of = (channel: Float32Array) => median(places.map((p) => sample(channel, a, p.x, p.y)));
  return { median: [of(a.red), of(a.green), of(a.blue)], all: places.map((p) => p.value) };
}

/** A bowl's wall leaves about two thirds of the depth at nine tenths of the radius. */
const LEAST_AT_EDGE = 0.4;
/** Whether what a circle encloses can be liquor and what lies round it porcelain. */
function isLiquor(a: Absorbance, c: Circle, porcelain: Porcelain): boolean {
  const edge = less(ringOf(a, c, c.r * 0.9), porcelain.median);
  const middle = less(ringOf(a, c, c.r * 0.4), porcelain.median);
  const takes = (d: Rgb) => max(...d) > LEAST_STEP && min(...d) > -0.6 * max(...d);
  const coloured = (d: Rgb) => max(...d) - min(...d) > LEAST_COLOUR || min(...d) > DARK;
  // Deepest in the middle, and a good part of that at its edge: a ring of porcelain in between is no liquor's edge.
  const [atMiddle, atEdge] = [max(...middle), max(...edge)];
  const deeper = atMiddle > atEdge * 0.7 && atEdge > atMiddle * LEAST_AT_EDGE;
  return takes(edge) && takes(middle) && coloured(edge) && coloured(middle) && deeper;
}

const MOST_SPREAD = 0.04;
const SPREAD_SHARE = 0.15;
/** Median distance from the median. */
function spreadOf(values: readonly number[]): number {
  const middle = median(values);
  return median(values.map((v) => abs(v - middle)));
}
const valuesOn = (a: Absorbance, c: Circle, r: number): number[] =>
  ANGLES.map((t) => sample(a.all, a, c.x + cos(t) * r, c.y + sin(t) * r));

/** Liquor and porcelain are even all the way round; a pattern is not. */
function isEven(a: Absorbance, c: Circle, step: number, porcelain: Porcelain): boolean {
  const rings = [0.3, 0.5, 0.7, 0.85].map((share) => valuesOn(a, c, c.r * share));
  return [...rings, porcelain.all].every((v) => spreadOf(v) < MOST_SPREAD + step * SPREAD_SHARE);
}

/** Share of the edge's own step in colour by which what lies outside may still fall. */
const STILL_FALLS = 0.4;
/**
 * Inside a liquor absorbance goes on falling outwards; at its edge it has come to porcelain. Only a fall in colour
 * counts,
 * or a very deep one: a table whiter than the porcelain is no liquor's end.
 */
function isOutermost(a: Absorbance, c: Circle, porcelain: Porcelain): boolean {
  const edge = less(ringOf(a, c, c.r * 0.93), porcelain.median);
  const colour = (d: Rgb) => max(...d) - min(...d);
  return [1.08, 1.14, 1.2].every((share) => {
    const fall = less(porcelain.median, ringOf(a, c, c.r * share));
    const inColour = colour(fall) > STILL_FALLS * colour(edge) + 0.03 && max(...fall) > 0.05;
    return !inColour && min(...fall) < DARK;
  });
}

/** Rims are looked for up to so many radii. */
const WIDEST_RIM = 2;
/** The ground differs from porcelain by this much, absorbance of any colour. */
const OFF_RIM = 0.12;
/** Where the porcelain round a liquor ends; null where nothing sets it off. */
function rimEdge(a: Absorbance, c: Circle): number | null {
  const start = c.r + max(2, c.r * 0.025);
  const porcelain = ringOf(a, c, start);
  for (let r = start + 1; r < c.r * WIDEST_RIM; r += max(1, c.r * 0.01)) {
    const d = less(ringOf(a, c, r), porcelain);
    if (max(...d.map(abs)) > OFF_RIM) return r - max(0.5, c.r * 0.005);
  }
  return null;
}
