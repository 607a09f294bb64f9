import { LINEAR, type LinearRgb } from './photo';

/** A picture: RGBA codes, row by row. */
export type Pixels = {
  readonly data: Uint8ClampedArray;
  readonly width: number;
  readonly height: number;
};
/**
 * A cup in a picture: its middle, the edge of its liquor and, where it is known, the outer edge of its porcelain, px.
 */
export type CupAt = {
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly rim?: number | null;
};
/** What is measured in a patch. Codes 0..255; shares of its pixels. */
export type Patch = {
  readonly pixels: number;
  readonly median: readonly [number, number, number];
  readonly burnt: number;
  readonly black: number;
  readonly sdL: number;
  readonly sidesL: number;
};

/** The liquor is read inside this share of its radius, away from the pale edge; the rim in a ring outside it. */
export const LIQUOR_SHARE = 0.55;
/** The dry rim is read in this ring, in radii of the liquor; a narrower rim in its own middle. */
const RIM = [1.07, 1.2] as const;
const RIM_MIDDLE = [0.3, 0.8] as const;
/** The ring of the rim that is read, in radii of the liquor. */
function rimRing({ r, rim }: CupAt): readonly [inner: number, outer: number] {
  const width = rim ? rim / r - 1 : RIM[1];
  if (width * RIM_MIDDLE[1] >= RIM[1] - 1) return RIM;
  return [1 + width * RIM_MIDDLE[0], 1 + width * RIM_MIDDLE[1]];
}
/** Fewer pixels are not a patch. */
const FEWEST = 500;

/** By their own names: the loops over pixels ask for them millions of times. */
const { cbrt, floor, max, min } = Math;
const lightness = (y: number) => (y > 216 / 24389 ? 116 * cbrt(y) - 16 : (24389 / 27) * y);

/** Measures the pixels that a test lets in, within a box; null when there are too few. */
function measure(
  p: Pixels,
  c: CupAt,
  outer: number,
  takes: (d2: number, dx: number) => boolean,
): Patch | null {
  const counts = [0, 1, 2].map(() => new Uint32Array(256));
  let [n, burnt, black, sum, squares, left, right, nLeft, nRight] = [0, 0, 0, 0, 0, 0, 0, 0, 0];
  for (let y = max(0, floor(c.y - outer)); y <= min(p.height - 1, c.y + outer); y++) {
    for (let x = max(0, floor(c.x - outer)); x <= min(p.width - 1, c.x + outer); x++) {
      const dx = x - c.x;
      if (!takes(dx * dx + (y - c.y) ** 2, dx)) continue;
      const at = (y * p.width + x) * 4;
      const [r, g, b] = [p.data[at] ?? 0, p.data[at + 1] ?? 0, p.data[at + 2] ?? 0];
      (counts[0] as Uint32Array)[r]!++;
      (counts[1] as Uint32Array)[g]!++;
      (counts[2] as Uint32Array)[b]!++;
      n += 1;
      if (r === 255 || g === 255 || b === 255) burnt += 1;
      if (r === 0 || g === 0 || b === 0) black += 1;
      const l = lightness(
        0.2126729 * (LINEAR[r] ?? 0) + 0.7151522 * (LINEAR[g] ?? 0) + 0.072175 * (LINEAR[b] ?? 0),
      );
      sum += l;
      squares += l * l;
      if (dx < 0) {
        left += l;
        nLeft += 1;
      } else {
        right += l;
        nRight += 1;
      }
    }
  }
  if (n < FEWEST) return null;
  const median = counts.map((h) => {
    let seen = 0;
    let code = 0;
    while ((seen += h[code] ?? 0) * 2 < n) code += 1;
    return code;
  }) as unknown as [number, number, number];
  return {
    pixels: n,
    median,
    burnt: burnt / n,
    black: black / n,
    sdL: Math.sqrt(max(0, squares / n - (sum / n) ** 2)),
    sidesL: nLeft > 0 && nRight > 0 ? Math.abs(left / nLeft - right / nRight) : 0,
  };
}

/** The liquor of a cup, in its middle. Null where the patch is too small. */
export const liquorPatch = (p: Pixels, c: CupAt): Patch | null =>
  measure(p, c, c.r * LIQUOR_SHARE, (d2) => d2 <= (c.r * LIQUOR_SHARE) ** 2);
/** The dry rim, all round or on one side. */
export function rimPatch(
  p: Pixels,
  c: CupAt,
  side: 'all' | 'left' | 'right' = 'all',
): Patch | null {
  const [inner, outer] = rimRing(c).map((share) => c.r * share) as [number, number];
  const onSide = (dx: number) => side === 'all' || (side === 'left') === dx < 0;
  return measure(p, c, outer, (d2, dx) => d2 >= inner ** 2 && d2 <= outer ** 2 && onSide(dx));
}
export const linearMedian = (patch: Patch): LinearRgb =>
  patch.median.map((c) => LINEAR[c] ?? 0) as unknown as LinearRgb;
