import { type BrewFacts, whatChanged } from './changed';

const RIGHT: BrewFacts = {
  ...{ day: '2026-02-01', lot: 'Spring 2', kettle: 'Counter kettle', vessel: 'White pot' },
  ...{ version: 3, water: { hardness: 'soft', filtered: true, filterChanged: '2026-01-30' } },
};
test('the same in everything: nothing to say', () =>
  expect(whatChanged(RIGHT, { ...RIGHT, day: '2026-02-03' })).toEqual([]));
test('lot, filter, kettle, vessel and version, in the order in which they are looked at', () =>
  expect(
    whatChanged(RIGHT, {
      ...{ day: '2026-04-01', lot: 'Spring 3', kettle: 'Urn', vessel: 'Grey pot', version: 4 },
      water: { hardness: 'soft', filtered: true, filterChanged: '2026-01-30' },
    }),
  ).toEqual([
    'Lot: Spring 3, was Spring 2.',
    'The filter was 61 days in use, 2 days then.',
    'Kettle: Urn, was Counter kettle.',
    'Vessel: Grey pot, was White pot.',
    'Recipe version: 4, was 3.',
  ]));
test('a kettle without a name is no change of kettle', () =>
  expect(whatChanged({ ...RIGHT, kettle: '' }, RIGHT)).toEqual([]));
test('an earlier brew whose water was not kept says nothing about water', () =>
  expect(whatChanged({ ...RIGHT, water: null, lot: null }, RIGHT)).toEqual([
    'Lot: Spring 2, was none named.',
  ]));
