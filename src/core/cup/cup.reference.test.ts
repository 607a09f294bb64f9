import { readFileSync } from 'node:fs';
import { brewAgain, brewCup, type Brewing, brewInStages, type Cup } from '#core/cup';
import { at, SOLUTES } from '#core/extraction';
import { characterOf } from '#core/styles';
import { celsius, grams, millilitres, seconds } from '#core/units';

/* eslint-disable @typescript-eslint/no-explicit-any -- reference cases are plain JSON */
const cases = JSON.parse(readFileSync('test/reference/brew.json', 'utf8')) as Record<
  string,
  { in: any; out: any }[]
>;
const each = (name: string, least: number) => {
  const list = cases[name] ?? [];
  if (list.length < least) throw new Error(`reference cases missing: ${name}`);
  return list.map((c, i) => [i, c.in, c.out] as const);
};
/** 1e-4 relative. */
const agree = (got: number, want: number) =>
  expect(Math.abs(got - want)).toBeLessThanOrEqual(1e-4 * Math.abs(want) + 1e-9);
const INDICES = [
  'strength',
  'bitterness',
  'astringency',
  'sweetness',
  'aroma',
  'stewed',
  'colour',
] as const;
/** Indices to 1e-3 absolute, the rest to 1e-4 relative; only what the case names. */
function agreeCup(got: Cup, want: any) {
  let checked = 0;
  for (const i of INDICES)
    if (want[i] !== undefined) {
      expect(Math.abs(got.taste[i] - want[i])).toBeLessThanOrEqual(1e-3);
      checked++;
    }
  for (const [name, value] of [
    ['liquorMl', got.liquor],
    ['tds', got.tds],
    ['caffeineMg', got.caffeineMg],
    ['yieldPercent', got.yieldPercent],
  ] as const) {
    if (want[name] !== undefined) {
      agree(value, want[name]);
      checked++;
    }
  }
  if (want.gramsPerLitre)
    SOLUTES.forEach((s, i) => agree(at(got.gramsPerLitre, i), want.gramsPerLitre[s]));
  expect(checked).toBeGreaterThanOrEqual(4);
}
const brewing = (i: any): Brewing => ({
  character: characterOf(i.style, i.grade),
  leaf: grams(i.leafGrams),
  water: millilitres(i.waterMl ?? i.fillMl),
  temperature: celsius(i.temperatureC),
  time: seconds(i.seconds ?? 0),
  material: i.material,
  lid: i.lid,
  cosy: i.cosy,
  ambient: i.ambientC === undefined ? undefined : celsius(i.ambientC),
  agitation: i.agitation,
  infuser: i.infuser,
  basket: i.basketMl === undefined ? undefined : millilitres(i.basketMl),
  squeeze: i.squeeze,
  milk: i.milkMlPerMl,
});

test.each(each('steep', 136))('steep %i', (_i, i, o) => agreeCup(brewCup(brewing(i)), o));
test.each(each('resteeps', 23))('resteeps %i', (_i, i, o) => {
  const cups = brewAgain(
    brewing({ ...i, seconds: 0 }),
    i.seconds.map((s: number) => ({ time: seconds(s), kept: i.keepFraction })),
  );
  expect(cups).toHaveLength(o.length);
  cups.forEach((c, n) => agreeCup(c, o[n]));
});
test.each(each('cold', 28))('cold %i', (_i, i, o) =>
  agreeCup(
    brewCup({ ...brewing({ ...i, seconds: i.hours * 3600 }), constant: i.constantTemperature }),
    o,
  ),
);
test.each(each('hybrid', 10))('hybrid %i', (_i, i, o) => {
  const { cup, endsAt } = brewInStages(
    {
      character: characterOf(i.style),
      leaf: grams(i.leafGrams),
      material: i.material,
      ambient: celsius(i.ambientC),
    },
    i.stages.map((s: any) => ({
      add: millilitres(s.addMl),
      temperature: celsius(s.temperatureC),
      time: seconds(s.seconds),
      lid: s.lid,
    })),
  );
  agree(endsAt, o.endC);
  agreeCup(cup, o);
});
