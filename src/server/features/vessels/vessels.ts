import { and, eq, inArray } from 'drizzle-orm';
import type { z } from 'zod';
import {
  type addVessel,
  type changeVessel,
  type Vessel,
  vesselFaults,
  type VesselFields,
} from '#contracts/vessels';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { brews, vessels } from '../../db/schema';
import type { Deps } from '../../deps';
import { AppError, invalid, notFound, recordChanged } from '../../http/errors';
import type { Signed } from '../../http/route';
import { recordChange } from '../history';

const asVessel = (r: typeof vessels.$inferSelect): Vessel => ({
  id: r.id,
  siteId: r.siteId,
  rev: r.rev,
  retired: r.retired,
  ...r.facts,
});
export const allVessels = async (tx: Tx): Promise<Vessel[]> =>
  (await tx.select().from(vessels))
    .map(asVessel)
    .sort((a, b) => b.brim - a.brim || a.name.localeCompare(b.name));
export async function vesselById(tx: Tx, id: string): Promise<Vessel | undefined> {
  const [row] = await tx.select().from(vessels).where(eq(vessels.id, id));
  return row && asVessel(row);
}
/** A site's vessels in use. */
export const vesselsAt = async (tx: Tx, siteId: string): Promise<Vessel[]> =>
  (
    await tx
      .select()
      .from(vessels)
      .where(and(eq(vessels.siteId, siteId), eq(vessels.retired, false)))
  ).map(asVessel);
function check(v: VesselFields) {
  const faults = vesselFaults(v);
  if (Object.keys(faults).length) throw invalid(faults);
}

export function vesselShelf({ db, now }: Deps) {
  return {
    all: () => allVessels(db),
    async add(
      { id, siteId, ...facts }: z.infer<typeof addVessel.body>,
      who: Signed,
    ): Promise<Vessel> {
      check(facts);
      const there = await vesselById(db, id);
      if (there) return there;
      await inTransaction(db, async (tx) => {
        await tx.insert(vessels).values({ id, siteId, facts, rev: 1, retired: false });
        await recordChange(tx, {
          thing: 'vessel',
          id,
          before: null,
          after: facts,
          by: who.personId,
          now: now(),
        });
      });
      return { id, siteId, ...facts, rev: 1, retired: false };
    },
    /** Retiring keeps it for the brews that used it; one that is brewing stays. */
    change: (
      id: string,
      { rev, retired, ...facts }: z.infer<typeof changeVessel.body>,
      who: Signed,
    ): Promise<Vessel> =>
      inTransaction(db, async (tx) => {
        check(facts);
        const before = await vesselById(tx, id);
        if (!before) throw notFound('That vessel');
        if (retired) {
          const [busy] = await tx
            .select({ id: brews.id })
            .from(brews)
            .where(and(eq(brews.vesselId, id), inArray(brews.state, ['warming', 'steeping'])));
          if (busy)
            throw new AppError(
              'vessel.inUse',
              409,
              `${facts.name} is brewing now. Retire it when it is empty.`,
            );
        }
        const [result] = await tx
          .update(vessels)
          .set({ facts, retired, rev: rev + 1 })
          .where(and(eq(vessels.id, id), eq(vessels.rev, rev)));
        if (result.affectedRows === 0) throw recordChanged(before.name, before.rev);
        await recordChange(tx, {
          thing: 'vessel',
          id,
          before,
          after: { ...facts, retired },
          by: who.personId,
          now: now(),
        });
        return { ...before, ...facts, retired, rev: rev + 1 };
      }),
  };
}
