import { and, eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { z } from 'zod';
import { USUAL_FILTER_DAYS } from '#core/water';
import type { addSite, changeSite, Site } from '#contracts/sites';
import type { Tx } from '../../db/pool';
import { kettles, personSites, sites, vessels } from '../../db/schema';
import { updateAtRevision } from '../../db/updateAtRevision';
import type { Deps } from '../../deps';
import { invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { inRecordedTransaction, type RecordChange } from '../history';
import { siteById } from './repository';

/** Zones are up to 14 hours ahead: what is tomorrow here may be today there, ms. */
const A_DAY_MS = 86_400_000;

/**
 * Vessels and kettles of the same kinds as at another site. What belongs to the very piece stays there: its weights, its
 * readings.
 */
async function shelfLike(tx: Tx, record: RecordChange, fromSite: string, siteId: string) {
  const theirs = (table: typeof vessels | typeof kettles) =>
    and(eq(table.siteId, fromSite), eq(table.retired, false));
  for (const { id: _id, ...vessel } of await tx.select().from(vessels).where(theirs(vessels))) {
    const fields = { ...vessel, siteId, weighed: null, rev: 1 };
    const id = v7();
    await tx.insert(vessels).values({ id, ...fields });
    await record({ thing: 'vessel', id, before: null, after: fields });
  }
  for (const { id: _id, ...kettle } of await tx.select().from(kettles).where(theirs(kettles))) {
    const fields = { ...kettle, siteId, rev: 1 };
    const id = v7();
    await tx.insert(kettles).values({ id, ...fields });
    await record({ thing: 'kettle', id, before: null, after: fields });
  }
}

export function createSiteService(deps: Deps) {
  return {
    /** Who adds a site works there. A repeated id is the same site. */
    add: ({ id, likeSiteId, ...typed }: z.infer<typeof addSite.body>, who: Signed): Promise<Site> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const there = await siteById(tx, id);
        if (there) return there;
        const like = likeSiteId === null ? null : await siteById(tx, likeSiteId);
        if (likeSiteId !== null && !like) throw notFound('The site to begin like');
        const fields = {
          ...typed,
          hours: typed.hours ?? like?.hours ?? null,
          limits: typed.limits ?? like?.limits ?? null,
          safety: typed.safety ?? like?.safety ?? null,
        };
        await tx.insert(sites).values({ id, ...fields, rev: 1 });
        await tx.insert(personSites).values({ personId: who.personId, siteId: id });
        await record({ thing: 'site', id, before: null, after: fields });
        if (like) await shelfLike(tx, record, like.id, id);
        return { id, ...fields, rev: 1 };
      }),
    change: (
      id: string,
      { rev, ...fields }: z.infer<typeof changeSite.body>,
      who: Signed,
    ): Promise<Site> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const before = await siteById(tx, id);
        if (!before) throw notFound('That site');
        await updateAtRevision(tx, sites, before, rev, fields);
        await record({ thing: 'site', id, before, after: fields });
        return { id, ...fields, rev: rev + 1 };
      }),
    /** A new filter is in. Whoever works at the site may say so; said again of the same day it changes nothing. */
    changeFilter: (id: string, changed: string, who: Signed): Promise<Site> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        mustWorkAt(who, id);
        const before = await siteById(tx, id);
        if (!before) throw notFound('That site');
        if (Date.parse(changed) > deps.now() + A_DAY_MS)
          throw invalid({ changed: 'This day is still to come.' });
        const { id: _id, rev, ...fields } = before;
        if (fields.water.filtered && fields.water.filter?.changed === changed) return before;
        const everyDays = fields.water.filter?.everyDays ?? USUAL_FILTER_DAYS;
        const after = {
          ...fields,
          water: { ...fields.water, filtered: true, filter: { changed, everyDays } },
        };
        await updateAtRevision(tx, sites, before, rev, after);
        await record({ thing: 'site', id, before, after });
        return { id, ...after, rev: rev + 1 };
      }),
  };
}
