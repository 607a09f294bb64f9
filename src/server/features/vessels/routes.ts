import { addVessel, changeVessel, listVessels } from '#contracts/vessels';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { createVesselService } from './service';

export function vesselRoutes(on: ReturnType<typeof routes>, deps: Deps) {
  const vessels = createVesselService(deps);
  on.signed(listVessels, async () => ({ vessels: await vessels.all() }));
  on.signed(addVessel, ({ body, who }) => vessels.add(body, who));
  on.signed(changeVessel, ({ params, body, who }) => vessels.change(params.id, body, who));
}
