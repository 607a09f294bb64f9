import type { HouseKettle } from '#core/heat';
import { startingRecipe } from '#core/recipes';
import { celsius, epochMs, millilitres, seconds } from '#core/units';
import { cardOfPour, planOfPour, potPour } from '../testing/potPour';
import { asDone, kettleWaitOf, stepNow, stepsOf, stepStates, stepWords, waterRightAt } from '.';

// A kettle that only boils: its water waits until it is as hot as the card wants it.

const STYLE = 'green-pan';
/** Loses nine ten-thousandths of its excess over the room a second, whatever its heat: by hand below. */
const RATE = { a: 0.0009, b: 0 };
const STOVE: HouseKettle = {
  ...{
    name: 'Stove kettle',
    kind: 'kettle',
    volume: millilitres(1700),
    material: 'stainless',
    lid: false,
  },
  ...{ setPoints: null, rate: RATE, pourLoss: null },
};
const POUR = potPour(STYLE, {
  kettle: STOVE,
  version: { recipe: { ...startingRecipe(STYLE), temperature: celsius(80) } },
});
const PLAN = planOfPour(POUR);
const ON = epochMs(Date.UTC(2026, 2, 11, 10));
const wait = PLAN.kettleUsed?.wait ?? 0;
const boiled = (before: number, key = 'heat') => ({
  ...{ key, at: epochMs(ON - before * 1000), outcome: 'done' as const },
});
const waited = (before: number) => kettleWaitOf(PLAN, [boiled(before)], ON);

test('the plan keeps how the kettle cools, and its wait is that cooling by hand', () => {
  expect(PLAN.kettleUsed).toMatchObject({ name: 'Stove kettle', set: null, cools: { ...RATE } });
  const { cools } = PLAN.kettleUsed ?? {};
  expect(cools?.from).toBeCloseTo(100, 0);
  // From 100 to what the kettle should be, at 20 °C: ln(80 / (K - 20)) / a.
  expect(wait).toBeCloseTo(Math.log(((cools?.from ?? 0) - 20) / (PLAN.kettle - 20)) / 0.0009, 3);
  // The pour, the warmed wall and the leaf take a little of each degree.
  expect(cools?.arrives).toBeGreaterThan(0.75);
  expect(cools?.arrives).toBeLessThan(0.95);
});
test('waited as long as the card says it is the card; shorter is hotter, longer is cooler', () => {
  expect(waited(wait)?.off).toBeCloseTo(0, 6);
  expect(waited(wait - 120)?.off).toBeGreaterThan(4);
  expect(waited(wait + 180)?.off).toBeLessThan(-4);
});
test('poured at the boil it is what boiling water comes to on this leaf', () => {
  // The card of the same pour at a heat that only boiling water makes.
  const boiling = cardOfPour({
    ...POUR,
    version: { recipe: { ...POUR.version.recipe, temperature: celsius(100) } },
  });
  const atOnce = asDone(PLAN, STYLE, {
    ...{ steeped: seconds(120), waterOn: ON, marks: [boiled(0)], readings: [] },
  });
  expect(atOnce.kettleWait?.waited).toBe(0);
  expect(atOnce.brew.temperature).toBeCloseTo(boiling.onLeaf, 0);
});
test('a forecast of the cup has the wait in it; a thermometer goes before it', () => {
  const recorded = {
    ...{ steeped: seconds(120), waterOn: ON, marks: [boiled(wait + 240)], readings: [] },
  };
  const long = asDone(PLAN, STYLE, recorded);
  expect(long.brew.temperature).toBeCloseTo(PLAN.onLeaf + (long.kettleWait?.off ?? 0), 9);
  const readings = [{ at: epochMs(ON + 500), celsius: celsius(PLAN.onLeaf) }];
  const read = asDone(PLAN, STYLE, { ...recorded, readings });
  expect(read.brew.temperature).toBeCloseTo(PLAN.onLeaf, 0);
});
test('nothing is made of a wait that nobody recorded, of cold water in its place, or of a boil long ago', () => {
  expect(kettleWaitOf(PLAN, [], ON)).toBeNull();
  expect(kettleWaitOf(PLAN, [boiled(20), boiled(15, 'wait')], ON)).toBeNull();
  // Without cold water to go in, the same touch says that it waited.
  const dry = { ...PLAN, splash: null };
  expect(kettleWaitOf(dry, [boiled(20), boiled(15, 'wait')], ON)?.waited).toBe(20);
  expect(kettleWaitOf(PLAN, [{ ...boiled(60), outcome: 'skipped' }], ON)).toBeNull();
  expect(waited(3600)).toBeNull();
  // A boil that is said after the water went on.
  expect(waited(-30)).toBeNull();
  expect(kettleWaitOf({ ...PLAN, kettleUsed: null }, [boiled(60)], ON)).toBeNull();
  // A brew of before the kettle's cooling was kept.
  const { name, set } = PLAN.kettleUsed ?? { name: '', set: null };
  const old = { ...PLAN, kettleUsed: { name, set, wait: seconds(90) } };
  expect([kettleWaitOf(old, [boiled(60)], ON), waterRightAt(old, [boiled(60)])]).toEqual([
    null,
    null,
  ]);
});
test('the wait is a step between the boil and the pour, and is over with the pour', () => {
  const steps = stepsOf(PLAN);
  const kinds = steps.map((s) => s.kind);
  expect(kinds.slice(kinds.indexOf('heat'), kinds.indexOf('pour') + 1)).toEqual([
    ...['heat', 'wait', 'pour'],
  ]);
  const warming = { kind: 'warming', since: epochMs(ON - 400_000) } as const;
  const marks = [boiled(60)];
  expect(stepNow(PLAN, warming, marks, ON)?.kind).toBe('wait');
  expect(waterRightAt(PLAN, marks)).toBe(ON - 60_000 + wait * 1000);
  const states = stepStates(steps, { kind: 'steeping', waterOn: ON }, marks);
  expect(states.find((s) => s.kind === 'wait')?.state).toBe('done');
  const units = { volume: 'ml', temperature: 'C' } as const;
  const words = stepWords({ key: 'wait', kind: 'wait', due: null }, PLAN, units);
  expect(words.act.replace(/\s/g, ' ')).toMatch(
    /^Wait \d:\d\d off the boil, or \d+ ml cold first$/,
  );
  expect(words.done).toBe('Cold water in');
  const heat = stepWords({ key: 'heat', kind: 'heat', due: null }, PLAN, units);
  expect(heat).toEqual({ act: 'Boil the Stove kettle', done: 'Boiled' });
});
