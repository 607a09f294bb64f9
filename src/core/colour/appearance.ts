import { D65, WAVELENGTHS, X_BAR, Y_BAR, Z_BAR } from './tables';
import { PIGMENTS, SPECTRA, type PigmentAmounts } from './pigments';

/** CIELAB, D65, 2-degree observer. */
export type Lab = readonly [L: number, a: number, b: number];

/** A liquor: pigment g/L and turbidity 1/cm (back-scatter at 550 nm). Strength multiplies both. */
export type Liquor = { readonly amounts: PigmentAmounts; readonly turbidity: number };

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
  return WAVELENGTHS.map((l) => e440 * Math.exp(-slope * (l - 440)) + bands.reduce((sum, [h, m, s]) => sum + h * Math.exp(-(((l - m) / s) ** 2) / 2), 0));
});
const weigh = (bar: readonly number[]) => bar.map((v, i) => v * (D65[i] ?? 0));
const WX = weigh(X_BAR);
const WY = weigh(Y_BAR);
const WZ = weigh(Z_BAR);
const total = (w: readonly number[]) => w.reduce((a, b) => a + b, 0);
const Y_SUM = total(WY);
/** XYZ of a perfect white from these same tables, so that it is exactly (100, 0, 0). */
const WHITE = [(100 * total(WX)) / Y_SUM, 100, (100 * total(WZ)) / Y_SUM] as const;

const fLab = (t: number) => (t > 216 / 24389 ? Math.cbrt(t) : ((24389 / 27) * t + 16) / 116);

/** Reflectance at one wavelength of a liquor layer on porcelain: Kubelka-Munk on a backing, with glare. */
function reflectance(absorbance: number, turbidity: number, wavelength: number, depthCm: number): number {
  const k = Math.LN10 * absorbance;
  const s = Math.max(1e-5, turbidity * (550 / wavelength));
  let inner: number;
  if (k === 0) {
    inner = (PORCELAIN + (1 - PORCELAIN) * s * depthCm) / (1 + (1 - PORCELAIN) * s * depthCm);
  } else {
    const a = (s + k) / s;
    const b = Math.sqrt(a * a - 1);
    const x = b * s * depthCm;
    const coth = x > 20 ? 1 : 1 / Math.tanh(x);
    inner = (1 - PORCELAIN * (a - b * coth)) / (a - PORCELAIN + b * coth);
  }
  return VEILING_GLARE + (1 - VEILING_GLARE) * inner;
}

/** The reflectance spectrum (31 values, 400..700 nm) of a liquor seen from above. */
export function spectrumOf(liquor: Liquor, depthCm: number): number[] {
  const present = PIGMENTS.flatMap((p, i) => (liquor.amounts[p] ? [[liquor.amounts[p], EPSILON[i] ?? []] as const] : []));
  return WAVELENGTHS.map((l, i) => {
    let absorbance = 0;
    for (const [amount, epsilon] of present) absorbance += amount * (epsilon[i] ?? 0);
    return reflectance(absorbance, liquor.turbidity, l, depthCm);
  });
}

/**
 * The colour of a liquor in a white cup, seen from above.
 * @throws {RangeError} unless the depth is positive.
 * @example labOf(PLAIN_WATER) // L* 94, a* 0, b* 0
 */
export function labOf(liquor: Liquor, depthCm: number = CUP_DEPTH_CM): Lab {
  if (!(depthCm > 0)) throw new RangeError(`no depth: ${depthCm} cm`);
  const r = spectrumOf(liquor, depthCm);
  let x = 0;
  let y = 0;
  let z = 0;
  r.forEach((v, i) => {
    x += (WX[i] ?? 0) * v;
    y += (WY[i] ?? 0) * v;
    z += (WZ[i] ?? 0) * v;
  });
  const fx = fLab((100 * x) / Y_SUM / WHITE[0]);
  const fy = fLab((100 * y) / Y_SUM / WHITE[1]);
  const fz = fLab((100 * z) / Y_SUM / WHITE[2]);
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

const TO_LINEAR_RGB = [
  [3.2404542, -1.5371385, -0.4985314],
  [-0.969266, 1.8760108, 0.041556],
  [0.0556434, -0.2040259, 1.0572252],
] as const;

/** sRGB code of a Lab colour (IEC 61966-2-1), each channel clipped. @example hexOf([100, 0, 0]) // '#ffffff' */
export function hexOf([L, a, b]: Lab): string {
  const fy = (L + 16) / 116;
  const back = (f: number) => (f ** 3 > 216 / 24389 ? f ** 3 : ((116 * f - 16) * 27) / 24389);
  const x = 0.95047 * back(fy + a / 500);
  const y = back(fy);
  const z = 1.08883 * back(fy - b / 200);
  return `#${TO_LINEAR_RGB.map(([rx, ry, rz]) => {
    const v = Math.min(1, Math.max(0, rx * x + ry * y + rz * z));
    const code = Math.round(255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055));
    return code.toString(16).padStart(2, '0');
  }).join('')}`;
}

/** What a screen shows of a liquor at a depth. */
export const tint = (liquor: Liquor, depthCm: number = CUP_DEPTH_CM): string => hexOf(labOf(liquor, depthCm));
