// Pictures of bowls to measure the cup finder with. Knows nothing of how cups are found: it draws what a table with one
// or two poured bowls looks like from above, with grounds, tilt, shadow, uneven light, a mirrored lamp and noise.
import { type Lamp, photographed } from '#core/camera';
import {
  deltaE00,
  diluted,
  labOfLinear,
  linearOf,
  type Pixels,
  spectrumOf,
  standardCup,
} from '#core/colour';
import { pick, type Random } from '#core/numeric';
import type { StyleId } from '#core/styles';

/** By their own names: the loop over pixels asks for them millions of times. */
const { cos, floor, hypot, max, min, round, sin, sqrt } = Math;
/** Of two draws, the spread of a normal one. */
const TRIANGLE = sqrt(6);

export const GROUNDS = ['grey', 'wood', 'cloth', 'white', 'dark'] as const;
export type Ground = (typeof GROUNDS)[number];
export type Scene = {
  readonly width: number;
  readonly height: number;
  readonly lamp: Lamp;
  readonly exposure: number;
  readonly ground: Ground;
  /** Of the camera from upright, degrees, and the direction it leans to, radians. */
  readonly tilt: number;
  readonly lean: number;
  readonly noise: number;
  readonly bowls: readonly SceneBowl[];
};
export type SceneBowl = {
  readonly style: StyleId;
  readonly strength: number;
  readonly x: number;
  readonly y: number;
  /** Of the liquor seen from straight above, px. */
  readonly radius: number;
  /** Outer edge of the bowl over the liquor's edge. */
  readonly rim: number;
  /** A lamp mirrored in the liquor. */
  readonly mirrored: boolean;
};
/** Where a liquor is in the picture, and how far its edge differs from the rim beside it, dE00 of the codes. */
export type TrueBowl = {
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly contrast: number;
};

type Rgb = readonly [number, number, number];
const flat = (v: number) => Array.from({ length: 31 }, () => v);
const PORCELAIN = flat(0.85);
const slope = (from: number, to: number) =>
  Array.from({ length: 31 }, (_, i) => from + ((to - from) * i) / 30);
const SURFACES: Readonly<Record<Ground, readonly (readonly number[])[]>> = {
  grey: [flat(0.3), flat(0.33)],
  wood: [slope(0.1, 0.42), slope(0.05, 0.24)],
  cloth: [slope(0.55, 0.42), slope(0.24, 0.12)],
  white: [flat(0.9), flat(0.88)],
  dark: [flat(0.05), flat(0.07)],
};
/** How deep the liquor is at a share of its radius, cm: a bowl's curved wall. */
const depthAt = (share: number) => 3.5 * sqrt(max(0.02, 1 - (0.96 * share) ** 4));
const RINGS = 32;
const mix = (a: Rgb, b: Rgb, t: number): Rgb => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
  a[2] + (b[2] - a[2]) * t,
];
const dim = (a: Rgb, by: number): Rgb => [a[0] * by, a[1] * by, a[2] * by];
const labOf = (codes: Rgb) =>
  labOfLinear([linearOf(round(codes[0])), linearOf(round(codes[1])), linearOf(round(codes[2]))]);
/** 0 inside an edge, 1 outside, over about one and a half pixels. */
const beyond = (distance: number) => min(1, max(0, distance / 1.5 + 0.5));
/**
 * How far the liquor lies below the rim, in its own radii: it slides under the rim as the camera leans. A narrow rim
 * is a full bowl.
 */
const sunk = (rim: number) => min(0.25, 0.8 * (rim - 1));

/** The ground's colour at a place, by its pattern. */
function groundAt(ground: Ground, colours: readonly Rgb[], x: number, y: number): Rgb {
  const [a, b] = [colours[0] as Rgb, colours[1] as Rgb];
  if (ground === 'wood')
    return mix(a, b, 0.5 + 0.5 * sin(y / 6 + 2.2 * sin(x / 70) + 0.8 * sin(x / 17 + y / 40)));
  if (ground === 'cloth') return (floor(x / 14) + floor(y / 14)) % 2 === 0 ? a : b;
  return mix(a, b, 0.5 + 0.5 * sin(x / 40) * cos(y / 55));
}

/** Draws a scene. The same chance, the same picture. */
export function drawScene(
  scene: Scene,
  random: Random,
): { readonly picture: Pixels; readonly truth: readonly TrueBowl[] } {
  const see = photographed({
    lamp: scene.lamp,
    exposure: scene.exposure,
    toneCurve: false,
    noise: 0,
  });
  const rim: Rgb = see(PORCELAIN);
  const ground = SURFACES[scene.ground].map((r) => see(r) as Rgb);
  const squash = cos((scene.tilt * Math.PI) / 180);
  const slide = sin((scene.tilt * Math.PI) / 180);
  const [leanX, leanY] = [cos(scene.lean), sin(scene.lean)];
  const bowls = scene.bowls.map((b) => {
    const house = diluted(standardCup(b.style), b.strength);
    const rings = Array.from(
      { length: RINGS + 1 },
      (_, i) => see(spectrumOf(house, depthAt(i / RINGS))) as Rgb,
    );
    return {
      ...b,
      rings,
      rimX: b.x - leanX * slide * sunk(b.rim) * b.radius,
      rimY: b.y - leanY * slide * sunk(b.rim) * b.radius,
    };
  });
  /** Distance from a middle in radii of the tilted circle. */
  const reach = (dx: number, dy: number) => {
    const along = (dx * leanX + dy * leanY) / squash;
    const across = -dx * leanY + dy * leanX;
    return hypot(along, across);
  };
  const { width, height, noise } = scene;
  const data = new Uint8ClampedArray(width * height * 4);
  const lit = 0.08 * (random() - 0.5);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      let colour = groundAt(scene.ground, ground, x, y);
      for (const b of bowls) {
        const shadow =
          reach(x - b.rimX - b.radius * 0.12, y - b.rimY - b.radius * 0.16) / (b.radius * b.rim);
        if (shadow < 1.12)
          colour = dim(colour, 0.78 + 0.22 * min(1, max(0, (shadow - 0.96) / 0.16)));
      }
      for (const b of bowls) {
        const outer = reach(x - b.rimX, y - b.rimY) - b.radius * b.rim;
        if (outer > 1.5) continue;
        const inner = reach(x - b.x, y - b.y);
        const share = inner / b.radius;
        // The wall above the liquor is a little darker than the rim's top.
        const wall = dim(rim, 0.95 + 0.05 * min(1, max(0, (share - 1) / (b.rim - 1))));
        const ring = b.rings[min(RINGS, round(share * RINGS))] as Rgb;
        let bowl = mix(ring, wall, beyond(inner - b.radius));
        if (
          b.mirrored &&
          hypot(x - b.x - b.radius * 0.7, y - b.y + b.radius * 0.2) < b.radius * 0.1
        )
          bowl = [252, 252, 252];
        colour = mix(bowl, colour, beyond(outer));
      }
      const light = 1 + lit * (x / width - 0.5);
      const at = (y * width + x) * 4;
      for (let c = 0; c < 3; c++)
        data[at + c] = (colour[c] as number) * light + (random() + random() - 1) * TRIANGLE * noise;
      data[at + 3] = 255;
    }
  }
  const truth = bowls.map((b) => ({
    x: b.x,
    y: b.y,
    r: b.radius * sqrt(squash),
    contrast: deltaE00(labOf(b.rings[RINGS - 1] as Rgb), labOf(dim(rim, 0.95))),
  }));
  return { picture: { data, width, height }, truth };
}

export const RIMS = [1.05, 1.1, 1.15, 1.25, 1.32, 1.5, 1.8] as const;
export const EXPOSURES = [-0.8, -0.2, 0.3] as const;
const NOISES = [0.5, 1.5, 3] as const;

/** One or two bowls of a style somewhere in a picture, the rest drawn by chance. */
export function anyScene(
  random: Random,
  given: Pick<Scene, 'lamp' | 'exposure' | 'ground'> & {
    readonly style: StyleId;
    readonly strengths: readonly number[];
    readonly rim: number;
  },
  width = 480,
  height = 320,
): Scene {
  const count = given.strengths.length;
  const room = min(height * 0.47, (width / count) * 0.47) / given.rim;
  const equal = random() < 0.5;
  const first = room * (0.55 + 0.43 * random());
  const bowls = given.strengths.map((strength, i) => {
    const radius = equal ? first : room * (0.55 + 0.43 * random());
    const outer = radius * given.rim;
    const [left, right] = [(width * i) / count + outer + 2, (width * (i + 1)) / count - outer - 2];
    return {
      style: given.style,
      strength,
      x: left + max(0, right - left) * random(),
      y: outer + 2 + max(0, height - 2 * outer - 4) * random(),
      radius,
      rim: given.rim,
      mirrored: random() < 0.2,
    };
  });
  return {
    width,
    height,
    ...given,
    tilt: 15 * random(),
    lean: 2 * Math.PI * random(),
    noise: pick(random, NOISES),
    bowls,
  };
}
