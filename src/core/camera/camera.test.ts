import {
  diluted,
  labOf,
  linearOf,
  liquorPatch,
  type PhotoReading,
  readableDepth,
  readPhoto,
  rimPatch,
  standardCup,
  strengthFromColour,
  strengthVerdict,
  timeOfColour,
} from '#core/colour';
import { seeded } from '#core/numeric';
import type { StyleId } from '#core/styles';
import { D65 } from '../colour/tables';
import {
  daylight,
  type Lamp,
  LAMP_NAMES,
  renderCups,
  renderSample,
  SAMPLE_PHOTOS,
  type Shot,
} from './index';

const SHOT: Shot = { lamp: 'daylight', exposure: -0.3, toneCurve: false, noise: 1.5 };
function read(
  style: StyleId,
  strength: number,
  over: Partial<Shot> = {},
  alone = false,
): PhotoReading {
  const house = standardCup(style);
  const cup = { liquor: diluted(house, strength) };
  const { picture, at } = renderCups(
    alone ? [cup] : [{ liquor: house }, cup],
    { ...SHOT, ...over },
    seeded(5),
    { width: 240, height: 150 },
  );
  return readPhoto({
    picture,
    sample: at.at(-1) ?? { x: 0, y: 0, r: 1 },
    reference: alone ? null : (at[0] ?? null),
    target: house,
    depthCm: 3.5,
  });
}
const strengthOf = (r: PhotoReading) => (r.kind === 'read' ? r.strength : NaN);

test('the daylight components give the D65 table back (CIE 15)', () => {
  const d = daylight(6504);
  D65.forEach((v, i) => expect(Math.abs((d[i] ?? 0) - v)).toBeLessThan(0.06));
});
test('a patch: medians, burnt and black shares, evenness; too small is none', () => {
  const { picture, at } = renderSample(SAMPLE_PHOTOS[0] as (typeof SAMPLE_PHOTOS)[number]);
  const [cup] = at;
  if (!cup) throw new Error('no cup');
  const liquor = liquorPatch(picture, cup);
  expect(liquor?.pixels).toBeGreaterThan(1000);
  expect(liquor?.sdL).toBeLessThan(3);
  const rim = rimPatch(picture, cup);
  expect(Math.max(...(rim?.median ?? [0]))).toBeGreaterThan(180);
  expect(linearOf(rim?.median[0] ?? 0)).toBeGreaterThan(linearOf(liquor?.median[2] ?? 0));
  expect(rimPatch(picture, cup, 'left')?.pixels).toBeGreaterThan(200);
  expect(liquorPatch(picture, { ...cup, r: 10 })).toBeNull();
});
test.each(LAMP_NAMES.flatMap((lamp) => [0.7, 1.4].map((s): [Lamp, number] => [lamp, s])))(
  'beside a reference under %s, strength %f: within 8 %% on the whole, and always the right way',
  (lamp, s) => {
    const found = (['black-whole', 'green-pan', 'oolong-dark', 'rooibos'] as const).map((style) =>
      strengthOf(read(style, s, { lamp })),
    );
    for (const f of found) expect(Math.sign(f - 1)).toBe(Math.sign(s - 1));
    expect(found.reduce((a, f) => a + Math.abs(f / s - 1), 0) / found.length).toBeLessThan(0.08);
  },
);
test('by the rim alone: daylight is near, a lamp is not to be trusted as far; the range says so', () => {
  const day = read('black-whole', 1.3, {}, true);
  expect(Math.abs(Math.log(strengthOf(day) / 1.3))).toBeLessThan(0.15);
  const beside = read('black-whole', 1.3);
  const width = (r: PhotoReading) => (r.kind === 'read' ? Math.log(r.high / r.low) : NaN);
  expect(width(day)).toBeGreaterThan(width(beside));
});
test('refused with its reason: too dark, too pale, burnt out, in the dark, no depth, off its curve', () => {
  const why = (i: number) => {
    const s = SAMPLE_PHOTOS[i] as (typeof SAMPLE_PHOTOS)[number];
    const { picture, at } = renderSample(s);
    const r = readPhoto({
      picture,
      sample: at.at(-1) ?? { x: 0, y: 0, r: 1 },
      reference: at[0] ?? null,
      target: standardCup(s.style),
      depthCm: s.depthCm,
    });
    return r.kind === 'refused'
      ? [r.why, ...r.checks.filter((c) => c.state === 'notMet').map((c) => c.name)]
      : ['read'];
  };
  expect(why(6)).toEqual(['tooDark']);
  expect(why(7)).toEqual(['tooPale']);
  expect(why(8)).toEqual(expect.arrayContaining(['checks', 'bright']));
  expect(why(9)).toEqual(expect.arrayContaining(['checks', 'bright']));
  const { picture, at } = renderSample(SAMPLE_PHOTOS[0] as (typeof SAMPLE_PHOTOS)[number]);
  const ask = {
    picture,
    sample: at[1] as NonNullable<(typeof at)[number]>,
    reference: at[0] as NonNullable<(typeof at)[number]>,
    target: standardCup('black-whole'),
  };
  expect(readPhoto({ ...ask, depthCm: null })).toMatchObject({ kind: 'refused', why: 'checks' });
  expect(readPhoto({ ...ask, depthCm: 3.5, target: standardCup('hibiscus') })).toMatchObject({
    kind: 'refused',
  });
  expect(readPhoto({ ...ask, depthCm: 3.5, sample: { x: 2, y: 2, r: 20 } })).toMatchObject({
    kind: 'refused',
    checks: [{ name: 'size', state: 'notMet' }],
  });
});
test('what can be read shallower; and the time that a colour stands for', () => {
  for (const style of ['dark-ripe', 'black-broken'] as const) {
    const depth = readableDepth(standardCup(style), 3.5);
    expect(depth === null || depth < 3.5).toBe(true);
  }
  // What could not be told at 35 mm can be told there, at the strength that could not.
  const house = diluted(standardCup('dark-ripe'), 0.4);
  const depth = readableDepth(house, 3.5) ?? NaN;
  expect(depth).toBeLessThan(2);
  const read = strengthFromColour(house, labOf(diluted(house, 5), depth), depth);
  expect(read.value).toBeCloseTo(5, 0);
  expect(read.error).toBeLessThan(0.1);
  expect(strengthVerdict(strengthFromColour(house, labOf(diluted(house, 5))))).toBe(
    'uninformative',
  );
  const after = (s: number) => diluted(standardCup('black-whole'), Math.min(2, s / 210));
  expect(timeOfColour(labOf(after(180)), after, 210)).toBeCloseTo(180, -1);
  expect(timeOfColour(labOf(after(9999)), after, 210)).not.toBe(null);
});
