import { millilitres } from '#core/units';
import { vesselFaults } from './faults';

const POT = {
  brim: millilitres(620),
  mark: millilitres(500),
  basket: millilitres(230),
  covers: null,
  dead: millilitres(0),
};
test('a vessel whose volumes fit together has no fault', () =>
  expect(vesselFaults(POT)).toEqual({}));
test.each([
  ['mark', { mark: millilitres(630) }, /over the brim, 620 ml/],
  ['basket', { basket: millilitres(700) }, /more than the vessel, 620 ml/],
  ['covers', { covers: millilitres(510) }, /more than the mark, 500 ml/],
  ['dead', { dead: millilitres(500) }, /Less than the mark, 500 ml/],
] as const)('%s', (figure, over, words) =>
  expect(vesselFaults({ ...POT, ...over })).toEqual({ [figure]: expect.stringMatching(words) }),
);
