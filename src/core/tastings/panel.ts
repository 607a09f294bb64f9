import { chiSquareUpTo } from './distributions';
import { rankSum } from './ranks';

export type Agreement = {
  /** Friedman's chi-square with ties, its degrees of freedom and chance. */
  readonly chi2: number;
  readonly df: number;
  readonly chance: number;
  /** Kendall's W: 0 no agreement, 1 all tasters order the cups alike. */
  readonly w: number;
};

/**
 * Do the tasters order the cups alike? Friedman's test, corrected for ties (Conover; as R's friedman.test).
 * @param marks one row a taster, one column a cup.
 * @returns null under two tasters or two cups, or when nobody told any cup from another.
 */
export function agreementOf(marks: readonly (readonly number[])[]): Agreement | null {
  const [judges, items] = [marks.length, marks[0]?.length ?? 0];
  if (judges < 2 || items < 2) return null;
  const ranks = marks.map((row) => rankSum(row));
  const sums = Array.from({ length: items }, (_, j) =>
    ranks.reduce((a, r) => a + (r.ranks[j] as number), 0),
  );
  const middle = (judges * (items + 1)) / 2;
  const ties = ranks.reduce((a, r) => a + r.ties, 0);
  const below = judges * items * (items + 1) - ties / (items - 1);
  if (below <= 0) return null;
  const chi2 = (12 * sums.reduce((a, s) => a + (s - middle) ** 2, 0)) / below;
  return {
    chi2,
    df: items - 1,
    chance: 1 - chiSquareUpTo(chi2, items - 1),
    w: chi2 / (judges * (items - 1)),
  };
}
