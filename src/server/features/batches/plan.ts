import { and, asc, eq, gte, inArray } from 'drizzle-orm';
import type { z } from 'zod';
import { epochMs } from '#core/units';
import type { changeColdPlan, ColdPlan, ColdPlanAnswer, ColdPoured } from '#contracts/coldPlans';
import type { Tx } from '../../db/pool';
import { batches, batchEvents, coldPlans, people } from '../../db/schema';
import type { Deps } from '../../deps';
import { recordChanged } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { appendEvents, type LiveHub, notifyingTransaction } from '../live';
import { lockSite } from '../people';

/** What was poured in so many days is learnt from. */
const LEARNT_FROM_MS = 84 * 86_400_000;

const NO_PLAN: ColdPlan = {
  ...{ rev: 0, demand: [], batches: [], places: null, leftFree: [] },
  changed: null,
};

/** The plan of a site. Batches whose leaf went in, under the same id, are no longer planned. */
export async function coldPlanOf(tx: Tx, siteId: string): Promise<ColdPlan> {
  const [row] = await tx
    .select({ plan: coldPlans, by: people.name })
    .from(coldPlans)
    .innerJoin(people, eq(people.id, coldPlans.changedBy))
    .where(eq(coldPlans.siteId, siteId));
  if (!row) return NO_PLAN;
  const { rev, demand, places, changed } = row.plan;
  const planned = row.plan.batches.map((b) => b.id);
  const rows =
    planned.length > 0
      ? await tx.select({ id: batches.id }).from(batches).where(inArray(batches.id, planned))
      : [];
  const begun = new Set(rows.map((b) => b.id));
  return {
    ...{ rev, demand, places, leftFree: row.plan.leftFree ?? [] },
    batches: row.plan.batches.filter((b) => !begun.has(b.id)),
    changed: { at: epochMs(changed.getTime()), by: row.by },
  };
}
/** Glasses poured since then and not taken back, as they happened. */
async function pouredSince(tx: Tx, siteId: string, since: number): Promise<ColdPoured[]> {
  const rows = await tx
    .select({ teaId: batches.teaId, plan: batches.plan, id: batchEvents.id, e: batchEvents })
    .from(batchEvents)
    .innerJoin(batches, eq(batches.id, batchEvents.batchId))
    .where(and(eq(batches.siteId, siteId), gte(batchEvents.at, new Date(since))))
    .orderBy(asc(batchEvents.at));
  const undone = new Set(rows.flatMap(({ e }) => (e.body.kind === 'undo' ? [e.body.of] : [])));
  return rows.flatMap(({ teaId, plan, e }): ColdPoured[] => {
    if (e.body.kind !== 'pour' || e.body.glasses === null || undone.has(e.id)) return [];
    const at = epochMs(e.at.getTime());
    return [{ teaId, method: plan.method, at, glasses: e.body.glasses }];
  });
}

/** The plan of what is to be begun, and what it is learnt from. */
export function createColdPlanService({ db, now }: Deps, live: Pick<LiveHub, 'nudge'>) {
  const write = notifyingTransaction(db, live);
  return {
    plan: async (siteId: string): Promise<ColdPlanAnswer> => ({
      plan: await coldPlanOf(db, siteId),
      poured: await pouredSince(db, siteId, now() - LEARNT_FROM_MS),
    }),
    /** @throws 409 when it is no longer at the revision it was made from */
    change: (
      { rev, ...fields }: z.infer<typeof changeColdPlan.body>,
      who: Signed,
    ): Promise<ColdPlan> =>
      write(
        () => who.siteId,
        async (tx) => {
          const { siteId } = who;
          mustWorkAt(who, siteId);
          await lockSite(tx, siteId);
          const before = await coldPlanOf(tx, siteId);
          if (before.rev !== rev) throw recordChanged('The plan', before.rev);
          const row = {
            ...fields,
            rev: rev + 1,
            changed: new Date(now()),
            changedBy: who.personId,
          };
          await tx
            .insert(coldPlans)
            .values({ siteId, ...row })
            .onDuplicateKeyUpdate({ set: row });
          await appendEvents(tx, siteId, [['batch', siteId]], now());
          return coldPlanOf(tx, siteId);
        },
      ),
  };
}
