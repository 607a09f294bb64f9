import { type Card, createEmptyCard, fsrs, type Grade } from 'ts-fsrs';
import { type EpochMs, epochMs } from '#core/units';

// When a skill is to be practised again: a spaced-repetition schedule (ts-fsrs, its default weights, no chance in it).

const SCHEDULE = fsrs({
  request_retention: 0.9,
  maximum_interval: 120,
  enable_fuzz: false,
  enable_short_term: true,
  learning_steps: [],
  relearning_steps: [],
});

/** How a block went: 1 again, 2 hard, 3 good, 4 easy. */
export type BlockRating = 1 | 2 | 3 | 4;
export type Review = { readonly at: EpochMs; readonly rating: BlockRating };
/** A skill's place in the schedule after a review. */
export type DueCard = {
  readonly due: EpochMs;
  readonly days: number;
  readonly stability: number;
  readonly difficulty: number;
  readonly state: number;
  readonly lapses: number;
  /** The chance that it was still known just before; null at the first. */
  readonly recall: number | null;
};

const FEWEST_IN_BLOCK = 3;
const [AGAIN, HARD, EASY] = [0.6, 0.8, 0.95];
const LEVEL_FOR_EASY = 3;
const PACE_FOR_EASY = 1.25;
/** What a session's answers of one skill come to; null: too few. `pace`: their time against the person's own. */
export function blockRating(
  credits: readonly number[],
  pace: number,
  level: number,
): BlockRating | null {
  if (credits.length < FEWEST_IN_BLOCK) return null;
  const mean = credits.reduce((a, b) => a + b, 0) / credits.length;
  if (mean < AGAIN) return 1;
  if (mean < HARD) return 2;
  const isEasy = mean >= EASY && level >= LEVEL_FOR_EASY && pace <= PACE_FOR_EASY;
  return isEasy ? 4 : 3;
}

const recallOf = (card: Card, at: EpochMs): number | null =>
  card.reps === 0 ? null : SCHEDULE.get_retrievability(card, at, false);
/** When a skill is due by its reviews, and the chance that it is still known at `now`; null: there was no review. */
export function scheduledAt(
  reviews: readonly Review[],
  now: EpochMs,
): { readonly due: EpochMs; readonly recall: number } | null {
  const [first] = reviews;
  if (!first) return null;
  const card = reviews.reduce<Card>(
    (c, { at, rating }) => SCHEDULE.next(c, at, rating as Grade).card,
    createEmptyCard(first.at),
  );
  return { due: epochMs(card.due.getTime()), recall: recallOf(card, now) ?? 0 };
}

/** The schedule after each review, in order. */
export function dueCards(begun: EpochMs, reviews: readonly Review[]): DueCard[] {
  let card = createEmptyCard(begun);
  return reviews.map(({ at, rating }) => {
    const recall = recallOf(card, at);
    ({ card } = SCHEDULE.next(card, at, rating as Grade));
    return {
      due: epochMs(card.due.getTime()),
      days: card.scheduled_days,
      stability: card.stability,
      difficulty: card.difficulty,
      state: card.state,
      lapses: card.lapses,
      recall,
    };
  });
}
