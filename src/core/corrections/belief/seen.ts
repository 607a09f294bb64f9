import { type Attribute, ATTRIBUTE_NAMES } from '../marks';
import type { Prepared } from './belief';
import { placeOf } from './sensed';

/** What so many cups showed of one attribute, marks off on the mean; null: none was marked for it. */
export type SeenMark = { readonly mean: number; readonly cups: number } | null;
export type SeenMarks = Readonly<Record<Attribute, SeenMark>>;

/** The marks of a cup without what its making explains: leaf that was weighed, heat that was read, its seconds. */
function ofRecipe({ cup, rows, made }: Prepared, attribute: Attribute): number | null {
  const at = rows.indexOf(placeOf(attribute));
  const mark = cup.marks[attribute];
  if (at < 0 || mark === undefined) return null;
  return mark - (cup.taster.bias?.[attribute] ?? 0) - (made[at] ?? 0);
}
/** What cups of one recipe showed, to be held against what was expected of them. */
export const seenMarks = (cups: readonly Prepared[]): SeenMarks =>
  Object.fromEntries(
    ATTRIBUTE_NAMES.map((attribute): [Attribute, SeenMark] => {
      const marks = cups.flatMap((cup) => ofRecipe(cup, attribute) ?? []);
      const mean = marks.reduce((sum, mark) => sum + mark, 0) / marks.length;
      return [attribute, marks.length === 0 ? null : { mean, cups: marks.length }];
    }),
  ) as Record<Attribute, SeenMark>;
