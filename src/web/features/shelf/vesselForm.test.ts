import fc from 'fast-check';
import { INFUSER_KINDS, VESSEL_KINDS, vesselFaults } from '#core/vessels';
import { vesselFactsOf } from '#contracts/vesselFacts';
import type { VesselFields } from '#contracts/vessels';
import { sampleVessel } from '../../testing/samples';
import { emptyVessel, vesselFieldsOf, type VesselForm, vesselFormOf } from './vesselForm';

const read = (form: VesselForm, unit: Parameters<typeof vesselFieldsOf>[1] = 'ml') => {
  const faults: Partial<Record<keyof VesselForm, string>> = {};
  const fields = vesselFieldsOf(form, unit, (name, why) => {
    faults[name] = why;
  });
  return { fields, faults };
};
const pot = vesselFactsOf(sampleVessel());

test('a vessel read into its form and back is the same', () =>
  fc.assert(
    fc.property(
      fc.record({
        name: fc.constantFrom('White pot', 'Ball mug'),
        kind: fc.constantFrom(...VESSEL_KINDS),
        infuser: fc.constantFrom(...INFUSER_KINDS),
        mark: fc.integer({ min: 20, max: 900 }),
        over: fc.integer({ min: 0, max: 300 }),
        basket: fc.option(fc.integer({ min: 5, max: 400 })),
        wallGrams: fc.option(fc.integer({ min: 5, max: 900 })),
        basketDepth: fc.option(fc.integer({ min: 5, max: 90 })),
        covers: fc.option(fc.integer({ min: 5, max: 200 })),
        dead: fc.integer({ min: 0, max: 60 }),
        lid: fc.boolean(),
        cosy: fc.boolean(),
      }),
      ({ over, ...drawn }) => {
        const brim = Math.max(30, drawn.mark + over);
        const basket = drawn.infuser === 'free' ? null : drawn.basket;
        const vessel = { ...pot, ...drawn, brim, basket } as VesselFields;
        // What the rules of a vessel refuse is refused by the form too, and by no other rule.
        const { fields, faults } = read(vesselFormOf(vessel));
        if (Object.keys(vesselFaults(vessel)).length > 0) expect(fields).toBeNull();
        else expect([fields, faults]).toEqual([vessel, {}]);
      },
    ),
    { seed: 20_260_311, numRuns: 300 },
  ));
test('an empty form names what is missing, and how it is measured', () => {
  const { fields, faults } = read(emptyVessel);
  expect(fields).toBeNull();
  expect(Object.keys(faults).sort()).toEqual(['brim', 'mark', 'name']);
  expect(faults.brim).toBe('Measure it once with a scale: 1 g of water is 1 ml.');
});
test.each<[keyof VesselForm, string, RegExp]>([
  ['brim', '25000', /more than any vessel/],
  ['mark', '5 ml', /too little: at least 20 ml/],
  ['mark', 'full', /not a volume/],
  ['wall', '2', /too little: at least 5 g/],
  ['depth', '900', /too much: at most 500 mm/],
  ['covers', '2 barrels', /not a unit known here/],
])('%s of “%s” is told beside its field', (name, typed, why) => {
  const { fields, faults } = read({ ...vesselFormOf(pot), [name]: typed });
  expect(fields).toBeNull();
  expect(faults[name]).toMatch(why);
});
test('a volume is typed in any unit, or in the house’s own without one', () => {
  expect(read({ ...vesselFormOf(pot), mark: '16 fl oz' }).fields?.mark).toBeCloseTo(473.2, 1);
  expect(read({ ...vesselFormOf(pot), mark: '16' }, 'usFlOz').fields?.mark).toBeCloseTo(473.2, 1);
});
test('loose leaf has no basket, whatever stands in its field', () =>
  expect(
    read({ ...vesselFormOf(pot), infuser: 'free', basket: '230 ml' }).fields?.basket,
  ).toBeNull());
