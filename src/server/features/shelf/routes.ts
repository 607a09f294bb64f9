import { addVessel, changeVessel, listVessels } from '#contracts/shelf';
import type { routes } from '../../http/route';
import type { Shelf } from './service';

export function shelfRoutes(on: ReturnType<typeof routes>, shelf: Shelf) {
  on.signed(listVessels, async () => ({ vessels: await shelf.all() }));
  on.signed(addVessel, ({ body }) => shelf.add(body));
  on.signed(changeVessel, ({ params, body }) => shelf.change(params.id, body));
}
