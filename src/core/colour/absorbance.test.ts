import { seeded } from '../numeric/index';
import { absorbanceOf, reduced } from './absorbance';

const picture = (
  width: number,
  height: number,
  colour: (x: number, y: number) => [number, number, number],
) => {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) data.set([...colour(x, y), 255], (y * width + x) * 4);
  return { data, width, height };
};
/** An sRGB value of so much light. */
const shown = (light: number) =>
  Math.round(255 * (light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055));
const grey = (light: number): [number, number, number] => [
  shown(light),
  shown(light),
  shown(light),
];

test('the darker, the more is absorbed; white absorbs next to nothing', () => {
  const of = (light: number) =>
    absorbanceOf(
      picture(4, 4, () => grey(light)),
      4,
    ).green[0] ?? NaN;
  expect(of(1)).toBeCloseTo(0, 1);
  const lights = [0.9, 0.6, 0.3, 0.1, 0.03];
  const found = lights.map(of);
  expect([...found].sort((a, b) => a - b)).toEqual(found);
  for (const [i, light] of lights.entries())
    expect(found[i]).toBeCloseTo(-Math.log(light + 0.015), 1);
});
test('half the light moves everything alike, so that an edge stays as high', () => {
  const step = (light: number) => {
    const a = absorbanceOf(
      picture(2, 1, (x) => grey(x === 0 ? light : light / 2)),
      2,
    );
    return (a.blue[1] ?? NaN) - (a.blue[0] ?? NaN);
  };
  expect(step(0.8)).toBeCloseTo(Math.LN2, 1);
  expect(Math.abs(step(0.8) - step(0.4))).toBeLessThan(0.05);
});
test('made small it is an average of light, with no more pixels a side than asked for', () => {
  const chance = seeded(7);
  const p = picture(300, 180, () => grey(0.2 + 0.5 * chance()));
  for (const size of [300, 100, 64]) {
    const a = absorbanceOf(p, size);
    expect(Math.max(a.width, a.height)).toBeLessThanOrEqual(size);
    expect(a.width * a.step).toBeLessThanOrEqual(300);
  }
  // Five by five pixels a cell: the light of each is near the mean of all.
  const { green } = absorbanceOf(p, 64);
  const mean = green.reduce((sum, v) => sum + v, 0) / green.length;
  expect(mean).toBeCloseTo(-Math.log(0.45 + 0.015), 1);
});
test('a picture of one pixel a side, or a line of them, is read', () => {
  expect(
    absorbanceOf(
      picture(1, 1, () => grey(0.5)),
      64,
    ),
  ).toMatchObject({ width: 1, height: 1 });
  expect(
    absorbanceOf(
      picture(500, 1, () => grey(0.5)),
      500,
    ),
  ).toMatchObject({ width: 500, height: 1 });
});
test('a whole factor smaller has the mean of its cells; a factor of one is the same', () => {
  const a = absorbanceOf(
    picture(8, 8, (x) => grey(x < 4 ? 0.8 : 0.2)),
    8,
  );
  expect(reduced(a, 1)).toBe(a);
  const small = reduced(a, 4);
  expect([small.width, small.height]).toEqual([2, 2]);
  expect(small.all[0]).toBeCloseTo(a.all[0] ?? NaN, 5);
  expect(small.all[1]).toBeCloseTo(a.all[7] ?? NaN, 5);
});
