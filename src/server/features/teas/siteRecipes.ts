import { and, eq } from 'drizzle-orm';
import type { z } from 'zod';
import type { Method } from '#core/recipes';
import { SITE_REASON_WORDS } from '#core/teas';
import type { Version } from '#contracts/recipes';
import type { setSiteRecipe, SiteRecipe } from '#contracts/teas';
import type { Tx } from '../../db/pool';
import { people, siteRecipes, sites, teas } from '../../db/schema';
import type { Deps } from '../../deps';
import { AppError, invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { inRecordedTransaction } from '../history';
import { versionById, versionsOf } from './repository';

type Row = typeof siteRecipes.$inferSelect;
const rowOf = (siteId: string, teaId: string, method: Method) =>
  and(eq(siteRecipes.siteId, siteId), eq(siteRecipes.teaId, teaId), eq(siteRecipes.method, method));
/** Sites that brew another version of this tea than the house's. */
export async function siteRecipesOf(tx: Tx, teaId: string): Promise<SiteRecipe[]> {
  const rows = await tx
    .select({ r: siteRecipes, siteName: sites.name, by: people.name })
    .from(siteRecipes)
    .innerJoin(sites, eq(sites.id, siteRecipes.siteId))
    .innerJoin(people, eq(people.id, siteRecipes.personId))
    .where(eq(siteRecipes.teaId, teaId))
    .orderBy(sites.name);
  if (rows.length === 0) return [];
  const versions = new Map((await versionsOf(tx, teaId)).map((v) => [v.id, v]));
  return rows.flatMap(({ r, siteName, by }) => {
    const version = versions.get(r.versionId);
    if (!version) return [];
    const { siteId, method, why, words, personId, at } = r;
    const who = { id: personId, name: by };
    return [{ siteId, siteName, method, version, why, words, by: who, at: at.getTime() }];
  });
}
const hasHouseRecipe = async (tx: Tx, teaId: string, method: Method): Promise<boolean> =>
  (await versionsOf(tx, teaId)).some((v) => v.method === method && v.state === 'house');
/** The version that a site may brew in the place of the house's. @throws 404, 422 when there is no such one */
async function ownVersion(tx: Tx, teaId: string, method: Method, id: string): Promise<Version> {
  const version = await versionById(tx, id);
  if (version?.teaId !== teaId || version.method !== method) throw notFound('That version');
  if (version.state === 'house')
    throw invalid({ versionId: `Version ${version.number} is the house recipe already.` });
  if (!(await hasHouseRecipe(tx, teaId, method)))
    throw invalid({ versionId: 'Make a house recipe for this method first.' });
  return version;
}
const said = (version: Version | undefined, why: Row['why'], words: string): string =>
  `version ${version?.number ?? ''}, because of ${SITE_REASON_WORDS[why]}: ${words}`;

/** What a site brews in the place of the house's recipe. */
export function createSiteRecipeService(deps: Deps) {
  return {
    set: (
      teaId: string,
      { siteId, method, own }: z.infer<typeof setSiteRecipe.body>,
      who: Signed,
    ): Promise<{ sites: SiteRecipe[] }> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        mustWorkAt(who, siteId);
        const [tea] = await tx.select().from(teas).where(eq(teas.id, teaId)).for('update');
        const [site] = await tx.select().from(sites).where(eq(sites.id, siteId));
        if (!tea) throw notFound('That tea');
        if (!site) throw notFound('That site');
        const [there] = await tx
          .select()
          .from(siteRecipes)
          .where(rowOf(siteId, teaId, method));
        const before = there
          ? said(await versionById(tx, there.versionId), there.why, there.words)
          : 'as the house';
        let after = 'as the house';
        if (own) {
          const version = await ownVersion(tx, teaId, method, own.versionId);
          after = said(version, own.why, own.words);
          if (after === before) return { sites: await siteRecipesOf(tx, teaId) };
          const kept = { ...own, personId: who.personId, at: new Date(deps.now()) };
          await tx
            .insert(siteRecipes)
            .values({ siteId, teaId, method, ...kept })
            .onDuplicateKeyUpdate({ set: kept });
        } else {
          if (!there) return { sites: await siteRecipesOf(tx, teaId) };
          await tx.delete(siteRecipes).where(rowOf(siteId, teaId, method));
        }
        const field = `brewed at ${site.name}`;
        await record({
          thing: 'tea',
          id: teaId,
          before: { [field]: before },
          after: { [field]: after },
        });
        return { sites: await siteRecipesOf(tx, teaId) };
      }),
  };
}

/** The version is no longer only a site's: the house has it now. */
export const nowOfTheHouse = (tx: Tx, versionId: string) =>
  tx.delete(siteRecipes).where(eq(siteRecipes.versionId, versionId));

/** @throws 409 while a site brews the version */
export async function mustNotBeBrewedAtSites(tx: Tx, version: Version): Promise<void> {
  const at = (await siteRecipesOf(tx, version.teaId)).filter((s) => s.version.id === version.id);
  if (at.length === 0) return;
  throw new AppError(
    'version.inUse',
    409,
    `${at.map((s) => s.siteName).join(', ')} brews version ${version.number}. Go back to the house recipe there first.`,
  );
}
