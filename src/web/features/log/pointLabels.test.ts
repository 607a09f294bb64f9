import { placeLabels } from './pointLabels';

const chart = { left: 0, right: 700, top: 0, bottom: 300 };
const WORDS = '+86 s, Release steeper';

test('alone: at the right of its point, at the left near the end', () => {
  expect(placeLabels([{ x: 100, y: 50, words: WORDS }], chart)).toEqual([
    { x: 118, y: 51, anchor: 'start' },
  ]);
  expect(placeLabels([{ x: 640, y: 50, words: WORDS }], chart)).toEqual([
    { x: 622, y: 51, anchor: 'end' },
  ]);
});
test('where the next point stands in its words, the words go to the left; and between two points, lower', () => {
  const right = { x: 300, y: 52, words: WORDS };
  const [first] = placeLabels([{ x: 200, y: 50, words: WORDS }, right], chart);
  expect(first).toEqual({ x: 182, y: 51, anchor: 'end' });
  const [, between] = placeLabels(
    [{ x: 100, y: 50, words: 'x' }, { x: 200, y: 50, words: WORDS }, right],
    chart,
  );
  expect(between).toEqual({ x: 218, y: 77, anchor: 'start' });
});
test('words keep clear of other words of the chart', () => {
  const limit = { left: 120, right: 320, top: 40, bottom: 54 };
  const points = [{ x: 100, y: 50, words: WORDS }];
  expect(placeLabels(points, chart, [limit])).toEqual([{ x: 118, y: 77, anchor: 'start' }]);
});
test('words never meet others while there is room', () => {
  const points = [60, 110, 260, 330, 500].map((x, i) => ({ x, y: 40 + i * 7, words: WORDS }));
  const boxes = placeLabels(points, chart).map(({ x, y, anchor }) => {
    const left = anchor === 'start' ? x : x - WORDS.length * 7;
    return { left, right: left + WORDS.length * 7, y };
  });
  boxes.forEach((a, i) =>
    boxes
      .slice(i + 1)
      .forEach((b) =>
        expect(a.left < b.right && b.left < a.right && Math.abs(a.y - b.y) < 12).toBe(false),
      ),
  );
});
test('without any room the words stand beside their point, inside the chart', () => {
  const crowd = Array.from({ length: 12 }, (_, i) => ({ x: 300 + i * 8, y: 20, words: WORDS }));
  for (const { x, anchor } of placeLabels(crowd, chart)) {
    const left = anchor === 'start' ? x : x - WORDS.length * 7.4;
    expect(left).toBeGreaterThanOrEqual(0);
    expect(left + WORDS.length * 7.4).toBeLessThanOrEqual(700);
  }
});
