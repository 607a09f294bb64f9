import { and, eq, inArray } from 'drizzle-orm';
import type { z } from 'zod';
import { vesselFaults, type addVessel, type changeVessel, type Vessel } from '#contracts/shelf';
import type { Deps } from '../../deps';
import type { Tx } from '../../db/pool';
import { brews, vessels } from '../../db/schema/index';
import { AppError, invalid, notFound } from '../../http/errors';

const asVessel = (r: typeof vessels.$inferSelect): Vessel => ({ id: r.id, siteId: r.siteId, rev: r.rev, retired: r.retired, ...r.facts });
export async function vesselById(tx: Tx, id: string): Promise<Vessel | undefined> {
  const [row] = await tx.select().from(vessels).where(eq(vessels.id, id));
  return row && asVessel(row);
}
/** A site's vessels in use. */
export const vesselsAt = async (tx: Tx, siteId: string): Promise<Vessel[]> => (await tx.select().from(vessels).where(and(eq(vessels.siteId, siteId), eq(vessels.retired, false)))).map(asVessel);
function check(v: Pick<Vessel, 'brim' | 'mark' | 'basket'>) {
  const faults = vesselFaults(v);
  if (Object.keys(faults).length) throw invalid(faults);
}

export function shelf({ db }: Deps) {
  return {
    all: async (): Promise<Vessel[]> => (await db.select().from(vessels)).map(asVessel).sort((a, b) => b.brim - a.brim || a.name.localeCompare(b.name)),
    async add({ id, siteId, ...facts }: z.infer<typeof addVessel.body>): Promise<Vessel> {
      check(facts);
      const there = await vesselById(db, id);
      if (there) return there;
      await db.insert(vessels).values({ id, siteId, facts, rev: 1, retired: false });
      return { id, siteId, ...facts, rev: 1, retired: false };
    },
    /** Retiring keeps it for the brews that used it; one that is brewing stays. */
    async change(id: string, { rev, retired, ...facts }: z.infer<typeof changeVessel.body>): Promise<Vessel> {
      check(facts);
      if (retired) {
        const [busy] = await db.select({ id: brews.id }).from(brews).where(and(eq(brews.vesselId, id), inArray(brews.state, ['warming', 'steeping'])));
        if (busy) throw new AppError('vessel.inUse', 409, `${facts.name} is brewing now. Retire it when it is empty.`);
      }
      const [result] = await db.update(vessels).set({ facts, retired, rev: rev + 1 }).where(and(eq(vessels.id, id), eq(vessels.rev, rev)));
      const after = await vesselById(db, id);
      if (!after) throw notFound('That vessel');
      if (result.affectedRows === 0) throw new AppError('record.changed', 409, `${after.name} was changed by someone else meanwhile. Yours is still typed here: look at theirs, then save again.`, { details: { rev: after.rev } });
      return after;
    },
  };
}
export type Shelf = ReturnType<typeof shelf>;
