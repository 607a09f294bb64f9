import type { Brew } from '#contracts/brews';
import {
  addProgram,
  addProgramOrder,
  endProgram,
  listProgramOrders,
  listPrograms,
  readProgramBar,
  readProgramBook,
} from '#contracts/programs';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import type { LiveHub } from '../live';
import { allTeas } from '../teas';
import { createProgramKeys } from './keys';
import { createProgramMessages } from './messages';
import { createProgramOrders } from './orders';

export { createProgramKeys, MOST_A_MINUTE } from './keys';
export { AGAIN_MS, createProgramMessages, signatureOf } from './messages';
export { createProgramOrders } from './orders';

type Bar = {
  readonly brews: (siteId: string) => Promise<readonly Brew[]>;
  readonly waiting: (siteId: string) => Promise<number>;
};
/** When a steep is best ended; null before its water is on. */
const readyAt = ({ state, plan }: Brew): number | null =>
  'waterOn' in state ? state.waterOn + plan.recipe.window.best * 1000 : null;

/** Leads make keys; programs use them. */
export function programRoutes(
  on: ReturnType<typeof routes>,
  deps: Deps,
  live: Pick<LiveHub, 'nudge'>,
  bar: Bar,
) {
  const keys = createProgramKeys(deps);
  const orders = createProgramOrders(deps, live);
  on.signed(listPrograms, async () => ({ programs: await keys.all() }));
  on.signed(addProgram, ({ body, who }) => keys.add(body, who));
  on.signed(endProgram, ({ params, who }) => keys.end(params.id, who));
  on.keyed(readProgramBook, async ({ key }) => {
    await keys.allow(key, 'book');
    const teas = await allTeas(deps.db);
    return {
      teas: teas.map(({ id, name, style, allergens }) => ({ id, name, style, allergens })),
    };
  });
  on.keyed(readProgramBar, async ({ key }) => {
    const { siteId } = await keys.allow(key, 'bar');
    return {
      now: deps.now(),
      brews: (await bar.brews(siteId)).map((b) => ({
        id: b.id,
        tea: b.tea.name,
        place: b.place,
        state: b.state.kind,
        ready: readyAt(b),
      })),
      waiting: await bar.waiting(siteId),
    };
  });
  on.keyed(addProgramOrder, async ({ key, body }) =>
    orders.add(body, await keys.allow(key, 'orders')),
  );
  on.keyed(listProgramOrders, async ({ key }) => ({
    orders: await orders.own(await keys.allow(key, 'orders')),
  }));
}

/** How often orders that became ready are looked for, ms. */
const LOOK_MS = 1000;
/** Says orders ready and sends messages until `stop`; what fails is tried again at the next look. */
export function keepTelling(deps: Deps, failed: (error: unknown) => void): () => void {
  const orders = createProgramOrders(deps, { nudge: () => undefined });
  const messages = createProgramMessages(deps);
  let busy = false;
  const timer = setInterval(() => {
    if (busy) return;
    busy = true;
    orders
      .noteReady()
      .then(() => messages.sendDue())
      .catch(failed)
      .finally(() => {
        busy = false;
      });
  }, LOOK_MS);
  timer.unref();
  return () => clearInterval(timer);
}
