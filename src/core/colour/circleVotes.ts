import type { Absorbance } from './absorbance';

const { ceil, floor, hypot, max, min } = Math;

export type Circle = { readonly x: number; readonly y: number; readonly r: number };

/** Middles are counted in squares of so many px, radii in steps of so many. */
const BIN = 2;
/** Radii looked for, as shares of the picture's shorter side. */
const LEAST_RADIUS = 0.06;
const MOST_RADIUS = 0.5;
/** A slope of less than this, per px, is noise or an even surface. */
const LEAST_SLOPE = 0.012;
/** Fewer of a circle's points than this share voting for it is chance. */
const LEAST_SHARE = 0.22;

/**
 * Circles whose rim slopes from a more absorbing inside to a less absorbing outside. Every sloping place votes for the
 * middles that lie up its slope, each radius apart; a circle's middle gathers the votes of its whole edge, a pattern's
 * votes scatter. Strongest first. @param most at most so many.
 */
export function circleCandidates(a: Absorbance, most: number): Circle[] {
  const { width, height, smooth } = a;
  const shorter = min(width, height);
  const least = max(4, shorter * LEAST_RADIUS);
  const radii = max(1, floor((shorter * MOST_RADIUS - least) / BIN) + 1);
  const [columns, rows] = [ceil(width / BIN), ceil(height / BIN)];
  const votes = new Float32Array(columns * rows * radii);
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x;
      const dx = ((smooth[i + 1] as number) - (smooth[i - 1] as number)) / 2;
      const dy = ((smooth[i + width] as number) - (smooth[i - width] as number)) / 2;
      const slope = hypot(dx, dy);
      if (slope < LEAST_SLOPE) continue;
      const [ux, uy] = [dx / slope, dy / slope];
      for (let k = 0; k < radii; k++) {
        const r = least + k * BIN;
        const cx = floor((x + ux * r) / BIN);
        const cy = floor((y + uy * r) / BIN);
        if (cx < 0 || cy < 0 || cx >= columns || cy >= rows) break;
        votes[(k * rows + cy) * columns + cx]! += 1;
      }
    }
  }
  return peaksOf(votes, { columns, rows, radii, least }, most);
}

type Grid = {
  readonly columns: number;
  readonly rows: number;
  readonly radii: number;
  readonly least: number;
};

function peaksOf(
  votes: Float32Array,
  { columns, rows, radii, least }: Grid,
  most: number,
): Circle[] {
  const at = (k: number, y: number, x: number): number =>
    votes[(k * rows + y) * columns + x] as number;
  /** Votes of a square of three bins, as a share of the circle's own points. */
  const share = (k: number, y: number, x: number): number => {
    let sum = 0;
    for (let dy = -1; dy <= 1; dy++) for (let dx = -1; dx <= 1; dx++) sum += at(k, y + dy, x + dx);
    return sum / (2 * Math.PI * (least + k * BIN));
  };
  const found: { share: number; circle: Circle }[] = [];
  for (let k = 0; k < radii; k++) {
    for (let y = 1; y < rows - 1; y++) {
      for (let x = 1; x < columns - 1; x++) {
        if (at(k, y, x) < 2) continue;
        const here = share(k, y, x);
        if (here < LEAST_SHARE) continue;
        const circle = { x: (x + 0.5) * BIN, y: (y + 0.5) * BIN, r: least + k * BIN };
        found.push({ share: here, circle });
      }
    }
  }
  found.sort((a, b) => b.share - a.share);
  const peaks: Circle[] = [];
  for (const { circle } of found) {
    const near = peaks.some(
      (p) => hypot(p.x - circle.x, p.y - circle.y) < 4 && Math.abs(p.r - circle.r) < 3.5,
    );
    if (near) continue;
    peaks.push(circle);
    if (peaks.length === most) break;
  }
  return peaks;
}
