import { readFileSync } from 'node:fs';
import { searchCorrection } from '#core/corrections';
import { characterOf } from '#core/styles';
import { celsius, grams, millilitres, seconds } from '#core/units';

/* eslint-disable @typescript-eslint/no-explicit-any -- reference cases are plain JSON */
const cases = (
  JSON.parse(readFileSync('test/reference/brew.json', 'utf8')) as {
    corrections: { in: any; out: any }[];
  }
).corrections;
test('there are cases', () => expect(cases.length).toBeGreaterThanOrEqual(34));
test.each(cases.map((c, i) => [i, c.in, c.out] as const))('correction %i', (_n, i, o) => {
  const s = searchCorrection({
    style: i.style,
    recipe: i.recipe,
    marks: i.marks,
    brew: {
      character: characterOf(i.style),
      leaf: grams(i.leafGrams),
      water: millilitres(i.waterMl),
      temperature: celsius(i.temperatureC),
      time: seconds(i.seconds),
    },
  });
  for (const [name, want] of Object.entries(o.before as Record<string, number>))
    expect(Math.abs((s.before as any)[name] - want)).toBeLessThanOrEqual(1e-3);
  expect(s.costNone).toBeCloseTo(o.costNone, 3);
  expect(s.best.cost).toBeLessThanOrEqual(o.best.cost + 0.03);
  expect(s.bestSingle.cost).toBeLessThanOrEqual(o.bestSingle.cost * 1.15 + 0.03);
  // Where costs part clearly the same levers are chosen.
  if (Math.abs(s.best.cost - o.best.cost) < 0.01)
    expect(s.best.levers.map((l) => l.lever)).toEqual(o.best.levers.map((l: any) => l.lever));
  expect(s.partlyMet).toBe(o.partlyMet);
});
