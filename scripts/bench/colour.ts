// npm run bench:colour: how well cups are found in pictures of poured bowls, and how true the strengths are that are
// read from them: every style, strength, lamp and exposure. Prints JSON. `-- 3000` looks for cups in so many pictures.
import { LAMP_NAMES, renderCups } from '#core/camera';
import { type CupAt, diluted, findCups, readPhoto, standardCup } from '#core/colour';
import { pick, seeded } from '#core/numeric';
import { STYLE_IDS } from '#core/styles';
import { anyScene, drawScene, EXPOSURES, GROUNDS, RIMS } from './bowls';

const STRENGTHS = [0.5, 0.7, 1, 1.4, 2];
const round = (v: number, digits = 1) => Math.round(v * 10 ** digits) / 10 ** digits;
const percent = (part: number, whole: number) =>
  whole === 0 ? null : round((100 * part) / whole, 2);

/** A hand can draw a circle where liquor and rim differ by so much side by side, dE00. */
const DRAWABLE = 3;
const [MIDDLE_OFF, RADIUS_OFF] = [0.04, 0.06];

type Tally = { drawable: number; right: number; returned: number; wrong: number };
/** Cups found in tables drawn by chance: right, wrong, and how long it takes. */
function finder(pictures: number) {
  const random = seeded(20_261_128);
  const all: Tally = { drawable: 0, right: 0, returned: 0, wrong: 0 };
  const by = new Map<string, Tally>();
  const times: number[] = [];
  const at = <T>(list: readonly T[], i: number): T => list[i % list.length] as T;
  for (let i = 0; i < pictures; i++) {
    const strength = () => pick(random, STRENGTHS);
    const given = {
      style: at(STYLE_IDS, i),
      strengths: random() < 0.6 ? [1, strength()] : [strength()],
      rim: pick(random, RIMS),
      lamp: pick(random, LAMP_NAMES),
      exposure: pick(random, EXPOSURES),
      ground: pick(random, GROUNDS),
    };
    const { picture, truth } = drawScene(anyScene(random, given), random);
    const began = performance.now();
    const found = findCups(picture);
    times.push(performance.now() - began);
    const isRight = (c: CupAt, t: CupAt) =>
      Math.hypot(c.x - t.x, c.y - t.y) < MIDDLE_OFF * t.r && Math.abs(c.r / t.r - 1) < RADIUS_OFF;
    const drawable = truth.filter((t) => t.contrast >= DRAWABLE);
    const one: Tally = {
      drawable: drawable.length,
      right: drawable.filter((t) => found.some((c) => isRight(c, t))).length,
      returned: found.length,
      wrong: found.filter((c) => !truth.some((t) => isRight(c, t))).length,
    };
    const keys = [
      `style ${given.style}`,
      `ground ${given.ground}`,
      `rim ${given.rim}`,
      `lamp ${given.lamp}`,
      `exposure ${given.exposure}`,
    ];
    for (const key of keys)
      if (!by.has(key)) by.set(key, { drawable: 0, right: 0, returned: 0, wrong: 0 });
    for (const tally of [all, ...keys.map((k) => by.get(k) as Tally)]) {
      for (const name of Object.keys(one) as (keyof Tally)[]) tally[name] += one[name];
    }
  }
  times.sort((a, b) => a - b);
  const line = (t: Tally) => ({
    ...t,
    rightPercent: percent(t.right, t.drawable),
    wrongPercent: percent(t.wrong, t.returned),
  });
  const groups = [...by].map(([name, t]) => [name, line(t)] as const);
  return {
    pictures,
    ...line(all),
    ms: {
      median: round(times[times.length >> 1] ?? 0),
      p95: round(times[Math.floor(times.length * 0.95)] ?? 0),
    },
    largePictureMs: largePicture(),
    by: Object.fromEntries(groups),
  };
}
/** Of a picture as large as the page works on. */
function largePicture(): number {
  const random = seeded(3);
  const given = {
    style: 'green-pan',
    strengths: [1, 1.4],
    rim: 1.32,
    lamp: 'led',
    exposure: -0.2,
    ground: 'wood',
  } as const;
  const { picture } = drawScene(anyScene(random, given, 1280, 960), random);
  const times = Array.from({ length: 9 }, () => {
    const began = performance.now();
    findCups(picture);
    return performance.now() - began;
  });
  return round(times.sort((a, b) => a - b)[4] ?? 0);
}

type Row = {
  way: string;
  style: string;
  lamp: string;
  ev: number;
  s: number;
  read: number | null;
  why: string;
};
/** Strengths read where the circles are known: what the reading itself can do. */
function readings() {
  const rows: Row[] = [];
  for (const style of STYLE_IDS) {
    for (const lamp of LAMP_NAMES) {
      for (const ev of [-1, -0.5, 0, 0.5]) {
        for (const s of STRENGTHS)
          for (const tone of [false, true])
            rows.push(...readOnce(style, lamp, ev, s, tone, rows.length + 1));
      }
    }
  }
  const by = (key: (r: Row) => string, list: readonly Row[]) =>
    Object.fromEntries(
      [...new Set(list.map(key))].map((k) => [k, sumUp(list.filter((r) => key(r) === k))]),
    );
  const main = rows.filter((r) => r.way === 'reference');
  return {
    all: by((r) => r.way, rows),
    referenceByLamp: by((r) => r.lamp, main),
    referenceByExposure: by((r) => String(r.ev), main),
    referenceByStrength: by((r) => String(r.s), main),
    referenceByStyle: by((r) => r.style, main),
  };
}
function readOnce(
  style: (typeof STYLE_IDS)[number],
  lamp: (typeof LAMP_NAMES)[number],
  ev: number,
  s: number,
  tone: boolean,
  seed: number,
): Row[] {
  const house = standardCup(style);
  const shot = { lamp, exposure: ev, toneCurve: tone, noise: 2 };
  const { picture, at } = renderCups(
    [{ liquor: house }, { liquor: diluted(house, s) }],
    shot,
    seeded(seed),
    { width: 300, height: 190 },
  );
  const [reference, sample] = at;
  if (!reference || !sample) return [];
  return (
    [
      ['reference', reference],
      ['rim', null],
    ] as const
  ).map(([way, ref]) => {
    const r = readPhoto({ picture, sample, reference: ref, target: house, depthCm: 3.5 });
    const name = `${way}${tone ? ', phone tone curve' : ''}`;
    return {
      way: name,
      style,
      lamp,
      ev,
      s,
      read: r.kind === 'read' ? r.strength : null,
      why: r.kind === 'refused' ? r.why : '',
    };
  });
}
function sumUp(list: readonly Row[]) {
  const read = list.flatMap((r) => {
    if (r.read === null) return [];
    const sign = r.s === 1 || Math.sign(Math.log(r.read)) === Math.sign(Math.log(r.s));
    return [{ off: Math.abs(r.read / r.s - 1), sign }];
  });
  const why = (w: string) => list.filter((r) => r.why === w).length;
  const mean = read.reduce((sum, r) => sum + r.off, 0) / read.length;
  return {
    shots: list.length,
    acceptedPercent: percent(read.length, list.length),
    meanErrorPercent: read.length > 0 ? round(100 * mean) : null,
    signRightPercent: percent(read.filter((r) => r.sign).length, read.length),
    refused: {
      checks: why('checks'),
      tooDark: why('tooDark'),
      tooPale: why('tooPale'),
      offCurve: why('offCurve'),
    },
  };
}

const pictures = Number(process.argv[2] ?? 1200);
console.log(JSON.stringify({ bench: 'colour', finder: finder(pictures), ...readings() }, null, 1));
