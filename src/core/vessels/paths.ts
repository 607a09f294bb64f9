import { millimetres } from '#core/units';
import { type Profile, PROFILES, type SolvedVessel } from './profile';

/** Paths of one vessel in px: z up becomes y down, the inside floor is y = 0. */
export type Pen = {
  readonly x: (r: number) => string;
  readonly y: (z: number) => string;
  readonly px: (mm: number) => number;
};
const n = (v: number) => Number(v.toFixed(1));
export const penFor = (scale: number): Pen => ({
  x: (r) => String(n(r * scale)),
  y: (z) => String(n(-z * scale)),
  px: (mm) => n(mm * scale),
});

type Point = readonly [number, number];
const point =
  (pen: Pen, v: SolvedVessel, side: 1 | -1, out: number) =>
  ([r, z]: Point): string =>
    `${pen.x(side * (r * v.radius + (r > 0.3 ? out : 0)))} ${pen.y(z * v.height - (z < 0.02 ? out : 0))}`;

/** The profile from lip to lip over the floor, offset outward by `out` mm. */
export function profilePath(pen: Pen, v: SolvedVessel, out: number, closed: boolean): string {
  const segments = (PROFILES[v.kind] as Profile).segments;
  const right = segments
    .map(
      (s) =>
        `C${s
          .slice(1)
          .map(point(pen, v, 1, out))
          .join(' ')}`,
    )
    .join('');
  const points: Point[] = segments.flatMap((s, i) => (i ? s.slice(1) : [...s])).reverse();
  let left = '';
  for (let i = 1; i < points.length; i += 3)
    left += `C${points
      .slice(i, i + 3)
      .map(point(pen, v, -1, out))
      .join(' ')}`;
  return `M${pen.x(-(v.mouth + out))} ${pen.y(v.height)}${left}${right}${closed ? 'Z' : ''}`;
}

const at = (v: SolvedVessel, share: number, wall: number) =>
  v.radiusAt(millimetres(share * v.height)) + wall;

/** A pot's spout, open into the pot. */
export function spoutPath(pen: Pen, v: SolvedVessel, wall: number): string {
  const { radius: R, height: H } = v;
  const { x, y } = pen;
  return `M${x(at(v, 0.3, wall) - 2)} ${y(0.3 * H)}C${x(R * 1.26)} ${y(0.36 * H)} ${x(R * 1.2)} ${y(0.86 * H)} ${x(R * 1.52)} ${y(H * 1.03)}L${x(R * 1.41)} ${y(H * 1.045)}C${x(R * 1.2)} ${y(0.95 * H)} ${x(R * 1.2)} ${y(0.8 * H)} ${x(at(v, 0.62, wall) - 2)} ${y(0.62 * H)}`;
}

/** Handle, spout lip, foot, saucer and skirt: what stands behind the inside. */
export function partPaths(pen: Pen, v: SolvedVessel, wall: number): string[] {
  const { radius: R, height: H, kind } = v;
  const { x, y } = pen;
  const profile: Profile = PROFILES[kind];
  const parts: string[] = [];
  if (kind === 'pot') {
    const a = at(v, 0.84, wall);
    const b = at(v, 0.22, wall);
    parts.push(
      `M${x(-a)} ${y(0.84 * H)}C${x(-R * 1.62)} ${y(0.98 * H)} ${x(-R * 1.62)} ${y(0.2 * H)} ${x(-b)} ${y(0.22 * H)}M${x(-a - 1)} ${y(0.74 * H)}C${x(-R * 1.42)} ${y(0.82 * H)} ${x(-R * 1.42)} ${y(0.34 * H)} ${x(-b - 3)} ${y(0.32 * H)}`,
    );
  }
  if (kind === 'mug' || kind === 'release' || kind === 'pitcher') {
    const [top, low, w] = kind === 'pitcher' ? [0.86, 0.42, 1.5] : [0.8, 0.26, 1.42];
    const a = at(v, top, wall);
    const b = at(v, low, wall);
    parts.push(
      `M${x(-a)} ${y(top * H)}C${x(-R * (w + 0.16))} ${y(top * H)} ${x(-R * (w + 0.16))} ${y(low * H)} ${x(-b)} ${y(low * H)}M${x(-a)} ${y((top - 0.09) * H)}C${x(-R * w)} ${y((top - 0.09) * H)} ${x(-R * w)} ${y((low + 0.09) * H)} ${x(-b)} ${y((low + 0.09) * H)}`,
    );
  }
  if (kind === 'pitcher')
    parts.push(`M${x(R * 0.97)} ${y(0.9 * H)}L${x(R * 1.2)} ${y(H * 1.01)}L${x(R)} ${y(H)}`);
  if (kind === 'tasting') {
    parts.push(
      `M${x(-at(v, 0.74, wall))} ${y(0.74 * H)}C${x(-R * 1.5)} ${y(0.78 * H)} ${x(-R * 1.5)} ${y(0.28 * H)} ${x(-at(v, 0.3, wall))} ${y(0.3 * H)}`,
    );
  }
  const foot = profile.foot * R;
  const under = wall + profile.footHeight;
  if (kind === 'release') {
    parts.push(
      `M${x(-0.74 * R - wall)} ${y(0.12 * H)}L${x(-foot)} ${y(-under)}M${x(0.74 * R + wall)} ${y(0.12 * H)}L${x(foot)} ${y(-under)}M${x(-5)} ${y(-wall)}L${x(-3)} ${y(-under + 4)}H${x(3)}L${x(5)} ${y(-wall)}`,
    );
  } else {
    parts.push(`M${x(-foot)} ${y(-wall)}V${y(-under)}H${x(foot)}V${y(-wall)}`);
  }
  if (kind === 'lidded') {
    parts.push(
      [-1, 1]
        .map(
          (s) =>
            `M${x(s * R * 1.2)} ${y(-1)}C${x(s * R * 0.9)} ${y(-8)} ${x(s * R * 0.6)} ${y(-under)} ${x(s * foot)} ${y(-under)}`,
        )
        .join(''),
    );
  }
  return parts;
}

/** The lid as a lens over the mouth, and its knob. */
export function lidPaths(pen: Pen, v: SolvedVessel): [string, string] {
  const { radius: R, height: H, kind } = v;
  const { x, y } = pen;
  const inset = kind === 'lidded';
  const h = R * (inset ? 0.28 : kind === 'pot' ? 0.2 : 0.13);
  const m = inset ? R * 0.9 : v.mouth + 2;
  const z = H + (inset ? -1 : 1.5);
  return [
    `M${x(-m)} ${y(z)}C${x(-m * 0.6)} ${y(z + h * 1.3)} ${x(m * 0.6)} ${y(z + h * 1.3)} ${x(m)} ${y(z)}Z`,
    `M${x(-R * 0.1)} ${y(z + h)}L${x(-R * 0.13)} ${y(z + h + R * 0.15)}H${x(R * 0.13)}L${x(R * 0.1)} ${y(z + h)}Z`,
  ];
}

/** A tasting set's bowl, standing at the right. */
export function bowlPath(pen: Pen, v: SolvedVessel): { d: string; centre: number; radius: number } {
  const radius = v.radius * 1.22;
  const centre = v.radius * 1.32 + radius;
  const h = radius * 1.02;
  const { x, y } = pen;
  return {
    centre,
    radius,
    d: `M${x(centre - radius)} ${y(h)}C${x(centre - 0.98 * radius)} ${y(0.42 * h)} ${x(centre - 0.8 * radius)} ${y(0.03 * h)} ${x(centre - 0.45 * radius)} ${y(0)}H${x(centre + 0.45 * radius)}C${x(centre + 0.8 * radius)} ${y(0.03 * h)} ${x(centre + 0.98 * radius)} ${y(0.42 * h)} ${x(centre + radius)} ${y(h)}`,
  };
}

/** What the drawing takes up around the axis and the floor, mm. */
export function extent(
  v: SolvedVessel,
  wall: number,
  lid: boolean,
  bowl: boolean,
): { left: number; right: number; top: number; bottom: number } {
  const sides = {
    pot: [1.56, 1.56],
    mug: [1.52, 1.1],
    release: [1.52, 1.1],
    pitcher: [1.62, 1.24],
    lidded: [1.24, 1.24],
    tasting: [1.44, bowl ? 3.85 : 1.12],
  } as const;
  const [l, r] = sides[v.kind];
  const profile: Profile = PROFILES[v.kind];
  return {
    left: l * v.radius,
    right: r * v.radius + 3,
    top: v.height + (lid ? v.radius * (v.kind === 'lidded' ? 0.48 : 0.42) + 4 : 6),
    bottom: wall + profile.footHeight + 1,
  };
}
