import { decoded, type Lab, labOfLinear } from './appearance';

/** Linear sRGB, 0..1. */
export type LinearRgb = readonly [r: number, g: number, b: number];

/** Decodes one 8-bit sRGB channel (IEC 61966-2-1). @example linearOf(255) // 1 */
export const linearOf = (code: number): number => decoded(code / 255);
/** `linearOf` of every code, for loops over pixels. */
export const LINEAR: Float64Array = Float64Array.from({ length: 256 }, (_, code) => linearOf(code));
/** The rim of a white cup reflects so much unless it was measured. */
const RIM = 0.85;

/** White-balances a liquor patch by the dry rim beside it: divides out the light's colour and the exposure. */
export const rimCorrected = (liquor: LinearRgb, rim: LinearRgb, rimReflectance = RIM): Lab =>
  labOfLinear(
    liquor.map((v, i) => (v / (rim[i] as number)) * rimReflectance) as unknown as LinearRgb,
  );

/**
 * The main way to read a photo: a reference cup in the same picture. What the camera got wrong of the reference it got
 * wrong of the sample too: model(reference) + (sample - reference).
 */
export const readAgainst = (model: Lab, sample: Lab, reference: Lab): Lab => [
  model[0] + sample[0] - reference[0],
  model[1] + sample[1] - reference[1],
  model[2] + sample[2] - reference[2],
];

/** What is measured of the patches of one photo. Codes 0..255; shares of the patch's pixels. */
export type PhotoFacts = {
  readonly rimMedian: readonly [number, number, number];
  readonly rimBurnt: number;
  readonly otherRimGreen: number | null;
  readonly liquorBurnt: number;
  readonly liquorBlack: number;
  readonly liquorSdL: number;
  readonly liquorSidesL: number;
  readonly depthKnown: boolean;
};
export type PhotoFault =
  | 'tooBright'
  | 'tooDark'
  | 'highlight'
  | 'outsideGamut'
  | 'unevenLight'
  | 'colouredLight'
  | 'unevenLiquor'
  | 'depthMissing';
export type PhotoCheck = {
  readonly fault: PhotoFault;
  readonly severity: 'reject' | 'warn' | 'referenceOnly';
};

const LIMIT = {
  bright: 250,
  burnt: 0.005,
  dark: 110,
  highlight: 0.01,
  black: 0.2,
  warnSides: 0.1,
  rejectSides: 0.2,
  cast: [0.6, 1.6],
  sd: 3,
  sides: 4,
} as const;

/** The acceptance checks of a photo; empty when it may be read. Thresholds are judgement (docs/colour.md). */
export function checkPhoto(f: PhotoFacts): PhotoCheck[] {
  const found: PhotoCheck[] = [];
  const add = (fault: PhotoFault, severity: PhotoCheck['severity']) =>
    found.push({ fault, severity });
  const [r, g, b] = f.rimMedian.map(linearOf) as unknown as [number, number, number];
  if (Math.max(...f.rimMedian) >= LIMIT.bright || f.rimBurnt > LIMIT.burnt)
    add('tooBright', 'reject');
  if (Math.max(...f.rimMedian) < LIMIT.dark) add('tooDark', 'reject');
  if (f.liquorBurnt > LIMIT.highlight) add('highlight', 'reject');
  if (f.liquorBlack > LIMIT.black) add('outsideGamut', 'warn');
  if (f.otherRimGreen !== null) {
    const other = linearOf(f.otherRimGreen);
    const off = Math.abs(g - other) / ((g + other) / 2);
    if (off > LIMIT.warnSides) add('unevenLight', off > LIMIT.rejectSides ? 'reject' : 'warn');
  }
  if ([r / g, b / g].some((q) => q < LIMIT.cast[0] || q > LIMIT.cast[1]))
    add('colouredLight', 'referenceOnly');
  if (f.liquorSdL > LIMIT.sd || f.liquorSidesL > LIMIT.sides) add('unevenLiquor', 'reject');
  if (!f.depthKnown) add('depthMissing', 'reject');
  return found;
}
