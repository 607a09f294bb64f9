import { and, desc, eq, isNotNull } from 'drizzle-orm';
import type { Method } from '#core/recipes';
import type { Tx } from '../../db/pool';
import { brews, people, sites, versions, vessels } from '../../db/schema';

/** So many judged cups of a tea count, the newest: older ones say little of the leaf that is brewed now. */
const MOST_CUPS = 500;

/** Judged brews of one tea by one method, of every site; the newest first. */
export const judgedBrewsOf = (tx: Tx, teaId: string, method: Method) =>
  tx
    .select({
      ...{ id: brews.id, siteId: brews.siteId, lotId: brews.lotId, kettle: brews.kettle },
      ...{ startedAt: brews.startedAt, waterOn: brews.waterOn, pulled: brews.pulled },
      ...{ plan: brews.plan, marks: brews.marks, readings: brews.readings },
      ...{ verdict: brews.verdict, versionId: brews.versionId, proposal: brews.proposal },
      version: { number: versions.number, recipe: versions.recipe },
      vessel: vessels.name,
      by: { id: people.id, name: people.name },
    })
    .from(brews)
    .innerJoin(versions, eq(versions.id, brews.versionId))
    .innerJoin(vessels, eq(vessels.id, brews.vesselId))
    .leftJoin(people, eq(people.id, brews.judgedBy))
    .where(
      and(
        ...[eq(brews.teaId, teaId), eq(brews.state, 'judged'), eq(versions.method, method)],
        isNotNull(brews.verdict),
      ),
    )
    .orderBy(desc(brews.startedAt), desc(brews.id))
    .limit(MOST_CUPS);
export type JudgedBrew = Awaited<ReturnType<typeof judgedBrewsOf>>[number];

/** The kettle that a site usually heats its water in. */
export const kettleAt = async (tx: Tx, siteId: string): Promise<string | null> =>
  (await tx.select({ kettle: sites.kettle }).from(sites).where(eq(sites.id, siteId)))[0]?.kettle
    .name ?? null;
