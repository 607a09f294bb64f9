import { LEVEL_OF_WORK } from './evidence';

/** How hard the next item of a drill is for one person, 1 to 5, from what they answered. */
export type Rating = {
  /** On the scale of the levels, which lie at -2 to 2. */
  readonly rating: number;
  /** Answers it rests on. */
  readonly n: number;
  readonly next: number;
};
export type LevelAnswer = {
  readonly level: number;
  readonly credit: number;
  /** Days since the answer before. */
  readonly pauseDays?: number | undefined;
};

/** Everybody begins here. */
export const FIRST_LEVEL = 2;
export const LEVELS = [1, 2, 3, 4, 5] as const;
export const UNRATED: Rating = { rating: 0, n: 0, next: FIRST_LEVEL };
const STEEPNESS = 1.4;
/** Even who knows it slips this often. */
const SLIP = 0.03;
/** The share of credit at which one learns most. */
const AIM = 0.8;
const LONG_PAUSE_DAYS = 30;
const REMEMBERED = 4;
const FURTHEST = 4;
const levelAt = (level: number): number => level - 3;

/** The credit that somebody of that rating is expected to get. */
const expectedCredit = (rating: number, level: number, guess: number): number =>
  guess + (1 - guess - SLIP) / (1 + Math.exp(-STEEPNESS * (rating - levelAt(level))));

/** The level whose expected credit is nearest the aim, the easier of two, one step from the last at most. */
function nextLevel(rating: number, from: number, guess: number): number {
  const off = (level: number) => Math.abs(expectedCredit(rating, level, guess) - AIM);
  const aim = LEVELS.reduce<number>((best, l) => (off(l) < off(best) - 1e-12 ? l : best), 1);
  return Math.min(from + 1, Math.max(from - 1, aim));
}
/** The rating after one more answer. */
export function ratedAfter(
  { rating, n }: Pick<Rating, 'rating' | 'n'>,
  { level, credit, pauseDays = 0 }: LevelAnswer,
  guess: number,
): Rating {
  const known = pauseDays > LONG_PAUSE_DAYS ? Math.min(n, REMEMBERED) : n;
  const weight = Math.max(0.5, 3 / (1 + known / 4));
  const moved = rating + weight * (credit - expectedCredit(rating, level, guess));
  const after = Math.min(FURTHEST, Math.max(-FURTHEST, moved));
  return { rating: after, n: known + 1, next: nextLevel(after, level, guess) };
}

const DAY_MS = 86_400_000;
/** The rating after all answers of a drill, in the order of time. */
export function ratingOf(
  answers: readonly (LevelAnswer & { readonly at: number; readonly guess: number })[],
): Rating {
  return answers.reduce((rated, a, i) => {
    const before = answers[i - 1];
    const pauseDays = before ? (a.at - before.at) / DAY_MS : 0;
    return ratedAfter(rated, { level: a.level, credit: a.credit, pauseDays }, a.guess);
  }, UNRATED);
}
/** Where the level of the work is within reach, three of four questions are at that level; else one of four. */
const WITHIN_REACH = 0.65;
/** The level of the next question: what suits the person, and now and then that of the work, which is evidence. */
export function levelOfNext({ rating, n, next }: Rating, guess: number): number {
  const isWithinReach = expectedCredit(rating, LEVEL_OF_WORK, guess) >= WITHIN_REACH;
  const isFourth = n % 4 === 3;
  return isWithinReach === isFourth ? next : LEVEL_OF_WORK;
}
