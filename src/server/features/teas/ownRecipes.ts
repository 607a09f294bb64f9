import { eq } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import type { Version } from '#contracts/recipes';
import type { MethodRecipe } from '#contracts/teas';
import type { Tx } from '../../db/pool';
import { people, siteRecipes, teas, versions } from '../../db/schema/index';
import { asBrewed, type Spoons } from './asBrewed';

/** A version that a site brews in the place of the house's, and why. */
export type OwnRecipe = {
  readonly version: Version;
  readonly since: Omit<NonNullable<MethodRecipe['site']>, 'inPlaceOf'>;
};
/** What a site brews otherwise than the house; nothing for the house itself. */
export async function ownRecipes(
  tx: Tx,
  siteId: string | null,
  spoons: Spoons,
): Promise<OwnRecipe[]> {
  if (siteId === null) return [];
  const by = alias(people, 'by');
  const rows = await tx
    .select({
      v: versions,
      author: people.name,
      weighing: teas.weighing,
      r: siteRecipes,
      by: by.name,
    })
    .from(siteRecipes)
    .innerJoin(versions, eq(versions.id, siteRecipes.versionId))
    .innerJoin(teas, eq(teas.id, versions.teaId))
    .innerJoin(people, eq(people.id, versions.authorId))
    .innerJoin(by, eq(by.id, siteRecipes.personId))
    .where(eq(siteRecipes.siteId, siteId));
  return rows.map(({ r, by: name, ...row }) => ({
    version: asBrewed(row, spoons),
    since: {
      why: r.why,
      words: r.words,
      by: { id: r.personId, name },
      at: r.at.getTime(),
    },
  }));
}
