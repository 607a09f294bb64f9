import { fittedBy } from './fittedBy';

const fit = {
  style: 'black-whole',
  multipliers: { rate: 1.1, pool: 1, bite: 0.9, sensitivity: 1 },
} as const;
test('a fit is used for the style it was made of', () => {
  expect(fittedBy(fit, 'black-whole')).toBe(fit.multipliers);
  expect(fittedBy(fit, 'green-pan')).toBeNull();
  expect(fittedBy(null, 'black-whole')).toBeNull();
});
