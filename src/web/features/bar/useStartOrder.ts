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
  return (order: Order): void => {
    const tea = book?.teas.find((t) => t.id === order.teaId);
    const vessel = shelf?.vessels.find(
      (v) => v.id === order.vesselId && v.siteId === site.id && !v.retired,
    );
    const version = tea && vessel ? recipeFor(tea, methodFor(vessel))?.house : null;
    const asked = { water: order.water, cups: order.cups ?? null, wish: order.wish ?? NO_WISH };
    const busy = vessel !== undefined && !inUse.isFree(vessel.id);
    if (tea && vessel && version && !busy) {
      const started = commands.start({
        tea,
        lot: lotInUse(tea),
        version,
        vessel,
        water: order.water ?? millilitres(vessel.mark),
        warmed: version.recipe.warm,
        warming: true,
        orderId: order.id,
        wish: asked.wish,
        cups: asked.cups,
      });
      if (started) return commands.sayStarted(started);
    }
    const search = new URLSearchParams({
      ...{ tea: order.teaId, order: order.id },
      ...(order.vesselId && !busy && { vessel: order.vesselId }),
      ...orderToSearch(asked),
    });
    go(`/start?${search}`);
  };
}
