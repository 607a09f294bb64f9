import type { z } from 'zod';
import type { addSpoon, changeSpoon, HouseSpoon } from '#contracts/kettles';
import type { Tx } from '../../db/pool';
import { spoons } from '../../db/schema';
import { updateAtRevision } from '../../db/updateAtRevision';
import type { Deps } from '../../deps';
import { notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { inRecordedTransaction } from '../history';
import { allSpoons, ownSpoonById } from './repository';

async function requireSpoon(tx: Tx, id: string): Promise<HouseSpoon> {
  const spoon = await ownSpoonById(tx, id);
  if (!spoon) throw notFound('That spoon');
  return spoon;
}

export function createSpoonService(deps: Deps) {
  return {
    all: () => allSpoons(deps.db),
    /** A repeated id is the same spoon. */
    add: ({ id, ...fields }: z.infer<typeof addSpoon.body>, who: Signed): Promise<HouseSpoon> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const there = await ownSpoonById(tx, id);
        if (there) return there;
        await tx.insert(spoons).values({ id, ...fields, rev: 1, retired: false });
        await record({ thing: 'spoon', id, before: null, after: fields });
        return requireSpoon(tx, id);
      }),
    change: (
      id: string,
      { rev, ...fields }: z.infer<typeof changeSpoon.body>,
      who: Signed,
    ): Promise<HouseSpoon> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const spoon = await requireSpoon(tx, id);
        await updateAtRevision(tx, spoons, spoon, rev, fields);
        const { name, ml, heaped, retired } = spoon;
        await record({ thing: 'spoon', id, before: { name, ml, heaped, retired }, after: fields });
        return requireSpoon(tx, id);
      }),
  };
}
