import { LAMP_NAMES, renderSample, SAMPLE_PHOTOS } from '#core/camera';
import {
  type CupAt,
  findCups,
  hexOf,
  labOf,
  type Pixels,
  rimPatch,
  snapCup,
  standardCup,
} from '#core/colour';
import { pick, seeded } from '#core/numeric';
import { STYLE_IDS } from '#core/styles';
import {
  anyScene,
  drawScene,
  EXPOSURES,
  GROUNDS,
  RIMS,
  type Scene,
} from '../../../scripts/bench/bowls';

/** Near enough for what is measured to lie on liquor and rim. */
const isRight = (found: CupAt, truth: CupAt): boolean =>
  Math.hypot(found.x - truth.x, found.y - truth.y) < 0.04 * truth.r &&
  Math.abs(found.r / truth.r - 1) < 0.06;

const RIM: readonly number[] = [237, 237, 237];
const TABLE: readonly number[] = [125, 118, 108];
/** Two white bowls of one even colour on grey. */
function plainBowls(colour: string, rim: number): { picture: Pixels; truth: CupAt[] } {
  const [width, height] = [450, 280];
  const codes = [1, 3, 5].map((i) => Number.parseInt(colour.slice(i, i + 2), 16));
  const r = rim > 1.5 ? 55 : 78;
  const truth = [115, 335].map((x) => ({ x, y: 140, r, rim: r * rim }));
  const data = new Uint8ClampedArray(width * height * 4).fill(255);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const middle = x < width / 2 ? 115 : 335;
      const away = (x + 0.5 - middle) ** 2 + (y + 0.5 - 140) ** 2;
      const outside = away < (r * rim) ** 2 ? RIM : TABLE;
      const paint = away < r * r ? codes : outside;
      const at = (y * width + x) * 4;
      for (let c = 0; c < 3; c++) data[at + c] = paint[c] as number;
    }
  }
  return { picture: { data, width, height }, truth };
}

test.each(STYLE_IDS)('%s: both cups of a plain picture, with rims from narrow to wide', (style) => {
  for (const rim of [1.05, 1.15, 1.32, 1.8]) {
    const { picture, truth } = plainBowls(hexOf(labOf(standardCup(style))), rim);
    const found = findCups(picture);
    expect([rim, found.length]).toEqual([rim, 2]);
    found.forEach((c, i) => {
      expect(isRight(c, truth[i] as CupAt)).toBe(true);
      expect((c.rim ?? 0) / c.r).toBeCloseTo(rim, 1);
      // The rim that is measured is the porcelain, not the table.
      expect(rimPatch(picture, c)?.median).toEqual([237, 237, 237]);
    });
  }
});

test('sixty tables by chance: nearly every cup that can be seen is found, hardly a wrong one', () => {
  const random = seeded(20_261_128);
  let [visible, right, returned, wrong] = [0, 0, 0, 0];
  for (let i = 0; i < 60; i++) {
    const style = STYLE_IDS[i % STYLE_IDS.length] ?? 'black-whole';
    const scene = anyScene(
      random,
      {
        style,
        strengths: i % 2 === 0 ? [1, pick(random, [0.5, 0.7, 1.4, 2])] : [1],
        rim: RIMS[i % RIMS.length] ?? 1.3,
        lamp: LAMP_NAMES[i % LAMP_NAMES.length] ?? 'daylight',
        exposure: EXPOSURES[i % EXPOSURES.length] ?? 0,
        ground: GROUNDS[i % GROUNDS.length] ?? 'grey',
      },
      360,
      240,
    );
    const { picture, truth } = drawScene(scene, random);
    const found = findCups(picture);
    const clear = truth.filter((t) => t.contrast >= 3);
    visible += clear.length;
    right += clear.filter((t) => found.some((c) => isRight(c, t))).length;
    returned += found.length;
    wrong += found.filter((c) => !truth.some((t) => isRight(c, t))).length;
  }
  expect(right / visible).toBeGreaterThan(0.95);
  expect(wrong / returned).toBeLessThan(0.02);
});

test('a table without a bowl, and bowls of plain water, have no cups', () => {
  for (const [i, ground] of GROUNDS.entries()) {
    const random = seeded(i);
    const given = {
      style: 'white',
      strengths: [0.02],
      rim: 1.3,
      lamp: 'led',
      exposure: -0.2,
      ground,
    } as const;
    const water: Scene = anyScene(random, given, 300, 200);
    expect(findCups(drawScene(water, random).picture)).toEqual([]);
    expect(findCups(drawScene({ ...water, bowls: [] }, random).picture)).toEqual([]);
  }
  const noise = new Uint8ClampedArray(300 * 200 * 4).map((_, i) =>
    i % 4 === 3 ? 255 : 90 + ((i * 7) % 25),
  );
  expect(findCups({ data: noise, width: 300, height: 200 })).toEqual([]);
});

test.each(SAMPLE_PHOTOS.map((s) => [s.name, s] as const))(
  'made-up photo "%s": its cups are found',
  (_name, s) => {
    const { picture, at } = renderSample(s);
    const found = findCups(picture);
    expect(found).toHaveLength(at.length);
    found.forEach((c, i) => expect(isRight(c, at[i] as CupAt)).toBe(true));
  },
);

test('a circle let go near a liquor lies down on its edge; far from any it stays', () => {
  const { picture, truth } = plainBowls('#ebe3af', 1.15);
  const [cup] = truth as [CupAt];
  const snapped = snapCup(picture, { x: cup.x + 14, y: cup.y - 10, r: cup.r * 0.85 });
  expect(snapped && isRight(snapped, cup)).toBe(true);
  expect(snapCup(picture, { x: 225, y: 140, r: 30 })).toBeNull();
});
