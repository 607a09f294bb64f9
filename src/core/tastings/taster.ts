import { mean, sampleStandardDeviation } from 'simple-statistics';
import { type Attribute, ATTRIBUTE_NAMES, type TasterError, USUAL_TASTER } from '#core/corrections';
import { studentAt } from './distributions';

export type Against = {
  readonly n: number;
  /** Mean of mark minus reference, with its 95 % interval (Student's t; null for one mark). */
  readonly bias: number;
  readonly interval: readonly [number, number] | null;
  /** Standard deviation of the differences; null for one. */
  readonly spread: number | null;
  /** Standard deviation between hidden duplicates of one cup; null without any. */
  readonly repeatability: number | null;
  readonly flags: readonly ('bias' | 'repeatability')[];
};
/** More than so many marks off, or apart on the same cup, is said. */
const LIMIT = { bias: 0.5, repeatability: 1 } as const;

/**
 * One taster against a reference.
 * @param pairs mark and reference of each cup. @param duplicates the two marks of each hidden duplicate.
 */
export function tasterAgainst(
  pairs: readonly { mark: number; reference: number }[],
  duplicates: readonly (readonly [number, number])[] = [],
): Against | null {
  const n = pairs.length;
  if (n === 0) return null;
  const off = pairs.map((p) => p.mark - p.reference);
  const bias = mean(off);
  const spread = n > 1 ? sampleStandardDeviation(off) : null;
  const half = spread === null ? null : (studentAt(0.975, n - 1) * spread) / Math.sqrt(n);
  // Each duplicate has one degree of freedom: its variance is half its squared difference.
  const repeatability = duplicates.length
    ? Math.sqrt(mean(duplicates.map(([a, b]) => (a - b) ** 2 / 2)))
    : null;
  return {
    n,
    bias,
    spread,
    repeatability,
    interval: half === null ? null : [bias - half, bias + half],
    flags: [
      ...(Math.abs(bias) > LIMIT.bias ? ['bias' as const] : []),
      ...(repeatability !== null && repeatability > LIMIT.repeatability
        ? ['repeatability' as const]
        : []),
    ],
  };
}

/** What is taken for granted of a taster counts as much as so many pairs of bowls (a choice). */
const USUAL_PAIRS = 4;
/** How far tasters lie off each other, marks, standard deviation (from memory). */
const USUAL_BIAS = 0.4;
/**
 * What a calibration tells of a taster: how steady, and how far off the others, marks. Both are drawn towards what is
 * usual: the few bowls of one sitting would make too much of chance (shrinkage by known variances: James, Stein 1961).
 * @param against each attribute that was scored
 */
export function tasterErrorOf(against: Readonly<Record<Attribute, Against | null>>): TasterError {
  const found = ATTRIBUTE_NAMES.flatMap((attribute) => {
    const one = against[attribute];
    return one ? [{ attribute, ...one }] : [];
  });
  let [pairs, squares] = [USUAL_PAIRS, USUAL_PAIRS * USUAL_TASTER.sd ** 2];
  for (const { n, repeatability } of found) {
    if (repeatability === null) continue;
    pairs += n / 2;
    squares += (n / 2) * repeatability ** 2;
  }
  const bias = found.map(({ attribute, n, bias: by, spread }) => {
    const ofMean = (spread ?? USUAL_TASTER.sd) ** 2 / n;
    return [attribute, (by * USUAL_BIAS ** 2) / (USUAL_BIAS ** 2 + ofMean)] as const;
  });
  return { sd: Math.sqrt(squares / pairs), bias: Object.fromEntries(bias) };
}

export type JustAboutRight = {
  readonly little: number;
  readonly right: number;
  readonly much: number;
  readonly n: number;
};
export const justAboutRight = (marks: readonly number[]): JustAboutRight => ({
  little: marks.filter((m) => m < 0).length,
  right: marks.filter((m) => m === 0).length,
  much: marks.filter((m) => m > 0).length,
  n: marks.length,
});

const PENALTY = { share: 0.2, n: 10 } as const;
/**
 * What being off costs in liking: mean liking of those who called it right less that of those on one side.
 * @returns null where too few say so: under 10 marks, or under a fifth on that side.
 */
export function penaltyOf(
  marks: readonly { mark: number; liking: number }[],
  side: 'little' | 'much',
): number | null {
  const off = marks.filter((m) => (side === 'little' ? m.mark < 0 : m.mark > 0));
  const right = marks.filter((m) => m.mark === 0);
  if (marks.length < PENALTY.n || off.length / marks.length < PENALTY.share || right.length === 0)
    return null;
  return mean(right.map((m) => m.liking)) - mean(off.map((m) => m.liking));
}
