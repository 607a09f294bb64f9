import { grams, millilitres } from '#core/units';
import type { VesselFields } from '#contracts/vessels';
import { faultsOf, readWeights, stageAfter, type TypedWeights, withWeights } from './model';

const TYPED: TypedWeights = { empty: '410', toMark: '908', toBrim: '1029', heat: '20' };
const POT = {
  name: 'Grey pot',
  mark: millilitres(480),
  brim: millilitres(600),
  wallGrams: null,
  weighed: null,
} as VesselFields;

test('water of 20 °C weighs 0.9982 g a ml: 498 g are 498.9 ml', () => {
  const read = readWeights(TYPED);
  expect(read.mark).toBeCloseTo(498.9, 1);
  expect(read.brim).toBeCloseTo(620.1, 1);
  expect(faultsOf(TYPED, read)).toEqual({});
});

test('what was weighed goes into the vessel; what was not stays as it was', () => {
  expect(withWeights(POT, readWeights(TYPED))).toMatchObject({
    mark: 498.9,
    brim: 620.1,
    wallGrams: 410,
    weighed: { empty: 410, toMark: 908, toBrim: 1029, water: 20 },
  });
  expect(withWeights(POT, readWeights({ ...TYPED, toBrim: '' }))).toMatchObject({
    mark: 498.9,
    brim: 600,
    weighed: { toBrim: null },
  });
});

test.each([
  ['nothing typed', { empty: '', toMark: '', toBrim: '' }, ['empty']],
  ['only empty', { toMark: '', toBrim: '' }, ['all']],
  ['lighter full than empty', { toMark: '400' }, ['toMark']],
  ['mark and brim swapped', { toMark: '1029', toBrim: '908' }, ['toMark']],
  ['water over its boil', { heat: '130' }, ['toMark', 'toBrim', 'heat']],
  ['no figure', { toBrim: 'full' }, ['toBrim']],
])('%s: said beside its cause', (_, over, beside) => {
  const typed = { ...TYPED, ...over };
  expect(Object.keys(faultsOf(typed, readWeights(typed))).sort()).toEqual([...beside].sort());
});

test('without an empty weight or a heat nothing is changed', () => {
  expect(withWeights(POT, readWeights({ ...TYPED, empty: '' }))).toBeNull();
  expect(withWeights(POT, readWeights({ ...TYPED, heat: 'warm' }))).toBeNull();
});

test('heat may be typed in Fahrenheit; a very light vessel counts as 5 g', () => {
  expect(readWeights({ ...TYPED, heat: '68F' }).water).toBeCloseTo(20, 6);
  expect(withWeights(POT, readWeights({ ...TYPED, empty: '2' }))?.wallGrams).toBe(grams(5));
});

test('each weight leads to the next, the last stays', () => {
  expect([stageAfter('empty'), stageAfter('toMark'), stageAfter('toBrim')]).toEqual([
    'toMark',
    'toBrim',
    'toBrim',
  ]);
});
