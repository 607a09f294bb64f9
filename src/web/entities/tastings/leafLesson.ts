import { mostOnLeaf, siteBoiling, type SiteFacts } from '#core/recipes';
import {
  LEAF_LESSONS,
  type LeafLessonAt,
  type LeafLessonId,
  type PlannedCup,
} from '#core/tastings';
import { grams } from '#core/units';
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

/** What boiling water comes to on so many g of leaf in a vessel that was warmed, and in a cold one, °C. */
export function boilingOnLeaf(vessel: Vessel, site: SiteFacts, leaf: number) {
  const comesTo = (warmed: boolean): number => {
    const pour = { water: vessel.mark, vessel, site, warmed };
    return mostOnLeaf(pour, grams(leaf), siteBoiling(site));
  };
  return { warmed: comesTo(true), cold: comesTo(false) };
}
/** What the cups of a lesson are made from, in that vessel. */
export const leafLessonAt = (house: PlannedCup, vessel: Vessel, site: SiteFacts): LeafLessonAt => ({
  ...{ water: vessel.mark, house },
  boiling: boilingOnLeaf(vessel, site, house.grams),
});
