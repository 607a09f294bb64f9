import { useRef } from 'react';
import { methodFor, NO_WISH } from '#core/recipes';
import { lotInUse, recipeFor } from '#core/teas';
import { millilitres } from '#core/units';
import type { Order } from '#contracts/brews';
import type { BarBrew } from '../../entities/brews/barBrews';
import type { BrewCommands } from '../../entities/brews/commands';
import { orderToSearch } from '../../entities/brews/orderSearch';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { useVesselsInUse } from '../../entities/vessels/useVesselsInUse';
import { useGo } from '../../platform/useGo';

/** Starts an order: at once where its vessel is free, else on its start card. */
export function useStartOrder(commands: BrewCommands, brews: readonly BarBrew[]) {
  const go = useGo();
  const { site } = useSession();
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
  const inUse = useVesselsInUse(brews);
  // Orders whose start is being written: a double tap starts one.
  const starting = useRef(new Set<string>());
  const startCard = (order: Order, vesselId: string | null) => {
    const asked = { water: order.water, cups: order.cups ?? null, wish: order.wish ?? NO_WISH };
    const search = new URLSearchParams({
      ...{ tea: order.teaId, order: order.id },
      ...(vesselId && { vessel: vesselId }),
      ...orderToSearch(asked),
    });
    go(`/start?${search}`);
  };
  return async (order: Order): Promise<void> => {
    if (starting.current.has(order.id)) return;
    const tea = book?.teas.find((t) => t.id === order.teaId);
    const vessel = shelf?.vessels.find(
      (v) => v.id === order.vesselId && v.siteId === site.id && !v.retired,
    );
    const version = tea && vessel ? recipeFor(tea, methodFor(vessel))?.house : null;
    const busy = vessel !== undefined && !inUse.isFree(vessel.id);
    if (!tea || !vessel || !version || busy) return startCard(order, busy ? null : order.vesselId);
    starting.current.add(order.id);
    try {
      // Fetched in a quiet moment before: the bar draws without what works out cards.
      const { startWrite } = await import('../../entities/brews/starts');
      const made = startWrite(
        {
          ...{ site, tea, lot: lotInUse(tea), version, vessel },
          water: order.water ?? millilitres(vessel.mark),
          ...{ warmed: version.recipe.warm, warming: true, orderId: order.id },
          ...{ wish: order.wish ?? NO_WISH, cups: order.cups ?? null },
        },
        commands.moment(),
      );
      if (made) commands.sayStarted(commands.start(made));
      else startCard(order, order.vesselId);
    } catch {
      // It could not be fetched, without a server: the start card says what is wrong.
      startCard(order, order.vesselId);
    } finally {
      starting.current.delete(order.id);
    }
  };
}
