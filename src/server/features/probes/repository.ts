import { and, asc, eq } from 'drizzle-orm';
import type { Probe } from '#contracts/probes';
import type { Tx } from '../../db/pool';
import { fridgeReadings, people, probes } from '../../db/schema';

const rows = (tx: Tx) =>
  tx
    .select({ p: probes, by: people.name })
    .from(probes)
    .innerJoin(people, eq(people.id, probes.addedBy));
type Row = Awaited<ReturnType<typeof rows>>[number];
const asProbe = ({ p, by }: Row): Probe => ({
  id: p.id,
  siteId: p.siteId,
  name: p.name,
  added: p.added.getTime(),
  addedBy: by,
  ended: p.ended?.getTime() ?? null,
  heard: p.heard?.getTime() ?? null,
  doubt: p.doubt,
});
export const probesAt = async (tx: Tx, siteId: string): Promise<Probe[]> =>
  (await rows(tx).where(eq(probes.siteId, siteId)).orderBy(asc(probes.added), asc(probes.id))).map(
    asProbe,
  );
export async function probeById(tx: Tx, id: string): Promise<Probe | undefined> {
  const [row] = await rows(tx).where(eq(probes.id, id));
  return row && asProbe(row);
}
/** The probe whose key that is, held for the length of the transaction. */
export async function probeOfKey(tx: Tx, keyHash: string) {
  const [row] = await tx.select().from(probes).where(eq(probes.keyHash, keyHash)).for('update');
  return row;
}
export async function hasReading(tx: Tx, probeId: string, at: Date): Promise<boolean> {
  const [row] = await tx
    .select({ id: fridgeReadings.id })
    .from(fridgeReadings)
    .where(and(eq(fridgeReadings.probeId, probeId), eq(fridgeReadings.at, at)));
  return row !== undefined;
}
