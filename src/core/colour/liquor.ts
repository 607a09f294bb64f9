import type { StyleId } from '#core/styles';
import { type Celsius, type Seconds, seconds } from '#core/units';
import type { Lab, Liquor } from './appearance';
import { COLOUR_STYLES, type Pigment, PIGMENTS, PLATEAU_ENERGY, RATE_ENERGY } from './pigments';

export const GAS = 8.314;
export const inverse = (t: number) => 1 / (t + 273.15);
/** Loss of fresh green in hot water, 1/s: from memory. */
export const greenLoss = (t: number) =>
  (1 / 700) * Math.exp((-90000 / GAS) * (inverse(t) - 1 / 353.15));

/** The standard cup of a style, times a strength. */
export const standardCup = (style: StyleId, strength = 1): Liquor =>
  diluted(
    { amounts: COLOUR_STYLES[style].amounts, turbidity: COLOUR_STYLES[style].turbidity },
    strength,
  );

const scaled = ([l, a, b]: Lab, by: number): Lab => [l * by, a * by, b * by];

/** A liquor made weaker (below 1) or stronger (above 1): everything in it times `strength`. */
export function diluted(liquor: Liquor, strength: number): Liquor {
  const amounts: Partial<Record<Pigment, number>> = {};
  for (const p of PIGMENTS) if (liquor.amounts[p]) amounts[p] = liquor.amounts[p] * strength;
  return {
    amounts,
    turbidity: liquor.turbidity * strength,
    ...(liquor.shift && { shift: scaled(liquor.shift, Math.min(1, strength)) }),
  };
}

export type SteepColour = {
  readonly time: Seconds;
  readonly temperature: Celsius;
  readonly leafRatio: number;
};

/**
 * The liquor of a first steep at constant temperature; `leafRatio` is leaf per water against the style's standard brew.
 * At that brew's own time and temperature this is the standard cup exactly. Beyond 15 C of it: extrapolation.
 * @throws {RangeError} on negative time or leaf.
 */
export function liquorAt(style: StyleId, { time, temperature, leafRatio }: SteepColour): Liquor {
  if (!(time >= 0) || !(leafRatio >= 0)) throw new RangeError('a steep has a time and leaf');
  const s = COLOUR_STYLES[style];
  const t0 = s.brew.seconds;
  const u = inverse(temperature) - inverse(s.brew.temperature);
  const amounts: Partial<Record<Pigment, number>> = {};
  for (const p of PIGMENTS) {
    const standard = s.amounts[p];
    const k = s.rates[p];
    if (!standard || !k) continue;
    const plateau = (standard / (1 - Math.exp(-k * t0))) * Math.exp((-PLATEAU_ENERGY[p] / GAS) * u);
    amounts[p] =
      leafRatio * plateau * (1 - Math.exp(-k * Math.exp((-RATE_ENERGY[p] / GAS) * u) * time));
  }
  if (amounts.CH) {
    const kept = Math.min(
      1,
      Math.exp(-greenLoss(temperature) * time + greenLoss(s.brew.temperature) * t0),
    );
    amounts.PH = (amounts.PH ?? 0) + amounts.CH * (1 - kept);
    amounts.CH *= kept;
  }
  const haze =
    (1 - Math.exp((-1.5 / t0) * Math.exp((-20000 / GAS) * u) * time)) / (1 - Math.exp(-1.5));
  return { amounts, turbidity: s.turbidity * leafRatio * haze };
}

/** Seconds of the style's standard brew, the only time its colour is anchored at. */
export const standardTime = (style: StyleId): Seconds => seconds(COLOUR_STYLES[style].brew.seconds);
