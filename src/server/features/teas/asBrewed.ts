import { eq } from 'drizzle-orm';
import { type Recipe, recipeAsWeighed, type Weighing } from '#core/recipes';
import { type Spoon, SPOONS } from '#core/units';
import type { Version } from '#contracts/recipes';
import type { WeighingFields } from '#contracts/teas';
import type { Tx } from '../../db/pool';
import { people, teas, versions } from '../../db/schema/index';
import { spoonsById } from '../spoons';

type VersionRow = {
  v: typeof versions.$inferSelect;
  author: string;
  weighing: WeighingFields | null;
};
/** A version as it is kept. */
export const asVersion = ({ v, author }: VersionRow): Version => ({
  id: v.id,
  teaId: v.teaId,
  method: v.method,
  number: v.number,
  state: v.state,
  recipe: v.recipe,
  reason: v.reason,
  author: { id: v.authorId, name: v.authorThere ?? author },
  at: v.at.getTime(),
});
export const versionRows = (tx: Tx) =>
  tx
    .select({ v: versions, author: people.name, weighing: teas.weighing })
    .from(versions)
    .innerJoin(teas, eq(teas.id, versions.teaId))
    .innerJoin(people, eq(people.id, versions.authorId));

/** The versions a brewer may take: the house's, and the one on trial. */
export const STANDING = ['house', 'trial'] as const;
export type Spoons = ReadonlyMap<string, Spoon>;
export const spoonOf = (spoons: Spoons, id: string): Spoon => spoons.get(id) ?? SPOONS.dessertSpoon;
export const weighedBy = (spoons: Spoons, w: WeighingFields | null): Weighing | null =>
  w && { ...w, spoon: spoonOf(spoons, w.spoon) };
/** A version as it is brewed: the grams of its spoons by the weighing that the tea has now. */
export const asBrewed = (row: VersionRow, spoons: Spoons): Version => {
  const version = asVersion(row);
  const recipe = recipeAsWeighed(version.recipe, weighedBy(spoons, row.weighing ?? null));
  return { ...version, recipe };
};
/** Recipes as they are brewed, of whichever tea: each with the weighing that its tea has. */
export async function recipesAsBrewed(tx: Tx) {
  const spoons = await spoonsById(tx);
  return (recipe: Recipe, weighing: WeighingFields | null): Recipe =>
    recipeAsWeighed(recipe, weighedBy(spoons, weighing));
}
