import { and, desc, eq, inArray, isNotNull, ne, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import { planAsDone } from '#core/brews';
import type { Method } from '#core/recipes';
import { type Celsius, epochMs, secondsBetween } from '#core/units';
import type { Tx } from '../../db/pool';
import { brews, people, sites, teas, versions, vessels } from '../../db/schema';
import { idsInOrder } from '../brews';

/** So many judged cups of a tea count, the newest: older ones say little of the leaf that is brewed now. */
const MOST_CUPS = 500;

const leftOutBy = alias(people, 'left_out_by');
/** Judged brews of one tea by one method, of every site; the newest first. */
export const judgedBrewsOf = (tx: Tx, teaId: string, method: Method) =>
  tx
    .select({
      ...{ id: brews.id, siteId: brews.siteId, lotId: brews.lotId, kettle: brews.kettle },
      ...{ startedAt: brews.startedAt, waterOn: brews.waterOn, pulled: brews.pulled },
      ...{ plan: brews.plan, marks: brews.marks, readings: brews.readings, outs: brews.outs },
      ...{ verdict: brews.verdict, versionId: brews.versionId, proposal: brews.proposal },
      version: { number: versions.number, recipe: versions.recipe },
      vessel: vessels.name,
      by: { id: people.id, name: people.name },
      leftOutWhy: brews.leftOutWhy,
      leftOutBy: { id: leftOutBy.id, name: leftOutBy.name },
    })
    .from(brews)
    .innerJoin(versions, eq(versions.id, brews.versionId))
    .leftJoin(vessels, eq(vessels.id, brews.vesselId))
    .leftJoin(people, eq(people.id, brews.judgedBy))
    .leftJoin(leftOutBy, eq(leftOutBy.id, brews.leftOutBy))
    .where(
      and(
        ...[eq(brews.teaId, teaId), eq(brews.state, 'judged'), eq(versions.method, method)],
        isNotNull(brews.verdict),
      ),
    )
    .orderBy(desc(brews.startedAt), desc(brews.id))
    .limit(MOST_CUPS);
export type JudgedBrew = Awaited<ReturnType<typeof judgedBrewsOf>>[number];

/** So many of a site's brews are looked through for what thermometers showed. */
const LOOKED_THROUGH = 300;
/** What thermometers showed at a site against each card, °C, one a brew, the newest brews. */
export async function heatsOffAt(tx: Tx, siteId: string): Promise<Celsius[]> {
  const ids = (await idsInOrder(tx, 'log_site', eq(brews.siteId, siteId), LOOKED_THROUGH)).map(
    (found) => found.id,
  );
  if (ids.length === 0) return [];
  const rows = await tx
    .select({
      ...{ plan: brews.plan, marks: brews.marks, readings: brews.readings, outs: brews.outs },
      ...{ waterOn: brews.waterOn, pulled: brews.pulled, style: teas.style },
    })
    .from(brews)
    .innerJoin(teas, eq(teas.id, brews.teaId))
    .where(
      and(
        ...[inArray(brews.id, ids), isNotNull(brews.pulled), isNotNull(brews.waterOn)],
        ne(brews.state, 'abandoned'),
        sql`json_length(${brews.readings}) > 0`,
      ),
    );
  return rows.flatMap(({ plan, style, marks, readings, outs, waterOn, pulled }) => {
    if (!waterOn || !pulled || plan.steep) return [];
    const on = epochMs(waterOn.getTime());
    const steeped = secondsBetween(on, epochMs(pulled.getTime()));
    const { heatOff } = planAsDone(plan, style, {
      ...{ steeped, waterOn: on, marks, readings, outs: outs ?? undefined },
    });
    return heatOff === null ? [] : [heatOff];
  });
}

/** The kettle that a site usually heats its water in. */
export const kettleAt = async (tx: Tx, siteId: string): Promise<string | null> =>
  (await tx.select({ kettle: sites.kettle }).from(sites).where(eq(sites.id, siteId)))[0]?.kettle
    .name ?? null;

/** The newest version of a tea's method that was made from advice, if it is brewed by or was. */
export const predictedVersion = async (tx: Tx, teaId: string, method: Method) =>
  (
    await tx
      .select({ id: versions.id, number: versions.number, expected: versions.expected })
      .from(versions)
      .where(
        and(
          ...[eq(versions.teaId, teaId), eq(versions.method, method)],
          ...[isNotNull(versions.expected), inArray(versions.state, ['house', 'trial'])],
        ),
      )
      .orderBy(desc(versions.number))
      .limit(1)
  )[0];

/** A brew as it is left out or not. */
export const leftOutOf = async (tx: Tx, brewId: string) =>
  (
    await tx
      .select({
        ...{ teaId: brews.teaId, startedAt: brews.startedAt, state: brews.state },
        why: brews.leftOutWhy,
      })
      .from(brews)
      .where(eq(brews.id, brewId))
      .for('update')
  )[0];
export const setLeftOut = (tx: Tx, brewId: string, why: string | null, personId: string) =>
  tx
    .update(brews)
    .set({ leftOutWhy: why, leftOutBy: why === null ? null : personId })
    .where(eq(brews.id, brewId));
