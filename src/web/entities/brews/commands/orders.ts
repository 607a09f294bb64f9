import { type CupsAsked, NO_WISH, type Wish } from '#core/recipes';
import type { Millilitres } from '#core/units';
import type { Order } from '#contracts/brews';
import { now } from '../../../platform/clock';
import { newId } from '../../../platform/ids';
import type { CommandDeps } from './sending';

/** Between two orders, or past either end. */
function rankBetween(before: Order | undefined, after: Order | undefined): number {
  if (before && after) return (before.rank + after.rank) / 2;
  if (before) return before.rank + 1;
  return after ? after.rank - 1 : 0;
}

/** The queue before the bar. */
export function orderCommands({ write, say, me, site }: CommandDeps) {
  const changeOrder = (order: Order, body: { rank?: number; state?: 'waiting' | 'dropped' }) =>
    write({ kind: 'orderChange', id: newId(), orderId: order.id, body, order });
  const order = {
    add(
      what: {
        tea: { id: string; name: string };
        vesselId: string | null;
        water: Millilitres | null;
        forWhom: string;
        wish?: Wish;
        cups?: CupsAsked | null;
      },
      queue: readonly Order[],
    ): void {
      const id = newId();
      const body = {
        id,
        siteId: site.id,
        teaId: what.tea.id,
        vesselId: what.vesselId,
        water: what.water,
        forWhom: what.forWhom,
        wish: what.wish ?? NO_WISH,
        cups: what.cups ?? null,
        rank: rankBetween(queue.at(-1), undefined),
        at: Math.round(now()),
      };
      const added: Order = { ...body, teaName: what.tea.name, by: me() };
      write({ kind: 'order', id, body, order: added });
      say(`${what.tea.name} is up next${what.forWhom ? `, ${what.forWhom}` : ''}.`, {
        kind: 'order',
        order: added,
        body: { state: 'dropped' },
      });
    },
    drop(dropped: Order): void {
      changeOrder(dropped, { state: 'dropped' });
      say(`${dropped.teaName} is off the queue.`, {
        kind: 'order',
        order: dropped,
        body: { state: 'waiting' },
      });
    },
    /** To a place in the queue, counted from 0 without the order itself. */
    move(moved: Order, to: number, queue: readonly Order[]): void {
      const rest = queue.filter((o) => o.id !== moved.id);
      changeOrder(moved, { rank: rankBetween(rest[to - 1], rest[to]) });
    },
  };

  return { order, changeOrder };
}
