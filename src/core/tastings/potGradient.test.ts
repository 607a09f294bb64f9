import type { Mark } from '#core/corrections';
import { brewCup, strengthAlongPour } from '#core/cup';
import { normal, seeded } from '#core/numeric';
import { startingRecipe } from '#core/recipes';
import { MARK } from '#core/taste';
import {
  brewOfCup,
  type Exercise,
  foldTasting,
  housePour,
  leafPart,
  potGradientOf,
  type PotTasted,
  potTasted,
  type TastingAct,
} from '#core/tastings';
import { millilitres } from '#core/units';

// How strong each cup of a pot is, from what tasters marked of it.

const RECIPE = startingRecipe('black-whole', 'pot');
const OF = {
  tea: { style: 'black-whole', fitted: null, swatches: null },
  recipe: RECIPE,
  vessel: { infuser: 'free', basket: null, material: 'porcelain', lid: true },
} as const;
const HOUSE = housePour(RECIPE, millilitres(500));

/** A table of so many tasters at a pot with that gradient, whose marks are off by so much. */
function pot(
  gradient: number,
  { tasters = 4, off = 0, seed = 1, part = 0 } = {},
): PotTasted | null {
  const random = seeded(seed);
  const { exercise, asks, cups } = leafPart('firstLast', part);
  const planned = cups({ house: HOUSE } as Parameters<typeof cups>[0]);
  const names = Array.from({ length: tasters }, (_, i) => ({ id: `t${i}`, name: `T${i}` }));
  const e: Exercise = {
    ...{ ...exercise, asks, lesson: 'firstLast' },
    cups: planned.map((plan, i) => ({ plan, codes: [String(100 + i)] })),
    ...{ tasters: names, servings: {} },
  };
  const house = brewCup(brewOfCup(OF, HOUSE)).taste.strength;
  const strengthOf = (i: number) => {
    const times = strengthAlongPour((i + 0.5) / planned.length, gradient);
    return brewCup({ ...brewOfCup(OF, HOUSE), waterAfter: 1 / times - 1 }).taste.strength;
  };
  const acts: TastingAct[] = [
    { kind: 'start' },
    ...planned.map((_, cup): TastingAct => ({ kind: 'pull', cup })),
    ...names.flatMap(({ id }): TastingAct[] => [
      ...planned.map((_, i): TastingAct => {
        const found = (strengthOf(i) - house) / MARK + normal(random, 0, off);
        const strength = Math.max(-2, Math.min(2, Math.round(found))) as Mark;
        const sheet = { marks: { strength }, words: [] };
        return { kind: 'keep', taster: id, code: String(100 + i), sheet };
      }),
      { kind: 'handIn', taster: id, order: null, choice: null },
    ]),
  ];
  const by = { id: 'lead', name: 'Lead' };
  // The pot is poured when its steep is over.
  const at = (act: TastingAct): number => (act.kind === 'start' ? 0 : 1000 * HOUSE.seconds);
  const events = acts.map((act, i) => ({ id: String(i), at: at(act), by, act }));
  return potTasted(e, foldTasting(e, events), OF);
}
const pots = (gradient: number, tables: number): PotTasted[] =>
  Array.from({ length: tables }, (_, i) => pot(gradient, { off: 0.5, seed: i + 1 })).filter(
    (p) => p !== null,
  );

test('no table says nothing; nor does a pot that was poured in turns', () => {
  expect(potGradientOf([])).toBeNull();
  expect(pot(0.5, { part: 1 })).toBeNull();
  expect(pot(0.5, { tasters: 0 })).toBeNull();
});
test.each([0.2, 0.5, 1])('a pot of %s is found by many tasters', (gradient) => {
  const found = potGradientOf(pots(gradient, 12));
  expect(found?.tasters).toBe(48);
  expect(Math.abs((found?.gradient ?? 0) - gradient)).toBeLessThan(0.12);
  expect(found?.sd).toBeLessThan(0.08);
});
test('few tasters move it a little from what is known from memory, more move it further', () => {
  const table = pot(1, { tasters: 2 });
  if (!table) throw new Error('no table');
  const few = potGradientOf([table]);
  const many = potGradientOf(new Array<PotTasted>(6).fill(table));
  expect(few?.gradient).toBeGreaterThan(0.5);
  expect(few?.gradient).toBeLessThan(many?.gradient ?? 0);
  expect(many?.sd).toBeLessThan(few?.sd ?? 0);
});
test('cups that were marked further apart say more of the pot', () => {
  const table = pot(0.5);
  if (!table) throw new Error('no table');
  const found = (...own: number[]) => potGradientOf([{ ...table, marks: [own, own] }])?.gradient;
  expect(found(-2, 0, 2)).toBeGreaterThan(found(-1, 0, 1) ?? NaN);
  expect(found(-1, 0, 1)).toBeGreaterThan(found(0, 0, 0) ?? NaN);
});
