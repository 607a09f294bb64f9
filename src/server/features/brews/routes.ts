import { addBrewEvent, getBar, getBrew, getPulls, listBrews, startBrew } from '#contracts/brews';
import type { routes } from '../../http/route';
import type { Brewing } from './service';

export function brewRoutes(on: ReturnType<typeof routes>, brewing: Brewing) {
  on.signed(getBar, ({ who }) => brewing.bar(who.siteId));
  on.signed(startBrew, ({ body, who }) => brewing.start(body, who));
  on.signed(addBrewEvent, ({ params, body, who }) => brewing.event(params.id, body, who));
  on.signed(getPulls, ({ params, who }) => brewing.pulls(params.id, who.siteId));
  on.signed(getBrew, ({ params }) => brewing.one(params.id));
  on.signed(listBrews, ({ query }) => brewing.log(query));
}
