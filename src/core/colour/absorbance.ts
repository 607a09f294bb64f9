import type { Pixels } from './patch';
import { LINEAR } from './photo';

const { ceil, floor, log, max } = Math;

/**
 * How much light each place takes away, as -ln of the linear picture value, for red, green and blue. A lamp's colour
 * and
 * the exposure only add a constant to it, so edges are the same under any lamp. Row by row.
 */
export type Absorbance = {
  readonly width: number;
  readonly height: number;
  /** Picture pixels to one of these. */
  readonly step: number;
  readonly red: Float32Array;
  readonly green: Float32Array;
  readonly blue: Float32Array;
  /** The three together, weighted to where liquors absorb. */
  readonly all: Float32Array;
  /** `all`, each place averaged with its neighbours: noise is halved, edges move by less than a pixel. */
  readonly smooth: Float32Array;
};

/** Noise of dark places is held down by this much light. */
const FLOOR = 0.015;
/** Liquors take blue first; red ones green; only the darkest take red. */
const WEIGHT = { red: 0.5, green: 0.8, blue: 1 } as const;

/** A picture made small to at most `size` px a side, by averages, as absorbance. */
export function absorbanceOf(p: Pixels, size: number): Absorbance {
  const step = max(1, ceil(max(p.width, p.height) / size));
  const width = floor(p.width / step);
  const height = floor(p.height / step);
  const [red, green, blue, all] = [0, 1, 2, 3].map(() => new Float32Array(width * height)) as [
    Float32Array,
    Float32Array,
    Float32Array,
    Float32Array,
  ];
  const area = step * step;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      let [r, g, b] = [0, 0, 0];
      for (let dy = 0; dy < step; dy++) {
        let at = ((y * step + dy) * p.width + x * step) * 4;
        for (let dx = 0; dx < step; dx++) {
          r += LINEAR[p.data[at] as number] as number;
          g += LINEAR[p.data[at + 1] as number] as number;
          b += LINEAR[p.data[at + 2] as number] as number;
          at += 4;
        }
      }
      const i = y * width + x;
      red[i] = -log(r / area + FLOOR);
      green[i] = -log(g / area + FLOOR);
      blue[i] = -log(b / area + FLOOR);
      all[i] =
        WEIGHT.red * (red[i] as number) +
        WEIGHT.green * (green[i] as number) +
        WEIGHT.blue * (blue[i] as number);
    }
  }
  const smooth = smoothed(all, width, height);
  return { width, height, step, red, green, blue, all, smooth };
}

/** The same made smaller by a whole factor, by averages. */
export function reduced(a: Absorbance, by: number): Absorbance {
  if (by <= 1) return a;
  const [width, height] = [floor(a.width / by), floor(a.height / by)];
  const shrink = (channel: Float32Array): Float32Array => {
    const out = new Float32Array(width * height);
    for (let y = 0; y < height; y++) {
      for (let x = 0; x < width; x++) {
        let sum = 0;
        for (let dy = 0; dy < by; dy++) {
          const row = (y * by + dy) * a.width + x * by;
          for (let dx = 0; dx < by; dx++) sum += channel[row + dx] as number;
        }
        out[y * width + x] = sum / (by * by);
      }
    }
    return out;
  };
  const all = shrink(a.all);
  return {
    width,
    height,
    step: a.step * by,
    red: shrink(a.red),
    green: shrink(a.green),
    blue: shrink(a.blue),
    all,
    smooth: smoothed(all, width, height),
  };
}

/** Each place averaged with its eight neighbours. */
function smoothed(all: Float32Array, width: number, height: number): Float32Array {
  const across = new Float32Array(all.length);
  const out = new Float32Array(all.length);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      const left = all[x > 0 ? i - 1 : i] as number;
      const right = all[x < width - 1 ? i + 1 : i] as number;
      across[i] = (left + 2 * (all[i] as number) + right) / 4;
    }
  }
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      const above = across[y > 0 ? i - width : i] as number;
      const below = across[y < height - 1 ? i + width : i] as number;
      out[i] = (above + 2 * (across[i] as number) + below) / 4;
    }
  }
  return out;
}
