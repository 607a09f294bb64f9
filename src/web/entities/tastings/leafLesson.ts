import { LEAF_LESSONS, type LeafLessonId } from '#core/tastings';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';

// What a lesson with leaf is set out with, unless somebody chooses otherwise.

/** The tea that shows it best; else the first. @throws {RangeError} where there is no tea */
export function teaFor(lesson: LeafLessonId | null, teas: readonly Tea[]): Tea {
  const [first] = teas;
  if (!first) throw new RangeError('no tea to choose from');
  const styles = lesson ? LEAF_LESSONS[lesson].styles : [];
  const found = styles.flatMap((style) => teas.filter((t) => t.style === style));
  return found[0] ?? first;
}
/** Vessels with those that suit first: tasting cups, or for a lesson of a pot the pots; the small before the large. */
export function vesselsFor(lesson: LeafLessonId | null, vessels: readonly Vessel[]): Vessel[] {
  const wanted = lesson && LEAF_LESSONS[lesson].vessel === 'pot' ? 'pot' : 'tasting';
  return [...vessels].sort(
    (a, b) => Number(b.kind === wanted) - Number(a.kind === wanted) || a.mark - b.mark,
  );
}
