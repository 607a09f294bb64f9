import { seeded } from '#core/numeric';
import { sampleDrillCup } from '#core/testing';
import { drawDiagnosis, DrillHouse, type Level, workDiagnosis } from '#core/training';

const HOUSE = new DrillHouse([
  sampleDrillCup({}),
  sampleDrillCup({
    style: 'green-pan',
    tea: 'Sennet Hollow',
    temperatureC: 80,
    seconds: 120,
    warm: false,
  }),
  sampleDrillCup({ style: 'oolong-dark', tea: 'Corrow Roast', leafGrams: 8, seconds: 150 }),
]);

test.each([1, 2, 3, 4, 5] as const)('level %i: every question drawn is fair', (level: Level) => {
  for (let seed = 1; seed <= (level === 5 ? 2 : 6); seed++) {
    const given = drawDiagnosis(HOUSE, level, seeded(1000 * level + seed));
    const d = workDiagnosis(given);
    expect(d.unfair).toBeNull();
    expect(given.level).toBeLessThanOrEqual(level);
    expect(d.choices).toEqual(expect.arrayContaining([...d.right]));
    expect(JSON.stringify(given).length).toBeLessThan(2000);
    // The truth is never among what is stated, but at the first level, where all is.
    if (given.level > 1) for (const f of given.faults) expect(d.open).not.toContain(f.id);
  }
});
test('the same chance draws the same question, and what was drawn shows it again exactly', () => {
  const [a, b] = [0, 1].map(() => drawDiagnosis(HOUSE, 3, seeded(77)));
  expect(a).toEqual(b);
  if (!a) throw new Error('nothing drawn');
  expect(workDiagnosis(JSON.parse(JSON.stringify(a)))).toEqual(workDiagnosis(a));
});
test('two at once come only at the fifth level; a house without cups is refused', () => {
  const two = [1, 2].map((s) => drawDiagnosis(HOUSE, 5, seeded(s)).faults.length);
  expect(two).toContain(2);
  expect(drawDiagnosis(HOUSE, 4, seeded(5)).faults).toHaveLength(1);
  expect(() => drawDiagnosis(new DrillHouse([]), 2, seeded(1))).toThrow(RangeError);
});
