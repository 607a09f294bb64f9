import type { z } from 'zod';
import type { addSite, changeSite, Site } from '#contracts/sites';
import { personSites, sites } from '../../db/schema';
import { updateAtRevision } from '../../db/updateAtRevision';
import type { Deps } from '../../deps';
import { notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { inRecordedTransaction } from '../history';
import { siteById } from './repository';

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
  };
}
