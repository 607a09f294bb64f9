import {
  addKettle,
  addReading,
  addSpoon,
  changeKettle,
  changeSpoon,
  dropReading,
  listKettles,
  listSpoons,
} from '#contracts/kettles';
import { addVessel, changeVessel, listVessels } from '#contracts/vessels';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { createKettleService } from './kettles';
import { spoonShelf } from './spoons';
import { vesselShelf } from './vessels';

export function shelfRoutes(on: ReturnType<typeof routes>, deps: Deps) {
  const [vessels, spoons, kettles] = [
    vesselShelf(deps),
    spoonShelf(deps),
    createKettleService(deps),
  ];
  on.signed(listVessels, async () => ({ vessels: await vessels.all() }));
  on.signed(addVessel, ({ body, who }) => vessels.add(body, who));
  on.signed(changeVessel, ({ params, body, who }) => vessels.change(params.id, body, who));
  on.signed(listSpoons, async () => ({ spoons: await spoons.all() }));
  on.signed(addSpoon, ({ body, who }) => spoons.add(body, who));
  on.signed(changeSpoon, ({ params, body, who }) => spoons.change(params.id, body, who));
  on.signed(listKettles, async () => ({ kettles: await kettles.all() }));
  on.signed(addKettle, ({ body, who }) => kettles.add(body, who));
  on.signed(changeKettle, ({ params, body, who }) => kettles.change(params.id, body, who));
  on.signed(addReading, ({ params, body, who }) => kettles.read(params.id, body, who));
  on.signed(dropReading, ({ params, who }) => kettles.drop(params.id, params.reading, who));
}
