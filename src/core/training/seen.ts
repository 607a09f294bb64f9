import { mean, sampleStandardDeviation } from 'simple-statistics';
import { nowOf, type RecordedBatch, windowOf } from '#core/cold';
import type { Outcome } from '#core/trends';
import type { Grams } from '#core/units';
import type { Skill } from './skills';
import { wilson } from './wilson';

// What was seen of somebody's skills in the shop itself, beside what the drills say. A sign to look, no verdict.

/** What is looked at, of which skill, and what a good one was, in a few words. */
export const LOOKED_AT = {
  leafWeighed: { skill: 'measure', words: 'leaf within 5 % of the card' },
  spoonsWeighed: { skill: 'measure', words: 'weighings of five even spoons' },
  draftsTaken: { skill: 'scale', words: 'packets made a recipe that a lead took' },
  readings: { skill: 'heat', words: 'near the card' },
  pulls: { skill: 'steep', words: 'in the window' },
  ladders: { skill: 'see', words: 'ladders in order' },
  colours: { skill: 'see', words: 'colours as a lead saw the same cup' },
  calibration: { skill: 'taste', words: 'attributes steady' },
  corrections: { skill: 'correct', words: 'corrections with a better next cup' },
  rescues: { skill: 'rescue', words: 'rescued cups nearer than before' },
  batches: { skill: 'cold', words: 'batches lifted in the window and labelled' },
  tablesLed: { skill: 'teach', words: 'tables led' },
} as const satisfies Readonly<Record<string, { skill: Skill; words: string }>>;
export type LookedAt = keyof typeof LOOKED_AT;
export const LOOKED_AT_NAMES = Object.keys(LOOKED_AT) as readonly LookedAt[];
/** Of the last so many, so many were good. */
export type Seen = {
  readonly of: LookedAt;
  readonly good: number;
  readonly n: number;
  /** As good as a lead looks for. */
  readonly holds: boolean;
};
/** Of the last `most`, so many were good; null: there was none. */
function goodOf(
  of: LookedAt,
  all: readonly boolean[],
  most: number,
  holds: (good: number, n: number) => boolean,
): Seen | null {
  const last = all.slice(-most);
  if (last.length === 0) return null;
  const good = last.filter(Boolean).length;
  return { of, good, n: last.length, holds: holds(good, last.length) };
}

/** The last leaf weighed that counts, how many have to be good, and how near to the card they are then. */
export const LEAF_SEEN = 20;
const LEAF_GOOD = 16;
const LEAF_NEAR = 0.05;
/** Measure: leaf on the scale, its share of what the card said. Null: none was weighed. */
export const leafWeighedSeen = (shares: readonly number[]): Seen | null =>
  goodOf(
    'leafWeighed',
    shares.map((share) => Math.abs(share - 1) <= LEAF_NEAR + 1e-9),
    LEAF_SEEN,
    (good) => good >= LEAF_GOOD,
  );
/** Spoons that are weighed one by one at the least, and how even they are then: sd over mean. */
export const SPOONS_WEIGHED = 5;
const SPOONS_EVEN = 0.1;
/**
 * How even single spoons are: the sample standard deviation over the mean.
 * @throws {RangeError} of fewer than five, or one that weighs nothing
 */
export function spoonUnevenness(singles: readonly Grams[]): number {
  if (singles.length < SPOONS_WEIGHED || singles.some((g) => !(g > 0)))
    throw new RangeError('five spoons with leaf are needed');
  return sampleStandardDeviation([...singles]) / mean([...singles]);
}
export const areSpoonsEven = (singles: readonly Grams[]): boolean =>
  spoonUnevenness(singles) <= SPOONS_EVEN + 1e-9;
/** Measure: the last five spoons that were weighed one by one. Null: none were. */
export const spoonsWeighedSeen = (last: readonly Grams[] | null): Seen | null =>
  last && goodOf('spoonsWeighed', [areSpoonsEven(last)], 1, (good) => good === 1);

/** The last drafts from a packet that count. */
export const DRAFTS_SEEN = 5;
/** Scale: recipes drafted from a packet, whether a lead took them; the oldest first. Null: none was drafted. */
export const draftsTakenSeen = (taken: readonly boolean[]): Seen | null =>
  goodOf('draftsTaken', taken, DRAFTS_SEEN, (good) => good > 0);

/** The last pulls that count. */
export const PULLS_SEEN = 40;
const PULLS_HOLD = 0.8;
/** The last readings that count, how many have to be good, and how near to the card they are then, °C. */
export const HEAT_SEEN = 10;
const HEAT_GOOD = 8;
const HEAT_NEAR_C = 3;

/** Steep: pulls in their window; the least share that the last forty can mean is four in five. Null: none was seen. */
export const pullsSeen = (inWindow: readonly boolean[]): Seen | null =>
  goodOf('pulls', inWindow, PULLS_SEEN, (good, n) => wilson(good, n).low >= PULLS_HOLD);
/** Heat: what was read on the leaf against its card, °C apart. Null: none was read. */
export const heatSeen = (gaps: readonly number[]): Seen | null =>
  goodOf(
    'readings',
    gaps.map((gap) => Math.abs(gap) <= HEAT_NEAR_C),
    HEAT_SEEN,
    (good) => good >= HEAT_GOOD,
  );

/** The last ladders that count, and how near to the true order each has to come: Kendall's tau. */
export const LADDERS_SEEN = 2;
const TAU_HOLDS = 0.86;
/** See: the order of the cups at the last ladders of a table. Null: none was tasted. */
export const laddersSeen = (taus: readonly number[]): Seen | null =>
  goodOf(
    'ladders',
    taus.map((tau) => tau >= TAU_HOLDS),
    LADDERS_SEEN,
    (good) => good === LADDERS_SEEN,
  );
/** The last cups whose colour a lead marked too, and how many have to be good. */
export const COLOURS_SEEN = 10;
const COLOURS_GOOD = 8;
/** See: colour marks against a lead's of the same cup, marks apart. Null: no lead marked one too. */
export const coloursSeen = (apart: readonly number[]): Seen | null =>
  goodOf(
    'colours',
    apart.map((marks) => Math.abs(marks) <= 1),
    COLOURS_SEEN,
    (good) => good >= COLOURS_GOOD,
  );
/** Taste: attributes of the last calibration without a flag: half a mark off the others, one mark between bowls. */
export const calibrationSeen = (flagged: readonly boolean[]): Seen | null =>
  goodOf(
    'calibration',
    flagged.map((isFlagged) => !isFlagged),
    flagged.length,
    (good, n) => good === n,
  );

/** The last corrections that count, and how many tell at the least. */
export const CORRECTIONS_SEEN = 20;
const CORRECTIONS_TELL = 5;
/** Correct: the next cup after each correction that was taken. Null: none was followed by a cup. */
export function correctionsSeen(outcomes: readonly Outcome[]): Seen | null {
  const last = outcomes.slice(-CORRECTIONS_SEEN);
  const worse = last.filter((outcome) => outcome === 'worse').length;
  return goodOf(
    'corrections',
    last.map((outcome) => outcome === 'better'),
    CORRECTIONS_SEEN,
    (good, n) => n >= CORRECTIONS_TELL && good > worse,
  );
}
/** The last rescued cups that count. */
export const RESCUES_SEEN = 5;
/** Rescue: marks off before and after, for each cup that was tasted again. Null: none was. */
export const rescuesSeen = (
  cups: readonly { readonly before: number; readonly after: number }[],
): Seen | null =>
  goodOf(
    'rescues',
    cups.map(({ before, after }) => after < before),
    RESCUES_SEEN,
    (good) => good === RESCUES_SEEN,
  );

/** A table is led with so many tasters at the least. */
export const TASTERS_LED = 2;
/** The tables that are looked for, and of how many kinds. */
export const TABLES_LED = 3;
const KINDS_LED = 2;
/** Teach: tables that were led, by their kinds. Null: none was. */
export function tablesLedSeen(kinds: readonly string[]): Seen | null {
  if (kinds.length === 0) return null;
  const good = Math.min(kinds.length, TABLES_LED);
  const holds = good === TABLES_LED && new Set(kinds).size >= KINDS_LED;
  return { of: 'tablesLed', good, n: TABLES_LED, holds };
}

/** The last cold batches that count. */
export const BATCHES_SEEN = 5;
/** Lifted in its window, labelled, and not kept until its time had ended. Null: it was taken back. */
export function isBatchRight(batch: RecordedBatch): boolean | null {
  const { state, printed, undone } = nowOf(batch);
  if (state.kind === 'cancelled' || state.kind === 'void') return null;
  const lift = batch.events.find((e) => e.kind === 'lift' && !undone.has(e.id));
  const { earliest, latest } = windowOf(batch.plan.window, batch.leafIn);
  const inWindow = lift !== undefined && lift.at >= earliest && lift.at <= latest;
  const isPast = state.kind === 'discarded' && state.reason === 'past';
  return inWindow && printed !== null && !isPast;
}
/** Cold: the last batches that ended. Null: none did. */
export const batchesSeen = (right: readonly boolean[]): Seen | null =>
  goodOf('batches', right, BATCHES_SEEN, (good) => good === BATCHES_SEEN);
