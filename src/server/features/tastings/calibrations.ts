import { and, desc, eq } from 'drizzle-orm';
import type { TasterError } from '#core/corrections';
import { calibrationOf, foldTasting, tasterErrorOf } from '#core/tastings';
import type { Tx } from '../../db/pool';
import { tastings } from '../../db/schema';
import { eventsAt } from './repository';

/** So many calibrations are looked through, the newest: whoever sat in none of them counts as a usual taster. */
const LOOKED_THROUGH = 12;

/** How steady each person tastes and how far off the others, by the last calibration each sat in. */
export async function tasterErrors(tx: Tx): Promise<ReadonlyMap<string, TasterError>> {
  const rows = await tx
    .select({ id: tastings.id, exercise: tastings.exercise })
    .from(tastings)
    .where(and(eq(tastings.kind, 'calibration'), eq(tastings.stage, 'revealed')))
    .orderBy(desc(tastings.at), desc(tastings.id))
    .limit(LOOKED_THROUGH);
  const found = new Map<string, TasterError>();
  for (const { id, exercise } of rows) {
    const { tasters } = calibrationOf(exercise, foldTasting(exercise, await eventsAt(tx, id)));
    for (const taster of tasters) {
      const wasScored = Object.values(taster.against).some((against) => against !== null);
      if (wasScored && !found.has(taster.id)) found.set(taster.id, tasterErrorOf(taster.against));
    }
  }
  return found;
}
