import { and, eq, inArray } from 'drizzle-orm';
import { VESSEL_IN_USE } from '#core/brews';
import type { Tx } from '../../db/pool';
import { batches, brews, people, teas } from '../../db/schema';

/** What a vessel holds: hot tea that warms or steeps in it, or a cold batch that stands in it. */
export type InVessel = {
  readonly kind: 'brew' | 'batch';
  readonly id: string;
  readonly tea: string;
  readonly by: string;
};

/** The hot tea that is in a vessel. */
export async function brewInVessel(
  tx: Tx,
  siteId: string,
  vesselId: string,
): Promise<InVessel | undefined> {
  const [row] = await tx
    .select({ id: brews.id, tea: teas.name, by: people.name })
    .from(brews, { forceIndex: 'brews_open' })
    .innerJoin(teas, eq(teas.id, brews.teaId))
    .innerJoin(people, eq(people.id, brews.startedBy))
    .where(
      and(
        eq(brews.siteId, siteId),
        eq(brews.open, true),
        eq(brews.vesselId, vesselId),
        inArray(brews.state, VESSEL_IN_USE),
      ),
    )
    .limit(1);
  return row && { kind: 'brew', ...row };
}
/** The cold batch that is in a vessel. */
export async function batchInVessel(tx: Tx, vesselId: string): Promise<InVessel | undefined> {
  const [row] = await tx
    .select({ id: batches.id, tea: teas.name, by: people.name })
    .from(batches)
    .innerJoin(teas, eq(teas.id, batches.teaId))
    .innerJoin(people, eq(people.id, batches.startedBy))
    .where(and(eq(batches.vesselId, vesselId), eq(batches.standing, true)))
    .limit(1);
  return row && { kind: 'batch', ...row };
}
/** Whatever is in a vessel, hot or cold. */
export const inVessel = async (tx: Tx, siteId: string, vesselId: string) =>
  (await brewInVessel(tx, siteId, vesselId)) ?? (await batchInVessel(tx, vesselId));

/** Why nothing else goes into a vessel. */
export const inVesselWords = (vessel: string, held: InVessel): string =>
  held.kind === 'brew'
    ? `${vessel} is in use: ${held.by} started ${held.tea} in it.`
    : `${vessel} is in use: cold ${held.tea} is in the vessel. Empty the vessel first.`;
