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

/** A point in mm: across from the axis, up from the floor. */
type Mm = readonly [across: number, up: number];
/** The strokes of a path, in mm as a vessel is measured. */
function strokes({ x, y }: Pen) {
  const at = ([across, up]: Mm) => `${x(across)} ${y(up)}`;
  return {
    move: (...to: Mm) => `M${at(to)}`,
    line: (...to: Mm) => `L${at(to)}`,
    curve: (...by: readonly [Mm, Mm, Mm]) => `C${by.map(at).join(' ')}`,
    across: (to: number) => `H${x(to)}`,
    up: (to: number) => `V${y(to)}`,
  };
}

/** A pot's spout, open into the pot. */
export function spoutPath(pen: Pen, v: SolvedVessel, wall: number): string {
  const { radius: R, height: H } = v;
  const { move, line, curve } = strokes(pen);
  return [
    move(at(v, 0.3, wall) - 2, 0.3 * H),
    curve([R * 1.26, 0.36 * H], [R * 1.2, 0.86 * H], [R * 1.52, H * 1.03]),
    line(R * 1.41, H * 1.045),
    curve([R * 1.2, 0.95 * H], [R * 1.2, 0.8 * H], [at(v, 0.62, wall) - 2, 0.62 * H]),
  ].join('');
}

/** Handle, spout lip, foot, saucer and skirt: what stands behind the inside. */
export function partPaths(pen: Pen, v: SolvedVessel, wall: number): string[] {
  const { radius: R, height: H, kind } = v;
  const { move, line, curve, across, up } = strokes(pen);
  const profile: Profile = PROFILES[kind];
  const parts: string[] = [];
  if (kind === 'pot') {
    const a = at(v, 0.84, wall);
    const b = at(v, 0.22, wall);
    parts.push(
      [
        move(-a, 0.84 * H),
        curve([-R * 1.62, 0.98 * H], [-R * 1.62, 0.2 * H], [-b, 0.22 * H]),
        move(-a - 1, 0.74 * H),
        curve([-R * 1.42, 0.82 * H], [-R * 1.42, 0.34 * H], [-b - 3, 0.32 * H]),
      ].join(''),
    );
  }
  if (kind === 'mug' || kind === 'release' || kind === 'pitcher') {
    const [top, low, w] = kind === 'pitcher' ? [0.86, 0.42, 1.5] : [0.8, 0.26, 1.42];
    const a = at(v, top, wall);
    const b = at(v, low, wall);
    parts.push(
      [
        move(-a, top * H),
        curve([-R * (w + 0.16), top * H], [-R * (w + 0.16), low * H], [-b, low * H]),
        move(-a, (top - 0.09) * H),
        curve([-R * w, (top - 0.09) * H], [-R * w, (low + 0.09) * H], [-b, (low + 0.09) * H]),
      ].join(''),
    );
  }
  if (kind === 'pitcher')
    parts.push([move(R * 0.97, 0.9 * H), line(R * 1.2, H * 1.01), line(R, H)].join(''));
  if (kind === 'tasting') {
    parts.push(
      [
        move(-at(v, 0.74, wall), 0.74 * H),
        curve([-R * 1.5, 0.78 * H], [-R * 1.5, 0.28 * H], [-at(v, 0.3, wall), 0.3 * H]),
      ].join(''),
    );
  }
  const foot = profile.foot * R;
  const under = wall + profile.footHeight;
  if (kind === 'release') {
    parts.push(
      [
        move(-0.74 * R - wall, 0.12 * H),
        line(-foot, -under),
        move(0.74 * R + wall, 0.12 * H),
        line(foot, -under),
        move(-5, -wall),
        line(-3, -under + 4),
        across(3),
        line(5, -wall),
      ].join(''),
    );
  } else {
    parts.push([move(-foot, -wall), up(-under), across(foot), up(-wall)].join(''));
  }
  if (kind === 'lidded') {
    parts.push(
      [-1, 1]
        .map((s) =>
          [
            move(s * R * 1.2, -1),
            curve([s * R * 0.9, -8], [s * R * 0.6, -under], [s * foot, -under]),
          ].join(''),
        )
        .join(''),
    );
  }
  return parts;
}

/** The lid as a lens over the mouth, and its knob. */
export function lidPaths(pen: Pen, v: SolvedVessel): [string, string] {
  const { radius: R, height: H, kind } = v;
  const { move, line, curve, across } = strokes(pen);
  const inset = kind === 'lidded';
  const h = R * lidRise(inset, kind);
  const m = inset ? R * 0.9 : v.mouth + 2;
  const z = H + (inset ? -1 : 1.5);
  return [
    [move(-m, z), curve([-m * 0.6, z + h * 1.3], [m * 0.6, z + h * 1.3], [m, z]), 'Z'].join(''),
    [
      move(-R * 0.1, z + h),
      line(-R * 0.13, z + h + R * 0.15),
      across(R * 0.13),
      line(R * 0.1, z + h),
      'Z',
    ].join(''),
  ];
}

/** How high a lid rises, of the radius. */
function lidRise(inset: boolean, kind: keyof typeof PROFILES) {
  if (inset) return 0.28;
  if (kind === 'pot') return 0.2;
  return 0.13;
}

/** A tasting set's bowl, standing at the right. */
export function bowlPath(pen: Pen, v: SolvedVessel): { d: string; centre: number; radius: number } {
  const radius = v.radius * 1.22;
  const centre = v.radius * 1.32 + radius;
  const h = radius * 1.02;
  const { move, curve, across } = strokes(pen);
  return {
    centre,
    radius,
    d: [
      move(centre - radius, h),
      curve(
        [centre - 0.98 * radius, 0.42 * h],
        [centre - 0.8 * radius, 0.03 * h],
        [centre - 0.45 * radius, 0],
      ),
      across(centre + 0.45 * radius),
      curve(
        [centre + 0.8 * radius, 0.03 * h],
        [centre + 0.98 * radius, 0.42 * h],
        [centre + radius, h],
      ),
    ].join(''),
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
