import { and, desc, eq, gt, inArray, isNull, max, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { z } from 'zod';
import type { addProgramOrder, ProgramOrder, ReadyMessage } from '#contracts/programs';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { brews, orders, programMessages, programs } from '../../db/schema';
import type { Deps } from '../../deps';
import { notFound } from '../../http/errors';
import { appendEvents, type LiveHub } from '../live';
import { lockSite } from '../people';
import { allTeas } from '../teas';
import type { Keyed } from './keys';

/** Orders older than this are told no more. */
const TOLD_MS = 24 * 3_600_000;
/** So many that became ready are looked at in one go. */
const AT_ONCE = 50;

type Row = { readonly o: typeof orders.$inferSelect; readonly pulled: Date | null };
function stateOf({ o, pulled }: Row): ProgramOrder['state'] {
  if (o.state !== 'started') return o.state;
  return pulled ? 'ready' : 'brewing';
}
const asTold = (row: Row): ProgramOrder => ({
  id: row.o.id,
  teaId: row.o.teaId,
  forWhom: row.o.forWhom,
  at: row.o.at.getTime(),
  state: stateOf(row),
  ready: row.pulled?.getTime() ?? null,
});
const toldOrders = (tx: Tx) =>
  tx
    .select({ o: orders, pulled: brews.pulled })
    .from(orders)
    .leftJoin(brews, eq(brews.id, orders.brewId));

/** Orders of programs: put up next, told of, and said to be ready. */
export function createProgramOrders(deps: Deps, live: Pick<LiveHub, 'nudge'>) {
  const { db, now } = deps;
  async function requireOrder(tx: Tx, id: string, programId: string): Promise<ProgramOrder> {
    const [row] = await toldOrders(tx).where(
      and(eq(orders.id, id), eq(orders.programId, programId)),
    );
    if (!row) throw notFound('That order');
    return asTold(row);
  }
  return {
    /** Behind what waits. A repeated id is the same order. */
    async add({ at, ...given }: z.infer<typeof addProgramOrder.body>, program: Keyed) {
      const { siteId } = program;
      const told = await inTransaction(db, async (tx) => {
        await lockSite(tx, siteId);
        const [there] = await tx
          .select({ id: orders.id })
          .from(orders)
          .where(eq(orders.id, given.id));
        if (there) return requireOrder(tx, given.id, program.id);
        if (!(await allTeas(tx)).some((t) => t.id === given.teaId)) throw notFound('That tea');
        const [last] = await tx
          .select({ rank: max(orders.rank) })
          .from(orders)
          .where(and(eq(orders.siteId, siteId), eq(orders.state, 'waiting')));
        await tx.insert(orders).values({
          ...given,
          siteId,
          vesselId: null,
          rank: (last?.rank ?? 0) + 1,
          state: 'waiting',
          brewId: null,
          at: new Date(Math.min(at ?? now(), now())),
          personId: program.madeBy,
          programId: program.id,
        });
        await appendEvents(tx, siteId, [['queue', null]], now());
        return requireOrder(tx, given.id, program.id);
      });
      live.nudge(siteId);
      return told;
    },
    async own(program: Keyed): Promise<ProgramOrder[]> {
      const rows = await toldOrders(db)
        .where(and(eq(orders.programId, program.id), gt(orders.at, new Date(now() - TOLD_MS))))
        .orderBy(desc(orders.at), desc(orders.id));
      return rows.map(asTold);
    },
    /**
     * Of every order of a program whose steep has ended since this was called last, one message to the program's address.
     * Two processes that call this at once make one message.
     */
    noteReady: (): Promise<number> =>
      inTransaction(db, async (tx) => {
        const rows = await tx
          .select({ o: orders, pulled: brews.pulled, hook: programs.hook, ended: programs.ended })
          .from(orders)
          .innerJoin(brews, eq(brews.id, orders.brewId))
          .innerJoin(programs, eq(programs.id, orders.programId))
          .where(
            and(
              isNull(orders.readySaid),
              eq(orders.state, 'started'),
              sql`${brews.pulled} is not null`,
            ),
          )
          .limit(AT_ONCE)
          .for('update', { skipLocked: true });
        if (rows.length === 0) return 0;
        const at = new Date(now());
        const heard = rows.filter((r) => r.hook !== null && r.ended === null);
        for (const row of heard) {
          const id = v7();
          const body: ReadyMessage = {
            id,
            event: 'order.ready',
            at: at.getTime(),
            order: asTold(row),
          };
          await tx.insert(programMessages).values({
            ...{ id, programId: row.o.programId ?? '', body, at, due: at },
            ...{ tries: 0, state: 'waiting' as const },
          });
        }
        await tx
          .update(orders)
          .set({ readySaid: at })
          .where(
            inArray(
              orders.id,
              rows.map((r) => r.o.id),
            ),
          );
        return heard.length;
      }),
  };
}
