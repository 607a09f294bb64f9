import { readFileSync } from 'node:fs';
import { brewCup } from '#core/cup';
import { afterPour, firstContact } from '#core/heat';
import { type KnownCup, matchCup, matchStrength, type Pour } from '#core/scaling';
import { characterOf } from '#core/styles';
import { celsius, type Grams, grams, millilitres, seconds } from '#core/units';

/* eslint-disable @typescript-eslint/no-explicit-any -- reference cases are plain JSON */
const cases = (
  JSON.parse(readFileSync('test/reference/brew.json', 'utf8')) as {
    scaling: { in: any; out: any }[];
  }
).scaling;
test('there are cases', () => expect(cases.length).toBeGreaterThanOrEqual(17));
test.each(cases.map((c, i) => [i, c.in, c.out] as const))('scaling %i', (_n, i, o) => {
  const ambient = celsius(i.ambientC);
  const pourOf = (water: number): Pour => ({
    character: characterOf(i.style),
    water: millilitres(water),
    material: i.material,
    lid: i.lid,
    ambient,
    onLeaf: (leaf: Grams) =>
      firstContact({
        water: grams(water),
        waterAt: afterPour(celsius(i.kettleC), ambient, i.pourLoss),
        material: i.material,
        wallAt: celsius(i.vesselC),
        leaf,
        leafAt: ambient,
      }),
  });
  const known: KnownCup = {
    ...pourOf(i.reference.waterMl),
    leaf: grams(i.reference.leafGrams),
    time: seconds(i.seconds),
  };
  const close = (got: number, want: number) =>
    expect(Math.abs(got / want - 1)).toBeLessThanOrEqual(1e-3);
  close(known.onLeaf(known.leaf), o.referenceSlurryC);
  expect(brewCup({ ...known, temperature: known.onLeaf(known.leaf) }).taste.strength).toBeCloseTo(
    o.referenceStrength,
    3,
  );
  const strength = matchStrength(known, pourOf(i.waterMl));
  const both = matchCup(known, pourOf(i.waterMl));
  if (strength.kind !== 'matched' || both.kind !== 'matched') throw new Error('not matched');
  close(strength.leaf, o.matchLeafGrams);
  close(both.leaf, o.matchBoth.leafGrams);
  close(both.time, o.matchBoth.seconds);
});
