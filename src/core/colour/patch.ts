import { linearOf, type LinearRgb } from './photo';

/** A picture: RGBA codes, row by row. */
export type Pixels = { readonly data: Uint8ClampedArray; readonly width: number; readonly height: number };
/** A cup in a picture: its middle and the edge of its liquor, px. */
export type CupAt = { readonly x: number; readonly y: number; readonly r: number };
/** What is measured in a patch. Codes 0..255; shares of its pixels. */
export type Patch = { readonly pixels: number; readonly median: readonly [number, number, number]; readonly burnt: number; readonly black: number; readonly sdL: number; readonly sidesL: number };

/** The liquor is read inside this share of its radius, away from the pale edge; the rim in a ring outside it. */
export const LIQUOR_SHARE = 0.55;
const RIM = [1.07, 1.2] as const;
/** Fewer pixels are not a patch. */
const FEWEST = 500;

const LINEAR = Float64Array.from({ length: 256 }, (_, c) => linearOf(c));
/** By their own names: the loops over pixels ask for them millions of times. */
const { cbrt, floor, max, min } = Math;
const lightness = (y: number) => (y > 216 / 24389 ? 116 * cbrt(y) - 16 : (24389 / 27) * y);

/** Measures the pixels that a test lets in, within a box; null when there are too few. */
function measure(p: Pixels, c: CupAt, outer: number, takes: (d2: number, dx: number) => boolean): Patch | null {
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
      const l = lightness(0.2126729 * (LINEAR[r] ?? 0) + 0.7151522 * (LINEAR[g] ?? 0) + 0.072175 * (LINEAR[b] ?? 0));
      sum += l;
      squares += l * l;
      if (dx < 0) { left += l; nLeft += 1; } else { right += l; nRight += 1; }
    }
  }
  if (n < FEWEST) return null;
  const median = counts.map((h) => { let seen = 0; let code = 0; while ((seen += h[code] ?? 0) * 2 < n) code += 1; return code; }) as unknown as [number, number, number];
  return { pixels: n, median, burnt: burnt / n, black: black / n, sdL: Math.sqrt(max(0, squares / n - (sum / n) ** 2)), sidesL: nLeft > 0 && nRight > 0 ? Math.abs(left / nLeft - right / nRight) : 0 };
}

/** The liquor of a cup, in its middle. Null where the patch is too small. */
export const liquorPatch = (p: Pixels, c: CupAt): Patch | null => measure(p, c, c.r * LIQUOR_SHARE, (d2) => d2 <= (c.r * LIQUOR_SHARE) ** 2);
/** The dry rim, all round or on one side. */
export const rimPatch = (p: Pixels, c: CupAt, side: 'all' | 'left' | 'right' = 'all'): Patch | null =>
  measure(p, c, c.r * RIM[1], (d2, dx) => d2 >= (c.r * RIM[0]) ** 2 && d2 <= (c.r * RIM[1]) ** 2 && (side === 'all' || (side === 'left') === dx < 0));
export const linearMedian = (patch: Patch): LinearRgb => patch.median.map((c) => LINEAR[c] ?? 0) as unknown as LinearRgb;

/** Pictures are looked at this small for a first guess, px. */
const SMALL = 200;
/** Porcelain is so near to the brightest, and so grey. */
const PORCELAIN = { bright: 0.55, grey: 0.28 } as const;
/** A disc fills so much of its box (pi/4 is 0.785), and is so large a part of the picture. */
const ROUND = [0.62, 0.88] as const;
const LEAST_SHARE = 0.008;

/** A white bowl is about so much wider than its liquor: a first guess where the liquor is too pale to have an edge. */
const BOWL = 1.32;
/** What is so near to the brightest is bowl or pale liquor, and no table. */
const PALE = 0.68;

/** Round regions of a mask that do not touch its edge, with their middle and the radius of a disc as large. */
function discsOf(inside: readonly boolean[], w: number, h: number): CupAt[] {
  const seen = new Uint8Array(w * h);
  const found: CupAt[] = [];
  for (let start = 0; start < w * h; start++) {
    if (!inside[start] || seen[start]) continue;
    const stack = [start];
    seen[start] = 1;
    let [n, sx, sy, edge] = [0, 0, 0, false];
    let [x0, x1, y0, y1] = [w, 0, h, 0];
    while (stack.length > 0) {
      const i = stack.pop() as number;
      const [x, y] = [i % w, floor(i / w)];
      n += 1; sx += x; sy += y;
      [x0, x1, y0, y1] = [min(x0, x), max(x1, x), min(y0, y), max(y1, y)];
      if (x === 0 || y === 0 || x === w - 1 || y === h - 1) edge = true;
      for (const j of [x > 0 ? i - 1 : -1, x < w - 1 ? i + 1 : -1, y > 0 ? i - w : -1, y < h - 1 ? i + w : -1]) if (j >= 0 && inside[j] && !seen[j]) { seen[j] = 1; stack.push(j); }
    }
    const fill = n / ((x1 - x0 + 1) * (y1 - y0 + 1));
    if (!edge && n > w * h * LEAST_SHARE && fill > ROUND[0] && fill < ROUND[1]) found.push({ x: sx / n + 0.5, y: sy / n + 0.5, r: Math.sqrt(n / Math.PI) });
  }
  return found;
}

/**
 * A first guess at the cups: dark or coloured discs shut in by white; where those are too few, white discs on a table that is
 * not, whose liquor is too pale to have an edge. At most `most`, from left to right; the hand moves them.
 */
export function findCups(p: Pixels, most = 2): CupAt[] {
  const step = max(1, Math.ceil(max(p.width, p.height) / SMALL));
  const [w, h] = [floor(p.width / step), floor(p.height / step)];
  const code = (i: number, k: number) => p.data[((floor(i / w) * step) * p.width + (i % w) * step) * 4 + k] ?? 0;
  const brightness = Array.from({ length: w * h }, (_, i) => (code(i, 0) + code(i, 1) + code(i, 2)) / 3);
  const top = [...brightness].sort((a, b) => a - b)[floor(w * h * 0.985)] ?? 255;
  const white = brightness.map((v, i) => v > top * PORCELAIN.bright && (max(code(i, 0), code(i, 1), code(i, 2)) - min(code(i, 0), code(i, 1), code(i, 2))) / max(1, v) < PORCELAIN.grey);
  // A pale liquor has no edge, or one only where it is deep: then the bowl tells how wide it is.
  const bowls = discsOf(brightness.map((v) => v > top * PALE), w, h).map((b) => ({ ...b, r: b.r / BOWL }));
  const within = (l: CupAt, b: CupAt) => Math.hypot(l.x - b.x, l.y - b.y) < b.r;
  const liquors = discsOf(white.map((is) => !is), w, h).filter((l) => !bowls.some((b) => within(l, b)));
  return [...liquors.sort((a, b) => b.r - a.r), ...bowls.sort((a, b) => b.r - a.r)].slice(0, most).map((c) => ({ x: c.x * step, y: c.y * step, r: c.r * step })).sort((a, b) => a.x - b.x);
}
