import { seeded } from '#core/numeric';
import { sampleDrillCup } from '#core/testing';
import {
  drawDiagnosis,
  DrillHouse,
  houseCupOf,
  learnerAnswer,
  scoreDiagnosis,
  workDiagnosis,
} from '#core/training';

const HOUSE = new DrillHouse([sampleDrillCup()]);
/** Mean credit of somebody over a dozen questions of the level of the work. */
function meanCredit(sees: number, sizeOff: number): number {
  const random = seeded(9);
  const credits = Array.from({ length: 12 }, () => {
    const given = drawDiagnosis(HOUSE, 3, random);
    const d = workDiagnosis(given);
    const answer = learnerAnswer(houseCupOf(given.cup), d, { sees, sizeOff }, random);
    return scoreDiagnosis(d, answer).credit;
  });
  return credits.reduce((a, b) => a + b, 0) / credits.length;
}
test('who sees every fault and knows its size is right; who guesses is mostly not', () => {
  expect(meanCredit(1, 0)).toBeGreaterThan(0.95);
  expect(meanCredit(0.1, 0.8)).toBeLessThan(0.6);
});
