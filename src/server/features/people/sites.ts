import type { z } from 'zod';
import { USUAL_FILTER_DAYS } from '#core/water';
import type { addSite, changeSite, Site } from '#contracts/sites';
import { personSites, sites } from '../../db/schema';
import { updateAtRevision } from '../../db/updateAtRevision';
import type { Deps } from '../../deps';
import { invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { inRecordedTransaction } from '../history';
import { siteById } from './repository';

/** Zones are up to 14 hours ahead: what is tomorrow here may be today there, ms. */
const A_DAY_MS = 86_400_000;

export function createSiteService(deps: Deps) {
  return {
    /** Who adds a site works there. A repeated id is the same site. */
    add: ({ id, ...fields }: z.infer<typeof addSite.body>, who: Signed): Promise<Site> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const there = await siteById(tx, id);
        if (there) return there;
        await tx.insert(sites).values({ id, ...fields, rev: 1 });
        await tx.insert(personSites).values({ personId: who.personId, siteId: id });
        await record({ thing: 'site', id, before: null, after: fields });
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
