import { and, eq, inArray } from 'drizzle-orm';
import { VESSEL_IN_USE } from '#core/brews';
import type { Vessel } from '#contracts/vessels';
import type { Tx } from '../../db/pool';
import { brews, vessels } from '../../db/schema';

/** Every vessel of every site, retired ones too, the largest first. */
export const allVessels = async (tx: Tx): Promise<Vessel[]> =>
  (await tx.select().from(vessels)).sort((a, b) => b.brim - a.brim || a.name.localeCompare(b.name));
export async function vesselById(tx: Tx, id: string): Promise<Vessel | undefined> {
  const [row] = await tx.select().from(vessels).where(eq(vessels.id, id));
  return row;
}
/** A site's vessels in use. */
export const vesselsAt = (tx: Tx, siteId: string): Promise<Vessel[]> =>
  tx
    .select()
    .from(vessels)
    .where(and(eq(vessels.siteId, siteId), eq(vessels.retired, false)));

/** Whether a brew is in it now: warming or steeping. */
export async function isBrewing(tx: Tx, vesselId: string): Promise<boolean> {
  const [brew] = await tx
    .select({ id: brews.id })
    .from(brews)
    .where(and(eq(brews.vesselId, vesselId), inArray(brews.state, VESSEL_IN_USE)))
    .limit(1);
  return brew !== undefined;
}
