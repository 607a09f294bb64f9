import { ATTRIBUTE_NAMES, USUAL_TASTER } from '#core/corrections';
import { type Against, tasterAgainst, tasterErrorOf } from '.';

type Pair = { readonly mark: number; readonly reference: number };
const NOBODY = Object.fromEntries(ATTRIBUTE_NAMES.map((a) => [a, null])) as Record<
  (typeof ATTRIBUTE_NAMES)[number],
  Against | null
>;
const bitter = (pairs: readonly Pair[], twice: readonly (readonly [number, number])[] = []) =>
  tasterErrorOf({ ...NOBODY, bitterness: tasterAgainst(pairs, twice) });
const off = (by: number, bowls: number): Pair[] =>
  Array.from({ length: bowls }, (_, i) => ({
    mark: 2 + by + (i % 2 === 0 ? 0.3 : -0.3),
    reference: 2,
  }));

test('whoever scored nothing is a usual taster', () =>
  expect(tasterErrorOf(NOBODY)).toEqual({ sd: USUAL_TASTER.sd, bias: {} }));
test('one who is off the others is taken to be off, but by less than a few bowls say; more bowls say more', () => {
  const [few, many] = [bitter(off(1, 2)), bitter(off(1, 40))].map((e) => e.bias?.bitterness ?? 0);
  expect(few).toBeGreaterThan(0.5);
  expect(few).toBeLessThan(many ?? 0);
  expect(many).toBeGreaterThan(0.97);
  expect(many).toBeLessThan(1);
  expect(bitter(off(-1, 40)).bias?.bitterness).toBeCloseTo(-(many ?? 0), 9);
  expect(bitter(off(1, 4)).bias?.strength).toBeUndefined();
});
test('steadiness lies between the usual and what the hidden bowls showed, by their number', () => {
  const steady = bitter(off(0, 8), [
    [2, 2],
    [3, 3],
    [1, 1],
    [2, 2],
  ]);
  const unsteady = bitter(off(0, 8), [
    [1, 3],
    [3, 1],
    [1, 3],
    [2, 4],
  ]);
  // Four pairs weigh as much as what is usual: the mean of 0 and 0.5 squared; of 2 and 0.5 squared.
  expect(steady.sd).toBeCloseTo(Math.sqrt(0.25 / 2), 9);
  expect(unsteady.sd).toBeCloseTo(Math.sqrt((2 + 0.25) / 2), 9);
});
