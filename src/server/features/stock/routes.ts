import { countLot, countPockets, fillPockets, getStock, priceLot } from '#contracts/stock';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { createPocketService } from './pockets';
import { createStockService } from './service';

export function stockRoutes(on: ReturnType<typeof routes>, deps: Deps) {
  const stock = createStockService(deps);
  const pockets = createPocketService(deps);
  on.signed(getStock, ({ who }) => stock.all(who.siteId));
  on.signed(countLot, ({ params, body, who }) => stock.count(params.id, body, who));
  on.signed(priceLot, ({ params, body, who }) => stock.price(params.id, body.price, who));
  on.signed(fillPockets, ({ body, who }) => pockets.fill(body, who));
  on.signed(countPockets, ({ params, body, who }) => pockets.count(params.id, body, who));
}
