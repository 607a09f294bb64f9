import { type Millilitres, millilitres, type Millimetres, millimetres } from '#core/units';

type Point = readonly [r: number, z: number];
type Cubic = readonly [Point, Point, Point, Point];

/** How a kind of vessel is drawn and measured: cubic segments in (r/R, z/H), from the floor's middle to the lip. */
export type Profile = {
  readonly label: string;
  /** Inside height over radius. */
  readonly heightRatio: number;
  readonly segments: readonly Cubic[];
  /** Foot radius as a share of R, and its height in mm. */
  readonly foot: number;
  readonly footHeight: number;
};

export const PROFILES = {
  pot: {
    label: 'pot',
    heightRatio: 1.52,
    foot: 0.58,
    footHeight: 3,
    segments: [
      [
        [0, 0],
        [0.3, 0],
        [0.5, 0],
        [0.6, 0.02],
      ],
      [
        [0.6, 0.02],
        [0.9, 0.08],
        [1, 0.26],
        [1, 0.46],
      ],
      [
        [1, 0.46],
        [1, 0.74],
        [0.86, 0.93],
        [0.62, 1],
      ],
    ],
  },
  mug: {
    label: 'mug',
    heightRatio: 2.15,
    foot: 0.8,
    footHeight: 2,
    segments: [
      [
        [0, 0],
        [0.4, 0],
        [0.7, 0],
        [0.8, 0.01],
      ],
      [
        [0.8, 0.01],
        [0.93, 0.02],
        [0.95, 0.06],
        [0.955, 0.14],
      ],
      [
        [0.955, 0.14],
        [0.97, 0.4],
        [0.985, 0.7],
        [1, 1],
      ],
    ],
  },
  release: {
    label: 'release steeper',
    heightRatio: 2.05,
    foot: 0.8,
    footHeight: 10,
    segments: [
      [
        [0, 0],
        [0.2, 0],
        [0.4, 0.01],
        [0.5, 0.03],
      ],
      [
        [0.5, 0.03],
        [0.62, 0.05],
        [0.72, 0.09],
        [0.75, 0.16],
      ],
      [
        [0.75, 0.16],
        [0.83, 0.45],
        [0.92, 0.75],
        [1, 1],
      ],
    ],
  },
  lidded: {
    label: 'lidded cup',
    heightRatio: 1.42,
    foot: 0.4,
    footHeight: 4,
    segments: [
      [
        [0, 0],
        [0.15, 0],
        [0.3, 0],
        [0.38, 0.02],
      ],
      [
        [0.38, 0.02],
        [0.66, 0.1],
        [0.8, 0.34],
        [0.86, 0.62],
      ],
      [
        [0.86, 0.62],
        [0.89, 0.8],
        [0.94, 0.94],
        [1.06, 1],
      ],
    ],
  },
  pitcher: {
    label: 'pitcher',
    heightRatio: 4.1,
    foot: 0.84,
    footHeight: 2,
    segments: [
      [
        [0, 0],
        [0.4, 0],
        [0.7, 0],
        [0.82, 0.01],
      ],
      [
        [0.82, 0.01],
        [0.94, 0.015],
        [0.95, 0.04],
        [0.955, 0.09],
      ],
      [
        [0.955, 0.09],
        [0.96, 0.4],
        [0.97, 0.7],
        [1, 1],
      ],
    ],
  },
  tasting: {
    label: 'tasting set',
    heightRatio: 1.78,
    foot: 0.8,
    footHeight: 2,
    segments: [
      [
        [0, 0],
        [0.4, 0],
        [0.66, 0],
        [0.78, 0.02],
      ],
      [
        [0.78, 0.02],
        [0.92, 0.04],
        [0.96, 0.1],
        [0.965, 0.2],
      ],
      [
        [0.965, 0.2],
        [0.97, 0.5],
        [0.985, 0.8],
        [1, 1],
      ],
    ],
  },
} as const satisfies Record<string, Profile>;
export type VesselKind = keyof typeof PROFILES;
export const VESSEL_KINDS = Object.keys(PROFILES) as readonly VesselKind[];

const STEPS = 24;
const at = (s: Cubic, t: number): Point => {
  const m = 1 - t;
  const [a, b, c, d] = [m ** 3, 3 * m * m * t, 3 * m * t * t, t ** 3];
  return [
    a * s[0][0] + b * s[1][0] + c * s[2][0] + d * s[3][0],
    a * s[0][1] + b * s[1][1] + c * s[2][1] + d * s[3][1],
  ];
};

/** Height share, volume below it (in R^2 H) and radius share, from the floor up; one table a kind. */
type Row = readonly [z: number, volume: number, r: number];
const tables = new Map<VesselKind, readonly Row[]>();
function tableOf(kind: VesselKind): readonly Row[] {
  const known = tables.get(kind);
  if (known) return known;
  const points = (PROFILES[kind].segments as readonly Cubic[]).flatMap((s, i) =>
    Array.from({ length: STEPS + (i ? 0 : 1) }, (_, j) => at(s, (j + (i ? 1 : 0)) / STEPS)),
  );
  let volume = 0;
  let previous: Point = [0, 0];
  const rows: Row[] = points.map((p) => {
    volume +=
      (Math.PI / 3) * (previous[0] ** 2 + previous[0] * p[0] + p[0] ** 2) * (p[1] - previous[1]);
    previous = p;
    return [p[1], volume, p[0]];
  });
  tables.set(kind, rows);
  return rows;
}

/** Reads column `to` at the height or volume where column `from` reaches `value`. */
function read(rows: readonly Row[], from: 0 | 1, to: 0 | 1 | 2, value: number): number {
  // The first row at or past the value, by halving; all columns rise from the floor up.
  let [low, high] = [0, rows.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((rows[middle] as Row)[from] >= value) high = middle;
    else low = middle + 1;
  }
  const above = rows[low] as Row;
  const below = rows[low - 1];
  if (!below || above[from] < value) return above[to];
  const span = above[from] - below[from];
  return below[to] + (above[to] - below[to]) * (span > 0 ? (value - below[from]) / span : 0);
}

/** A vessel's inside in mm, solved from its brim. z up from the inside floor, r from the axis. */
export type SolvedVessel = {
  readonly kind: VesselKind;
  readonly radius: Millimetres;
  readonly height: Millimetres;
  readonly mouth: Millimetres;
  /** Level of so much water. At most the brim. */
  levelOf(volume: Millilitres): Millimetres;
  radiusAt(level: Millimetres): Millimetres;
  /** Water below a level; the inverse of `levelOf`. */
  volumeBelow(level: Millimetres): Millilitres;
};

/** Vessels solved before: a shelf is worked out again and again with the same few. */
const solvedBefore = new Map<VesselKind, Map<number, SolvedVessel>>();
const MOST_KEPT = 500;
/**
 * Solves a vessel's size from its kind and what it holds to the brim: volume by frusta of its profile.
 * @throws {RangeError} unless the brim is positive.
 */
export function solveVessel(kind: VesselKind, brim: Millilitres): SolvedVessel {
  if (!(brim > 0)) throw new RangeError('a vessel holds something');
  let known = solvedBefore.get(kind);
  if (!known || known.size > MOST_KEPT) solvedBefore.set(kind, (known = new Map()));
  let solved = known.get(brim);
  if (!solved) known.set(brim, (solved = solve(kind, brim)));
  return solved;
}
function solve(kind: VesselKind, brim: Millilitres): SolvedVessel {
  const rows = tableOf(kind);
  const profile: Profile = PROFILES[kind];
  const whole = rows[rows.length - 1]?.[1] ?? 1;
  const radius = Math.cbrt((brim * 1000) / (whole * profile.heightRatio));
  const height = radius * profile.heightRatio;
  const mouth = radius * (rows[rows.length - 1]?.[2] ?? 1);
  return {
    kind,
    radius: millimetres(radius),
    height: millimetres(height),
    mouth: millimetres(mouth),
    levelOf: (volume) =>
      millimetres(height * read(rows, 1, 0, (Math.max(0, volume) / brim) * whole)),
    radiusAt: (level) => millimetres(radius * read(rows, 0, 2, level / height)),
    volumeBelow: (level) =>
      millilitres((brim * read(rows, 0, 1, Math.max(0, level) / height)) / whole),
  };
}
