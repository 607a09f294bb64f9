import { and, asc, eq } from 'drizzle-orm';
import type { z } from 'zod';
import type { Millilitres } from '#core/units';
import type { addOrder, changeOrder, Order } from '#contracts/brews';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { orders, people, programs, teas } from '../../db/schema';
import type { Deps } from '../../deps';
import { notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { appendEvents, type LiveHub } from '../live';
import { lockSite } from '../people';

/** What waits at a site, first first. */
export const waitingOrders = async (tx: Tx, siteId: string): Promise<Order[]> =>
  (
    await tx
      .select({ o: orders, tea: teas.name, by: people.name, program: programs.name })
      .from(orders)
      .innerJoin(teas, eq(teas.id, orders.teaId))
      .innerJoin(people, eq(people.id, orders.personId))
      .leftJoin(programs, eq(programs.id, orders.programId))
      .where(and(eq(orders.siteId, siteId), eq(orders.state, 'waiting')))
      .orderBy(asc(orders.rank), asc(orders.id))
  ).map(({ o, tea, by, program }) => ({
    id: o.id,
    siteId: o.siteId,
    teaId: o.teaId,
    teaName: tea,
    vesselId: o.vesselId,
    water: o.water as Millilitres | null,
    forWhom: o.forWhom,
    ...(o.wish && { wish: o.wish }),
    ...(o.cups && { cups: o.cups }),
    rank: o.rank,
    at: o.at.getTime(),
    // One that a program put has the program's name; the lead who made its key answers for it.
    by: { id: o.personId, name: program ?? by },
  }));

/** The queue before the bar. A repeated id gets the same answer again. */
export function queueing({ db, now }: Deps, live: Pick<LiveHub, 'nudge'>) {
  async function told(siteId: string, work: (tx: Tx) => Promise<void>) {
    const answer = await inTransaction(db, async (tx) => {
      await work(tx);
      const orders = await waitingOrders(tx, siteId);
      await appendEvents(tx, siteId, [['queue', null]], now());
      return { orders };
    });
    live.nudge(siteId);
    return answer;
  }
  return {
    add: ({ at, ...given }: z.infer<typeof addOrder.body>, who: Signed) =>
      told(given.siteId, async (tx) => {
        mustWorkAt(who, given.siteId);
        await lockSite(tx, given.siteId);
        const [there] = await tx
          .select({ id: orders.id })
          .from(orders)
          .where(eq(orders.id, given.id));
        if (!there)
          await tx.insert(orders).values({
            ...given,
            state: 'waiting',
            brewId: null,
            at: new Date(Math.min(at, now())),
            personId: who.personId,
          });
      }),
    async change(id: string, given: z.infer<typeof changeOrder.body>, who: Signed) {
      const [there] = await db
        .select({ siteId: orders.siteId })
        .from(orders)
        .where(eq(orders.id, id));
      if (!there) throw notFound('That order');
      mustWorkAt(who, there.siteId);
      return told(there.siteId, async (tx) => {
        const [row] = await tx
          .select({ state: orders.state })
          .from(orders)
          .where(eq(orders.id, id))
          .for('update');
        // One that was started meanwhile is past moving.
        if (row && row.state !== 'started' && Object.keys(given).length > 0)
          await tx.update(orders).set(given).where(eq(orders.id, id));
      });
    },
  };
}
