import type { StyleId } from '#core/styles';
import { celsius, seconds } from '#core/units';
import { CUP_DEPTH_CM, type Lab, labOf, type Liquor } from './appearance';
import { distance } from './difference';
import { diluted, liquorAt, standardCup, standardTime } from './liquor';
import { COLOUR_STYLES } from './pigments';

// A strength or a time read back from a measured colour. Colour says how strong, never why: more leaf, more heat and
// more time move a cup along one and the same curve.

const POINTS = 241;
const STRENGTHS = [1 / 16, 8] as const;
/** Times of the curve against the standard brew's. */
const TIMES = [1 / 32, 8] as const;
/** Reading noise of a usual instrument or a careful photo, each of L*, a*, b*. */
export const READING_NOISE = 1.5;
/** A colour so far off the curve is another style, another light or a bad patch: 99.9 % point for `READING_NOISE`. */
export const REFUSE_DISTANCE = 5.6;

/** Where a measured colour lies on a curve. */
export type Reading = {
  /** Strength against the standard (or time in s). */
  readonly value: number;
  /** Euclidean Lab distance from the curve. */
  readonly residual: number;
  /** At an end of the curve: only a bound. */
  readonly edge: boolean;
  /** Standard error of ln value at `READING_NOISE`. */
  readonly error: number;
};

function nearest(
  lab: Lab,
  [low, high]: readonly [number, number],
  colourAt: (value: number) => Lab,
): Reading {
  const step = Math.log(high / low) / (POINTS - 1);
  const curve = Array.from({ length: POINTS }, (_, i) => colourAt(low * Math.exp(i * step)));
  const far = curve.map((c) => distance(c, lab));
  let best = 0;
  far.forEach((d, i) => {
    if (d < (far[best] as number)) best = i;
  });
  const edge = best === 0 || best === POINTS - 1;
  let shift = 0;
  if (!edge) {
    // A parabola through the squared distances of the three nearest, clamped to half a cell.
    const [a, b, c] = [far[best - 1], far[best], far[best + 1]].map((d) => (d as number) ** 2) as [
      number,
      number,
      number,
    ];
    const bend = a - 2 * b + c;
    if (bend > 0) shift = Math.max(-0.5, Math.min(0.5, (0.5 * (a - c)) / bend));
  }
  const value = low * Math.exp((best + shift) * step);
  const [before, after] = [
    curve[Math.max(0, best - 1)] as Lab,
    curve[Math.min(POINTS - 1, best + 1)] as Lab,
  ];
  const slope = distance(before, after) / (edge ? step : 2 * step);
  return {
    value,
    residual: distance(colourAt(value), lab),
    edge,
    error: slope > 0 ? READING_NOISE / slope : Infinity,
  };
}

/** The strength of a reference liquor that a colour shows, at a depth. */
export const strengthFromColour = (reference: Liquor, lab: Lab, depthCm = CUP_DEPTH_CM): Reading =>
  nearest(lab, STRENGTHS, (s) => labOf(diluted(reference, s), depthCm));
/** The same against a style's standard cup. */
export const styleStrengthFromColour = (
  style: StyleId,
  lab: Lab,
  depthCm = CUP_DEPTH_CM,
): Reading => strengthFromColour(standardCup(style), lab, depthCm);
/** The time at the style's standard brew whose cup has this colour: "as strong as N s at the recipe". */
export function timeFromColour(style: StyleId, lab: Lab, depthCm = CUP_DEPTH_CM): Reading {
  const t0 = standardTime(style);
  const temperature = celsius(COLOUR_STYLES[style].brew.temperature);
  return nearest(lab, [TIMES[0] * t0, TIMES[1] * t0], (t) =>
    labOf(liquorAt(style, { time: seconds(t), temperature, leafRatio: 1 }), depthCm),
  );
}

/**
 * The time at which a brew has a colour: "as strong as 3:20 at the recipe". Null past where it can be told. @param
 * after the liquor after so many seconds.
 */
export function timeOfColour(
  lab: Lab,
  after: (seconds: number) => Liquor,
  best: number,
  depthCm = CUP_DEPTH_CM,
): number | null {
  const found = nearest(lab, [best / 8, best * 4], (t) => labOf(after(t), depthCm));
  return found.edge ? null : found.value;
}

export type ColourVerdict =
  | 'refuse'
  | 'uninformative'
  | 'onTarget'
  | 'slightlyWeaker'
  | 'slightlyStronger'
  | 'clearlyWeaker'
  | 'clearlyStronger';
const ON_TARGET = 0.12;
/** Past this error a number would pretend to know. */
const UNINFORMATIVE = 0.2;
/** What may be said of a strength read from a colour; limits are a choice (docs/colour.md). */
export function strengthVerdict(r: Reading): ColourVerdict {
  if (r.residual > REFUSE_DISTANCE) return 'refuse';
  if (r.error >= UNINFORMATIVE || r.edge) return 'uninformative';
  const off = Math.abs(Math.log(r.value));
  const limit = Math.max(ON_TARGET, 2 * r.error);
  if (off < limit) return 'onTarget';
  if (r.value < 1) return off < 2 * limit ? 'slightlyWeaker' : 'clearlyWeaker';
  return off < 2 * limit ? 'slightlyStronger' : 'clearlyStronger';
}
