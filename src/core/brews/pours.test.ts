import { epochMs, millilitres, seconds } from '#core/units';
import type { VesselFacts } from '#core/vessels';
import { planOfPour, potPour, TEST_POT } from '../testing/potPour';
import {
  afterRefill,
  drunkToAFifth,
  firstCup,
  leafStaysIn,
  poursWith,
  refillOf,
  standingPot,
} from '.';

const STYLE = 'black-whole';
const STRAINER_POT: VesselFacts = {
  ...TEST_POT,
  ...{ infuser: 'free', strainer: 'staysIn', basket: null },
};
const GLASS: VesselFacts = { ...STRAINER_POT, kind: 'mug', material: 'glass', lid: false };
const planIn = (vessel: VesselFacts, taper?: number) =>
  planOfPour(potPour(STYLE, { vessel, ...(taper && { taper }) }));
const T0 = Date.UTC(2026, 2, 11, 10);
const at = (s: number) => epochMs(T0 + s * 1000);
const pulled = { kind: 'pulled', waterOn: at(0), pulled: at(240) } as const;

test('leaf stays in a pot with a strainer and in a glass; not where a basket lifts, nor in a cup that is poured off', () => {
  const kinds: [Partial<VesselFacts>, string | null][] = [
    [{}, 'pot'],
    [{ kind: 'mug' }, 'glass'],
    [{ infuser: 'deep', strainer: 'liftsOut' }, null],
    [{ infuser: 'deep', strainer: 'staysIn' }, 'pot'],
    [{ kind: 'lidded' }, null],
    [{ infuser: 'flatbag' }, null],
    [{ kind: 'release' }, null],
  ];
  for (const [over, how] of kinds)
    expect([over, leafStaysIn({ ...STRAINER_POT, ...over })]).toEqual([over, how]);
});
test('a pot’s cups begin with the pull, a glass is drunk from at once; before and after there are none', () => {
  const plan = planIn(STRAINER_POT);
  const pour = { at: at(300), what: 'cup', ml: millilitres(150) } as const;
  const begun = firstCup(plan, seconds(240), millilitres(150));
  expect(begun).toEqual([{ after: 240, what: 'cup', ml: 150 }]);
  expect(poursWith({ plan }, pulled, pour)).toBeNull();
  expect(poursWith({ plan, pours: begun }, pulled, pour)).toEqual([
    ...(begun ?? []),
    { after: 300, what: 'cup', ml: 150 },
  ]);
  const steeping = { kind: 'steeping', waterOn: at(0) } as const;
  expect(poursWith({ plan, pours: begun }, steeping, pour)).toBeNull();
  expect(poursWith({ plan: planIn(GLASS) }, pulled, pour)).toHaveLength(1);
  const basket = { ...STRAINER_POT, infuser: 'deep', strainer: 'liftsOut' } as VesselFacts;
  expect(firstCup({ ...plan, vessel: basket }, seconds(240), millilitres(150))).toBeNull();
});
test('what is left grows stronger; filled up it is weaker, and draws on from there', () => {
  const plan = planIn(STRAINER_POT);
  const pours = firstCup(plan, seconds(240), millilitres(200)) ?? [];
  const [soon, later] = [250, 500].map((s) => standingPot(plan, STYLE, pours, seconds(s)));
  if (!soon || !later) throw new Error('two pots');
  expect(soon.cups).toHaveLength(1);
  expect(Math.round(soon.left)).toBe(282);
  expect(later.strength).toBeGreaterThan(soon.strength + 0.3);
  expect(refillOf(later)).toBe(200);
  const again = [0, 120, 300].map((s) => afterRefill(later, millilitres(200), seconds(s)));
  expect(again[0]).toBeLessThan(later.strength - 0.5);
  expect(again[2]).toBeGreaterThan(again[0] ?? 99);
});
test('a glass is filled up when a fifth of it is left', () => {
  const plan = planIn(GLASS);
  const full = standingPot(plan, STYLE, [], seconds(240));
  expect(drunkToAFifth(full)).toBe(Math.round(0.8 * full.left));
});
test('a tapered plan has less leaf, and says what it would have without', () => {
  const tapered = planIn(STRAINER_POT, 3);
  expect(tapered.leaf).toBeLessThan(6);
  expect(tapered.taper).toEqual({ cups: 3, house: 6 });
  expect(planIn(STRAINER_POT)).not.toHaveProperty('taper');
});
