import { Matrix, solve } from 'ml-matrix';
import {
  CUP_DEPTH_CM,
  type CupAt,
  linearOfXyz,
  type Liquor,
  type Pixels,
  spectrumOf,
} from '#core/colour';
import type { Random } from '#core/numeric';
import { D65, WAVELENGTHS, X_BAR, Y_BAR, Z_BAR } from '../colour/tables';

// A camera that never was: for teaching, demo and tests. Sensor, tone curve and lamps are plausible, not measured.

// CIE daylight components (CIE 15), 400..700 nm, typed from memory; they give the D65 table back within 0.05
// (camera.test.ts).
const S0 = [
  94.8, 104.8, 105.9, 96.8, 113.9, 125.6, 125.5, 121.3, 121.3, 113.5, 113.1, 110.8, 106.5, 108.8,
  105.3, 104.4, 100, 96, 95.1, 89.1, 90.5, 90.3, 88.4, 84, 85.1, 81.9, 82.6, 84.9, 81.3, 71.9, 74.3,
];
const S1 = [
  43.4, 46.3, 43.9, 37.1, 36.7, 35.9, 32.6, 27.9, 24.3, 20.1, 16.2, 13.2, 8.6, 6.1, 4.2, 1.9, 0,
  -1.6, -3.5, -3.5, -5.8, -7.2, -8.6, -9.5, -10.9, -10.7, -12, -14, -13.6, -12, -13.3,
];
const S2 = [
  -1.1, -0.5, -0.7, -1.2, -2.6, -2.9, -2.8, -2.6, -2.6, -1.8, -1.5, -1.3, -1.2, -1, -0.5, -0.3, 0,
  0.2, 0.5, 2.1, 3.2, 4.1, 4.7, 5.1, 6.7, 7.3, 8.6, 9.8, 10.2, 8.3, 9.6,
];
/** Relative power of CIE daylight of a correlated colour temperature, 4000 to 7000 K. */
export function daylight(kelvin: number): number[] {
  const x = 0.244063 + 99.11 / kelvin + 2.9678e6 / kelvin ** 2 - 4.607e9 / kelvin ** 3;
  const y = -3 * x ** 2 + 2.87 * x - 0.275;
  const m = 0.0241 + 0.2562 * x - 0.7341 * y;
  // Rounded, as CIE 15 has it.
  const [m1, m2] = [
    (-1.3515 - 1.7703 * x + 5.9114 * y) / m,
    (0.03 - 31.4424 * x + 30.0717 * y) / m,
  ].map((v) => Math.round(v * 1000) / 1000) as [number, number];
  return S0.map((s, i) => s + m1 * (S1[i] ?? 0) + m2 * (S2[i] ?? 0));
}
/** CIE A, by Planck's form. */
const TUNGSTEN = WAVELENGTHS.map(
  (l) =>
    (560 / l) ** 5 *
    ((Math.exp(1.435e7 / (2848 * 560)) - 1) / (Math.exp(1.435e7 / (2848 * l)) - 1)),
);
const bump = (l: number, m: number, s: number) => Math.exp(-(((l - m) / s) ** 2) / 2);
/** A blue peak and a phosphor: invented. */
const WHITE_LED = WAVELENGTHS.map((l) => 0.9 * bump(l, 452, 11) + bump(l, 565, 58));
export const LAMPS = {
  daylight: { label: 'daylight', power: D65 },
  warmDay: { label: 'late sun (D50)', power: daylight(5003) },
  tungsten: { label: 'tungsten lamp', power: TUNGSTEN },
  led: { label: 'white LED', power: WHITE_LED },
} as const;
export type Lamp = keyof typeof LAMPS;
export const LAMP_NAMES = Object.keys(LAMPS) as readonly Lamp[];

const SENSOR = [
  [605, 34],
  [538, 38],
  [458, 28],
] as const;
const raw = (reflectance: readonly number[], power: readonly number[]) =>
  SENSOR.map(([m, s]) =>
    WAVELENGTHS.reduce(
      (sum, l, i) => sum + (reflectance[i] ?? 0) * (power[i] ?? 0) * bump(l, m, s),
      0,
    ),
  );
const linearRgb = (reflectance: readonly number[]) => {
  const [x, y, z] = [X_BAR, Y_BAR, Z_BAR].map((bar) =>
    bar.reduce((sum, v, i) => sum + v * (D65[i] ?? 0) * (reflectance[i] ?? 0), 0),
  ) as [number, number, number];
  const whole = Y_BAR.reduce((sum, v, i) => sum + v * (D65[i] ?? 0), 0);
  return linearOfXyz(x / whole, y / whole, z / whole);
};
const WHITE = WAVELENGTHS.map(() => 1);
const DAY_WHITE = raw(WHITE, D65);
/** The camera's own matrix: fitted on smooth made-up reflectances in daylight, as a maker would. */
const MATRIX = (() => {
  const chart = [
    WHITE,
    ...[430, 480, 530, 580, 630].flatMap((m) => [
      WAVELENGTHS.map((l) => 1 / (1 + Math.exp((l - m) / 18))),
      WAVELENGTHS.map((l) => 1 / (1 + Math.exp((m - l) / 18))),
      WAVELENGTHS.map((l) => 0.1 + 0.7 * bump(l, m, 40)),
    ]),
  ];
  return solve(
    new Matrix(chart.map((r) => raw(r, D65).map((v, i) => v / (DAY_WHITE[i] ?? 1)))),
    new Matrix(chart.map(linearRgb)),
  );
})();

export type Shot = {
  readonly lamp: Lamp;
  /** Exposure against one that puts the rim at 0.72 of full, stops. */
  readonly exposure: number;
  /** The phone's own picking: an S-curve and no true picture. */
  readonly toneCurve: boolean;
  /** Of one pixel, in codes. */
  readonly noise: number;
};
export type Poured = { readonly liquor: Liquor; readonly depthCm?: number };
/** A phone takes away so much of the lamp's cast, in log. */
const AUTO_WHITE = 0.7;
const RIM = WAVELENGTHS.map(() => 0.85);
const FULL = 0.72;
const TABLE = WAVELENGTHS.map((l) => 0.2 + 0.09 * ((l - 400) / 300));

/** The linear picture value of a reflectance, by camera, lamp and exposure. */
function seenBy({
  lamp,
  exposure,
}: Shot): (reflectance: readonly number[]) => [number, number, number] {
  const { power } = LAMPS[lamp];
  const white = raw(WHITE, power).map((v, i) => v / (DAY_WHITE[i] ?? 1));
  const gains = white.map((v) => ((white[1] ?? 1) / v) ** AUTO_WHITE / (white[1] ?? 1));
  const through = (r: readonly number[]) =>
    Matrix.rowVector(raw(r, power).map((v, i) => (v / (DAY_WHITE[i] ?? 1)) * (gains[i] ?? 1)))
      .mmul(MATRIX)
      .getRow(0) as [number, number, number];
  const scale = (FULL / Math.max(...through(RIM))) * 2 ** exposure;
  return (r) => through(r).map((v) => v * scale) as [number, number, number];
}
const encode = (v: number) => (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);
/** A gentle S, as phones put on every picture. */
const toned = (v: number) => v - 0.05 * Math.sin(2 * Math.PI * v);
/** The sRGB codes (0..255, not rounded) of a surface by its reflectance, 400 to 700 nm, under one lamp and exposure. */
export function photographed(
  shot: Shot,
): (reflectance: readonly number[]) => [number, number, number] {
  const see = seenBy(shot);
  const code = (v: number) => {
    const e = encode(Math.min(1, Math.max(0, v)));
    return 255 * (shot.toneCurve ? toned(e) : e);
  };
  return (reflectance) => see(reflectance).map(code) as [number, number, number];
}
const RINGS = 24;
const PICTURE = { width: 640, height: 400 } as const;
/** By their own names: the loop over pixels asks for them millions of times. */
const { floor, min, round, sin, sqrt } = Math;
const TRIANGLE = Math.sqrt(6);

/** Where the cups of such a picture stand. */
export const cupsAt = (
  n: number,
  size: { readonly width: number; readonly height: number } = PICTURE,
): CupAt[] => {
  const r = min(size.height * 0.3, (size.width / n) * 0.3);
  return Array.from({ length: n }, (_, i) => ({
    x: (size.width * (i + 0.5)) / n,
    y: size.height * 0.5,
    r,
  }));
};
/** A picture of one or two poured cups from above, white bowls on a wooden table. The same chance, the same picture. */
export function renderCups(
  cups: readonly Poured[],
  shot: Shot,
  random: Random,
  size: { readonly width: number; readonly height: number } = PICTURE,
): { picture: Pixels; at: CupAt[] } {
  const see = seenBy(shot);
  const at = cupsAt(cups.length, size);
  const r = at[0]?.r ?? 0;
  const rings = cups.map(({ liquor, depthCm = CUP_DEPTH_CM }) =>
    Array.from({ length: RINGS + 1 }, (_, i) =>
      see(spectrumOf(liquor, depthCm * Math.sqrt(Math.max(0.02, 1 - (0.96 * (i / RINGS)) ** 4)))),
    ),
  );
  const [rim, table] = [see(RIM), see(TABLE)];
  const data = new Uint8ClampedArray(size.width * size.height * 4);
  const outer = (r * 1.32) ** 2;
  const code = (v: number) => {
    const e = encode(Math.min(1, Math.max(0, v)));
    return 255 * (shot.toneCurve ? toned(e) : e);
  };
  const codes = rings.map((ring) => ring.map((rgb) => rgb.map(code)));
  const [rimCodes, plain] = [
    rim.map(code),
    Array.from({ length: 13 }, (_, i) => table.map((v) => code(v * (0.94 + 0.01 * i)))),
  ];
  for (let y = 0; y < size.height; y++) {
    for (let x = 0; x < size.width; x++) {
      const i = min(cups.length - 1, floor((x * cups.length) / size.width));
      const c = at[i] as CupAt;
      const d2 = (x - c.x) ** 2 + (y - c.y) ** 2;
      let rgb = plain[round(6 + 6 * sin(y / 7 + sin(x / 90) * 2))] ?? rimCodes;
      if (d2 <= outer) rgb = rimCodes;
      if (d2 <= r * r) rgb = codes[i]?.[round((sqrt(d2) / r) * RINGS)] ?? rimCodes;
      const k = (y * size.width + x) * 4;
      // Triangular noise of the same spread as a normal one.
      for (let j = 0; j < 3; j++)
        data[k + j] = (rgb[j] ?? 0) + (random() + random() - 1) * TRIANGLE * shot.noise;
      data[k + 3] = 255;
    }
  }
  return { picture: { data, ...size }, at };
}
