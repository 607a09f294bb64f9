import { type Planned, stepsOf, stepWords } from '#core/brews';
import { PLAIN_HANDLING } from '#core/recipes';
import { celsius, grams, millilitres, seconds } from '#core/units';
import {
  INFUSER_KINDS,
  type InfuserKind,
  LEAF_ACT_WORDS,
  LEAF_ACTS,
  type LeafAct,
  leafAct,
  type Strainer,
  VESSEL_KINDS,
  type VesselKind,
} from '#core/vessels';

// Common practice. Rows: vessel. Columns: leaf loose; in a basket that lifts out; in a ball; behind a fixed strainer;
// in a bag.
const BASKETS: readonly InfuserKind[] = ['deep', 'shallow'];
const TABLE: Readonly<Record<VesselKind, readonly [LeafAct, LeafAct, LeafAct, LeafAct, LeafAct]>> =
  {
    pot: ['pourOff', 'liftBasket', 'liftBall', 'pourOff', 'takeBagOut'],
    pitcher: ['pourOff', 'liftBasket', 'liftBall', 'pourOff', 'takeBagOut'],
    mug: ['drinkOff', 'liftInfuser', 'liftBall', 'drinkOff', 'takeBagOut'],
    lidded: ['pourOff', 'liftBasket', 'liftBall', 'pourOff', 'takeBagOut'],
    tasting: ['pourOff', 'liftBasket', 'liftBall', 'pourOff', 'takeBagOut'],
    release: ['release', 'release', 'release', 'release', 'release'],
  };
function column(infuser: InfuserKind, strainer: Strainer): number {
  if (infuser === 'flatbag' || infuser === 'tetra') return 4;
  if (infuser === 'free') return 0;
  if (strainer === 'staysIn') return 3;
  return BASKETS.includes(infuser) ? 1 : 2;
}
const cases = VESSEL_KINDS.flatMap((kind) =>
  INFUSER_KINDS.flatMap((infuser) =>
    (['liftsOut', 'staysIn'] as const).map((strainer) => ({ kind, infuser, strainer })),
  ),
);

test.each(cases)('$kind, $infuser, $strainer', (vessel) => {
  const expected = TABLE[vessel.kind][column(vessel.infuser, vessel.strainer)];
  expect(leafAct(vessel)).toBe(expected);
  expect(leafAct(vessel, 0.2)).toBe(expected === 'pourOff' ? 'keepRoot' : expected);
});

test('nobody is told to lift what cannot be lifted: every act has words of its own', () => {
  for (const act of LEAF_ACTS) {
    const words = Object.values(LEAF_ACT_WORDS[act]).join(' ').toLowerCase();
    expect([act, words.includes('lift')]).toEqual([act, act.startsWith('lift')]);
  }
});

test('the steps of a brew follow the act: drained, a root kept, or neither', () => {
  const planned = (kind: VesselKind, infuser: InfuserKind, root: number): Planned => ({
    leaf: grams(6),
    water: millilitres(500),
    liquor: millilitres(480),
    warmed: false,
    kettle: celsius(95),
    reachable: true,
    spoons: null,
    recipe: {
      window: { earliest: seconds(180), best: seconds(240), latest: seconds(300) },
      handling: { ...PLAIN_HANDLING, root },
    },
    vessel: { kind, infuser },
  });
  const said = (p: Planned) =>
    stepsOf(p).map((s) => stepWords(s, p, { volume: 'ml', temperature: 'C' }).act);
  expect(said(planned('pot', 'free', 0))).toEqual(
    expect.arrayContaining(['Pour all off', 'Drain to the last drop']),
  );
  expect(said(planned('pot', 'free', 0.2))).toEqual(
    expect.arrayContaining(['Pour off, keep a root', 'Keep a root, 96 ml']),
  );
  expect(said(planned('pot', 'deep', 0))).toContain('Lift the basket');
  const mug = said(planned('mug', 'free', 0.2));
  expect(mug).toContain('Serve on the leaf');
  expect(mug.join(' ')).not.toMatch(/Drain|root|Serve it/);
});
