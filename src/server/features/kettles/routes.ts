import { addKettle, addReading, changeKettle, dropReading, listKettles } from '#contracts/kettles';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { createKettleService } from './service';

export function kettleRoutes(on: ReturnType<typeof routes>, deps: Deps) {
  const kettles = createKettleService(deps);
  on.signed(listKettles, async () => ({ kettles: await kettles.all() }));
  on.signed(addKettle, ({ body, who }) => kettles.add(body, who));
  on.signed(changeKettle, ({ params, body, who }) => kettles.change(params.id, body, who));
  on.signed(addReading, ({ params, body, who }) => kettles.addReading(params.id, body, who));
  on.signed(dropReading, ({ params, who }) => kettles.dropReading(params.id, params.reading, who));
}
