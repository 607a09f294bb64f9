import { seeded } from '#core/numeric';
import { ratedAfter, UNRATED } from '#core/training';

// People who answer as well as their true rating says: what their levels make of them. Chance from fixed seeds.

const GUESS = 0.25;
const SLIP = 0.03;
/** The share of right answers of somebody of that rating, at a level. */
const rightAt = (truth: number, level: number): number =>
  GUESS + (1 - GUESS - SLIP) / (1 + Math.exp(-1.4 * (truth - (level - 3))));

/** So many answers of one person at the levels that they are given. */
function practised(truth: number, answers: number, seed: number) {
  const random = seeded(seed);
  let rated = UNRATED;
  let right = 0;
  for (let i = 0; i < answers; i++) {
    const level = rated.next;
    const credit = random() < rightAt(truth, level) ? 1 : 0;
    right += credit;
    rated = ratedAfter(rated, { level, credit }, GUESS);
  }
  return { rating: rated.rating, level: rated.next, share: right / answers };
}
const PEOPLE = 300;
const many = (truth: number, answers: number) =>
  Array.from({ length: PEOPLE }, (_, i) => practised(truth, answers, 1000 * (truth + 5) + i));
/** The chance that one of the better is rated above one of the others; a tie counts half. */
function chanceAbove(better: readonly number[], others: readonly number[]): number {
  const one = (a: number, b: number): number => {
    if (a === b) return 0.5;
    return a > b ? 1 : 0;
  };
  const sum = better.reduce((all, a) => all + others.reduce((s, b) => s + one(a, b), 0), 0);
  return sum / better.length / others.length;
}
const ratings = (truth: number) => many(truth, 20).map((p) => p.rating);

test('after twenty answers the new, the trained and the sure are told apart', () => {
  const [fresh, trained, sure] = [ratings(-2), ratings(0), ratings(2)];
  expect(chanceAbove(trained, fresh)).toBeGreaterThan(0.9);
  expect(chanceAbove(sure, trained)).toBeGreaterThan(0.9);
});
test('everybody is right about four times in five at the levels they are given', () => {
  const share = (truth: number) => many(truth, 30).reduce((sum, p) => sum + p.share, 0) / PEOPLE;
  // At the lowest level the new are not right as often as that; at the highest the sure are right more often.
  expect(share(-2)).toBeGreaterThan(0.6);
  expect(share(0)).toBeGreaterThan(0.72);
  expect(share(0)).toBeLessThan(0.88);
  expect(share(2)).toBeGreaterThan(0.75);
});
test('twelve answers bring most people near the level that suits them', () => {
  const suits = [1, 2, 3, 4, 5].reduce(
    (best, l) => (Math.abs(rightAt(0, l) - 0.8) < Math.abs(rightAt(0, best) - 0.8) ? l : best),
    1,
  );
  const off = many(0, 12).map((p) => Math.abs(p.level - suits));
  expect(off.reduce((a, b) => a + b, 0) / PEOPLE).toBeLessThan(0.9);
});
