import type { z } from 'zod';
import { vesselFaults } from '#core/vessels';
import type { addVessel, changeVessel, Vessel, VesselFields } from '#contracts/vessels';
import { vessels } from '../../db/schema';
import { updateAtRevision } from '../../db/updateAtRevision';
import type { Deps } from '../../deps';
import { AppError, invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { inRecordedTransaction } from '../history';
import { allVessels, isBrewing, vesselById } from './repository';

function check(v: VesselFields) {
  const faults = vesselFaults(v);
  if (Object.keys(faults).length) throw invalid(faults);
}

export function createVesselService(deps: Deps) {
  return {
    all: () => allVessels(deps.db),
    /** A repeated id is the same vessel. */
    add({ id, siteId, ...fields }: z.infer<typeof addVessel.body>, who: Signed): Promise<Vessel> {
      check(fields);
      return inRecordedTransaction(deps, who, async (tx, record) => {
        const there = await vesselById(tx, id);
        if (there) return there;
        const vessel = { id, siteId, ...fields, rev: 1, retired: false };
        await tx.insert(vessels).values(vessel);
        await record({ thing: 'vessel', id, before: null, after: fields });
        return vessel;
      });
    },
    /** Retiring keeps it for the brews that used it; one that is brewing stays. */
    change(
      id: string,
      { rev, ...fields }: z.infer<typeof changeVessel.body>,
      who: Signed,
    ): Promise<Vessel> {
      check(fields);
      return inRecordedTransaction(deps, who, async (tx, record) => {
        const before = await vesselById(tx, id);
        if (!before) throw notFound('That vessel');
        if (fields.retired && (await isBrewing(tx, id)))
          throw new AppError(
            'vessel.inUse',
            409,
            `${fields.name} is brewing now. Retire it when it is empty.`,
          );
        await updateAtRevision(tx, vessels, before, rev, fields);
        await record({ thing: 'vessel', id, before, after: fields });
        return { ...before, ...fields, rev: rev + 1 };
      });
    },
  };
}
