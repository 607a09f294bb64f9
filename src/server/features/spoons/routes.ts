import { addSpoon, changeSpoon, listSpoons } from '#contracts/kettles';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { createSpoonService } from './service';

export function spoonRoutes(on: ReturnType<typeof routes>, deps: Deps) {
  const spoons = createSpoonService(deps);
  on.signed(listSpoons, async () => ({ spoons: await spoons.all() }));
  on.signed(addSpoon, ({ body, who }) => spoons.add(body, who));
  on.signed(changeSpoon, ({ params, body, who }) => spoons.change(params.id, body, who));
}
