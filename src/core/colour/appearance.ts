import { expOfMinus } from '#core/numeric';
import { type PigmentAmounts, PIGMENTS, SPECTRA } from './pigments';
import { D65, WAVELENGTHS, X_BAR, Y_BAR, Z_BAR } from './tables';

/** CIELAB, D65, 2-degree observer. */
export type Lab = readonly [L: number, a: number, b: number];

/** A liquor: pigment g/L and turbidity 1/cm (back-scatter at 550 nm). Strength multiplies both. */
export type Liquor = {
  readonly amounts: PigmentAmounts;
  readonly turbidity: number;
  /**
   * Measured less predicted Lab of a cup of the usual depth, where a house measured its own: added to what the
   * pigments make.
   */
  readonly shift?: Lab | undefined;
};

/** Plain water: no pigment, no haze. */
export const PLAIN_WATER: Liquor = { amounts: {}, turbidity: 0 };
/** Depth of a judging cup, cm. */
export const CUP_DEPTH_CM = 3.5;
/** Reflectance of white porcelain, flat over the spectrum: from memory. */
const PORCELAIN = 0.85;
/** Share of light that never enters the liquor: fitted by eye; sets the black floor. */
const VEILING_GLARE = 0.012;

/** Absorptivity of each pigment at each wavelength, L/(g cm). */
const EPSILON = PIGMENTS.map((p) => {
  const { e440, slope, bands } = SPECTRA[p];
  return Float64Array.from(
    WAVELENGTHS,
    (l) =>
      e440 * Math.exp(-slope * (l - 440)) +
      bands.reduce((sum, [h, m, s]) => sum + h * Math.exp(-(((l - m) / s) ** 2) / 2), 0),
  );
});
const weigh = (bar: readonly number[]) => Float64Array.from(bar, (v, i) => v * (D65[i] ?? 0));
const WX = weigh(X_BAR);
const WY = weigh(Y_BAR);
const WZ = weigh(Z_BAR);
const total = (w: Float64Array) => w.reduce((a, b) => a + b, 0);
const Y_SUM = total(WY);
/** XYZ of a perfect white from these same tables, so that it is exactly (100, 0, 0). */
const WHITE = [(100 * total(WX)) / Y_SUM, 100, (100 * total(WZ)) / Y_SUM] as const;

const fLab = (t: number) => (t > 216 / 24389 ? Math.cbrt(t) : ((24389 / 27) * t + 16) / 116);
/** 550 nm over each wavelength: how the haze scatters. */
const HAZE = Float64Array.from(WAVELENGTHS, (l) => 550 / l);
/** Least scatter, 1/cm: clear liquor falls to double-pass Beer-Lambert. */
const LEAST_SCATTER = 1e-5;

/**
 * Reflectance at one wavelength of a liquor layer on porcelain: Kubelka-Munk on a backing, with glare.
 * `k` absorption and `s` scatter in 1/cm.
 */
function reflectance(k: number, s: number, depthCm: number): number {
  let inner: number;
  if (k === 0) {
    inner = (PORCELAIN + (1 - PORCELAIN) * s * depthCm) / (1 + (1 - PORCELAIN) * s * depthCm);
  } else {
    const a = (s + k) / s;
    const b = Math.sqrt(a * a - 1);
    const e = expOfMinus(2 * b * s * depthCm);
    const bCoth = (b * (1 + e)) / (1 - e);
    inner = (1 - PORCELAIN * (a - bCoth)) / (a - PORCELAIN + bCoth);
  }
  return VEILING_GLARE + (1 - VEILING_GLARE) * inner;
}

const absorbed = new Float64Array(WAVELENGTHS.length);
/** Fills `absorbed` with the absorption of a liquor, 1/cm natural. */
function absorb(liquor: Liquor): void {
  absorbed.fill(0);
  for (let p = 0; p < PIGMENTS.length; p++) {
    const amount = liquor.amounts[PIGMENTS[p] as (typeof PIGMENTS)[number]];
    if (!amount) continue;
    const epsilon = EPSILON[p] as Float64Array;
    for (let i = 0; i < absorbed.length; i++)
      absorbed[i] = (absorbed[i] as number) + Math.LN10 * amount * (epsilon[i] as number);
  }
}
const scatterAt = (liquor: Liquor, i: number) =>
  Math.max(LEAST_SCATTER, liquor.turbidity * (HAZE[i] as number));

/** The reflectance spectrum (31 values, 400..700 nm) of a liquor seen from above. */
export function spectrumOf(liquor: Liquor, depthCm: number): number[] {
  absorb(liquor);
  return Array.from(absorbed, (k, i) => reflectance(k, scatterAt(liquor, i), depthCm));
}

/**
 * The colour of a liquor in a white cup, seen from above.
 * @throws {RangeError} unless the depth is positive.
 * @example labOf(PLAIN_WATER).map(Math.round) // [94, 0, 0]
 */
export function labOf(liquor: Liquor, depthCm: number = CUP_DEPTH_CM): Lab {
  if (!(depthCm > 0)) throw new RangeError(`no depth: ${depthCm} cm`);
  absorb(liquor);
  let x = 0;
  let y = 0;
  let z = 0;
  for (let i = 0; i < absorbed.length; i++) {
    const v = reflectance(absorbed[i] as number, scatterAt(liquor, i), depthCm);
    x += (WX[i] as number) * v;
    y += (WY[i] as number) * v;
    z += (WZ[i] as number) * v;
  }
  const lab = labOfXyz((100 * x) / Y_SUM, (100 * y) / Y_SUM, (100 * z) / Y_SUM, WHITE);
  const { shift } = liquor;
  if (!shift) return lab;
  // A thinner layer differs by less.
  const by = Math.min(1, depthCm / CUP_DEPTH_CM);
  return [
    Math.min(100, Math.max(0, lab[0] + by * shift[0])),
    lab[1] + by * shift[1],
    lab[2] + by * shift[2],
  ];
}
/** XYZ to Lab against a white in the same units (CIE 15). */
export function labOfXyz(
  x: number,
  y: number,
  z: number,
  white: readonly [number, number, number],
): Lab {
  const [fx, fy, fz] = [fLab(x / white[0]), fLab(y / white[1]), fLab(z / white[2])];
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

const clip = (v: number) => {
  if (v < 0) return 0;
  if (v > 1) return 1;
  return v;
};
function fromF(f: number): number {
  const cube = f * f * f;
  return cube > 216 / 24389 ? cube : ((116 * f - 16) * 27) / 24389;
}
/** XYZ (D65 white at Y = 1) to linear sRGB, unclipped (IEC 61966-2-1 matrix). */
export const linearOfXyz = (x: number, y: number, z: number): [number, number, number] => [
  3.2404542 * x - 1.5371385 * y - 0.4985314 * z,
  -0.969266 * x + 1.8760108 * y + 0.041556 * z,
  0.0556434 * x - 0.2040259 * y + 1.0572252 * z,
];
/** Linear sRGB of a Lab colour, each channel clipped to 0..1 (IEC 61966-2-1 matrix). */
function clippedRgb(lab: Lab): [number, number, number] {
  const fy = (lab[0] + 16) / 116;
  const x = 0.95047 * fromF(fy + lab[1] / 500);
  const y = fromF(fy);
  const z = 1.08883 * fromF(fy - lab[2] / 200);
  return linearOfXyz(x, y, z).map(clip) as [number, number, number];
}
const FROM_LINEAR_RGB = [
  [0.4124564, 0.3575761, 0.1804375],
  [0.2126729, 0.7151522, 0.072175],
  [0.0193339, 0.119192, 0.9503041],
] as const;
/** Linear sRGB (D65) to Lab. */
export function labOfLinear([r, g, b]: readonly [number, number, number]): Lab {
  const [x, y, z] = FROM_LINEAR_RGB.map(([xr, xg, xb]) => xr * r + xg * g + xb * b) as [
    number,
    number,
    number,
  ];
  return labOfXyz(x, y, z, [0.95047, 1, 1.08883]);
}
/** The Lab that a screen can show of a colour: clipping costs saturated ambers and reds up to 3.6 dE00. */
export const displayedLab = (lab: Lab): Lab => labOfLinear(clippedRgb(lab));
/** sRGB's own curve undone, 0..1 to linear 0..1 (IEC 61966-2-1). */
export const decoded = (v: number): number =>
  v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
/** The linear value from which each 8-bit code begins, and a first guess at the code of a linear value. */
const CODE_FROM = Float64Array.from({ length: 257 }, (_, c) => {
  if (c === 0) return -1;
  if (c === 256) return Infinity;
  return decoded((c - 0.5) / 255);
});
const GUESSES = 1024;
const GUESS = Uint8Array.from({ length: GUESSES + 1 }, (_, i) => {
  let code = 0;
  while ((CODE_FROM[code + 1] as number) <= i / GUESSES) code += 1;
  return code;
});
const TWO_DIGITS = Array.from({ length: 256 }, (_, c) => c.toString(16).padStart(2, '0'));
/** The 8-bit sRGB code of a linear value in 0..1, by its thresholds instead of a power. */
function codeOf(v: number): number {
  let code = GUESS[(v * GUESSES) | 0] as number;
  while (v >= (CODE_FROM[code + 1] as number)) code += 1;
  return code;
}
/** sRGB code of a Lab colour (IEC 61966-2-1), each channel clipped. @example hexOf([100, 0, 0]) // '#ffffff' */
export function hexOf(lab: Lab): string {
  const rgb = clippedRgb(lab);
  return `#${TWO_DIGITS[codeOf(rgb[0])]}${TWO_DIGITS[codeOf(rgb[1])]}${TWO_DIGITS[codeOf(rgb[2])]}`;
}

/** The Lab of an sRGB code, as a screen shows it. */
export function labOfHex(code: string): Lab {
  const channel = (from: number) => decoded(parseInt(code.slice(from, from + 2), 16) / 255);
  return labOfLinear([channel(1), channel(3), channel(5)]);
}
/** What a screen shows of a liquor at a depth. */
export const tint = (liquor: Liquor, depthCm: number = CUP_DEPTH_CM): string =>
  hexOf(labOf(liquor, depthCm));
