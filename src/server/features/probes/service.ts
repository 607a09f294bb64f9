import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { z } from 'zod';
import { readProbe } from '#core/cold';
import { epochMs } from '#core/units';
import type { addProbe, addProbeReading, Probe } from '#contracts/probes';
import type { Tx } from '../../db/pool';
import { fridgeReadings, probes } from '../../db/schema';
import type { Deps } from '../../deps';
import { instantOf } from '../../http/clocks';
import { AppError, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { inRecordedTransaction } from '../history';
import { appendEvents, type LiveHub, notifyingTransaction } from '../live';
import { newToken, tokenHash } from '../people';
import { hasReading, probeById, probeOfKey, probesAt } from './repository';

/** Probes of a site's fridge: their keys, and what they send. */
export function createProbeService(deps: Deps, live: Pick<LiveHub, 'nudge'>) {
  const { db, now } = deps;
  const write = notifyingTransaction(db, live);
  const requireProbe = async (tx: Tx, id: string): Promise<Probe> => {
    const probe = await probeById(tx, id);
    if (!probe) throw notFound('That probe');
    return probe;
  };
  return {
    all: (siteId: string) => probesAt(db, siteId),
    /** A repeated id is the same probe; its key is told once. */
    add: ({ id, siteId, name }: z.infer<typeof addProbe.body>, who: Signed) =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        mustWorkAt(who, siteId);
        const there = await probeById(tx, id);
        if (there) return { probe: there, key: null };
        const key = newToken();
        await tx.insert(probes).values({
          id,
          siteId,
          name,
          keyHash: tokenHash(key),
          added: new Date(now()),
          addedBy: who.personId,
        });
        await record({ thing: 'probe', id, before: null, after: { name } });
        return { probe: await requireProbe(tx, id), key };
      }),
    /** Its key opens nothing from now on; ended twice it is ended once. */
    end: (id: string, who: Signed): Promise<Probe> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const probe = await requireProbe(tx, id);
        mustWorkAt(who, probe.siteId);
        if (probe.ended !== null) return probe;
        await tx
          .update(probes)
          .set({ ended: new Date(now()) })
          .where(eq(probes.id, id));
        await record({ thing: 'probe', id, before: { key: 'in use' }, after: { key: 'ended' } });
        return requireProbe(tx, id);
      }),
    /** What a probe sends: kept when it is believed, else the probe is marked and nothing is kept. */
    read: (key: string, given: z.infer<typeof addProbeReading.body>) =>
      write(
        (done: { siteId: string; doubt: Probe['doubt'] }) => done.siteId,
        async (tx) => {
          const probe = await probeOfKey(tx, tokenHash(key));
          if (!probe || probe.ended)
            throw new AppError(
              'probe.key',
              401,
              'This key opens nothing. Ask a lead for a new one.',
            );
          const at = new Date(instantOf(given.at ?? now(), now()));
          const { doubt, trail } = readProbe(
            { value: probe.value, since: probe.valueSince && epochMs(probe.valueSince.getTime()) },
            given.celsius,
            epochMs(at.getTime()),
          );
          await tx
            .update(probes)
            .set({
              heard: new Date(now()),
              doubt,
              value: trail.value,
              valueSince: trail.since === null ? null : new Date(trail.since),
            })
            .where(eq(probes.id, probe.id));
          const kept = doubt === null && !(await hasReading(tx, probe.id, at));
          const id = uuidv7();
          if (kept)
            await tx.insert(fridgeReadings).values({
              id,
              siteId: probe.siteId,
              at,
              celsius: given.celsius,
              probeId: probe.id,
            });
          if (kept || doubt !== probe.doubt)
            await appendEvents(tx, probe.siteId, [['batch', kept ? id : probe.id]], now());
          return { siteId: probe.siteId, doubt };
        },
      ),
  };
}
