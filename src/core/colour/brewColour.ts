import { type Brewing, heatOf } from '#core/cup';
import { contactFactor, heatedPanels, type Panel } from '#core/extraction';
import { GRADES, type StyleId, styleOf } from '#core/styles';
import type { Celsius, Seconds } from '#core/units';
import type { Lab, Liquor } from './appearance';
import { GAS, greenLoss, inverse } from './liquor';
import {
  COLOUR_STYLES,
  type Pigment,
  type PigmentAmounts,
  PIGMENTS,
  PLATEAU_ENERGY,
  RATE_ENERGY,
} from './pigments';
import { type Shift, shiftAt } from './swatches';

/**
 * What earlier steeps did: pigment that has left the leaf, and what lies under it, in g per litre of the whole water.
 */
export type SpentColour = {
  readonly left: PigmentAmounts;
  readonly kept: PigmentAmounts;
  readonly keptTurbidity: number;
};
/** A brew with the style whose colours it takes. */
export type ColouredBrew = Brewing & {
  readonly style: StyleId;
  /** How this house's measured cups of it differ from the model, where there are any: first steeps are drawn so. */
  readonly measured?: readonly Shift[] | undefined;
};

/** Contact against the style's own leaf, free and still: the colour constants already hold that. */
function relativeContact(b: ColouredBrew): number {
  const s = styleOf(b.style);
  return contactFactor(b.character, b) / (s.rate * GRADES[s.grade].rate);
}

/**
 * Pigments of a brew so many seconds on: they ride on the brewing model's own heat and contact. The plateau follows
 * the mean temperature, the rates the course of it. At constant temperature and free contact this is `liquorAt`.
 * A second steep has only what the first left; pigment fitting of a tea follows its pool.
 */
export function colourOfBrew(b: ColouredBrew, time: Seconds, spent?: SpentColour): Liquor {
  const panels = heatedPanels(heatOf(b), b.water, time, b.outs);
  const liquor = colourAlong(b, panels, time, spent);
  return b.measured && !spent ? { ...liquor, shift: shiftAt(b.measured, time) } : liquor;
}

/** Pigment pool of a fitted tea against its style's. Place 5 of the solutes is pigment. */
const poolOf = (b: ColouredBrew): number =>
  b.character.extractable[5] / styleOf(b.style).extractable[5];

const HAZE_ENERGY = 20_000;

function colourAlong(
  b: ColouredBrew,
  panels: readonly (Panel & { at: Celsius })[],
  time: Seconds,
  spent?: SpentColour,
): Liquor {
  const s = COLOUR_STYLES[b.style];
  const t0 = s.brew.seconds;
  const atBrew = inverse(s.brew.temperature);
  const ratio = (b.leaf / b.water / (s.brew.leafGrams / s.brew.waterMl)) * poolOf(b);
  const contact = relativeContact(b);
  const mean =
    time > 0 ? panels.reduce((sum, p) => sum + p.at * (p.to - p.from), 0) / time : b.temperature;
  const u = inverse(mean) - atBrew;
  const course = panels.map((p) => ({ dt: p.to - p.from, u: inverse(p.at) - atBrew, at: p.at }));
  const along = (energy: number) =>
    course.reduce((sum, p) => sum + Math.exp((-energy / GAS) * p.u) * p.dt, 0) * contact;
  const amounts: Partial<Record<Pigment, number>> = {};
  for (const p of PIGMENTS) {
    const standard = s.amounts[p];
    const k = s.rates[p];
    if (!standard || !k) continue;
    const plateau =
      ratio * (standard / (1 - Math.exp(-k * t0))) * Math.exp((-PLATEAU_ENERGY[p] / GAS) * u);
    amounts[p] =
      Math.max(0, plateau - (spent?.left[p] ?? 0)) * (1 - Math.exp(-k * along(RATE_ENERGY[p]))) +
      (spent?.kept[p] ?? 0);
  }
  if (amounts.CH) {
    const lost = course.reduce((sum, p) => sum + greenLoss(p.at) * p.dt, 0);
    const kept = Math.min(1, Math.exp(-lost + greenLoss(s.brew.temperature) * t0));
    amounts.PH = (amounts.PH ?? 0) + amounts.CH * (1 - kept);
    amounts.CH *= kept;
  }
  const haze = (1 - Math.exp((-1.5 / t0) * along(HAZE_ENERGY))) / (1 - Math.exp(-1.5));
  return { amounts, turbidity: s.turbidity * ratio * haze + (spent?.keptTurbidity ?? 0) };
}

/** What a pour leaves for the next steep: `poured` is the share of the liquor that left. */
export function spentBy(
  before: SpentColour | undefined,
  liquor: Liquor,
  poured: number,
): SpentColour {
  const left: Partial<Record<Pigment, number>> = {};
  const kept: Partial<Record<Pigment, number>> = {};
  for (const p of PIGMENTS) {
    const fresh = (liquor.amounts[p] ?? 0) - (before?.kept[p] ?? 0);
    if (liquor.amounts[p]) {
      left[p] = (before?.left[p] ?? 0) + Math.max(0, fresh);
      kept[p] = liquor.amounts[p] * (1 - poured);
    }
  }
  return { left, kept, keptTurbidity: liquor.turbidity * (1 - poured) };
}

/** Two liquors poured together: grams of each pigment and turbidity x ml are kept. */
export function blendLiquors(parts: readonly { liquor: Liquor; ml: number }[]): Liquor {
  const ml = parts.reduce((sum, p) => sum + p.ml, 0);
  if (!(ml > 0)) throw new RangeError('nothing to blend');
  const amounts: Partial<Record<Pigment, number>> = {};
  for (const p of PIGMENTS) {
    const g = parts.reduce((sum, part) => sum + (part.liquor.amounts[p] ?? 0) * part.ml, 0) / ml;
    if (g > 0) amounts[p] = g;
  }
  const shift = parts.some((p) => p.liquor.shift)
    ? (([0, 1, 2] as const).map(
        (i) => parts.reduce((sum, p) => sum + (p.liquor.shift?.[i] ?? 0) * p.ml, 0) / ml,
      ) as unknown as Lab)
    : undefined;
  return {
    amounts,
    turbidity: parts.reduce((sum, p) => sum + p.liquor.turbidity * p.ml, 0) / ml,
    ...(shift && { shift }),
  };
}
