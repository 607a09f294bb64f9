import type { Brew } from '../src/contracts/brews';
import { type Begun, brewBody, type Caller, newId, POT } from './house';

// What the tests of the bar, of its news and of its log do alike.

/** Hands at the bar of a test's own house. */
export function atTheBar(house: () => Begun) {
  const startBody = (over: object = {}) => brewBody(house(), over);
  return {
    startBody,
    start: async (over: object = {}): Promise<Brew> =>
      (await house().callers.brewer.post('/api/brews', startBody(over)).expect(200)).body,
    event: (id: string, body: object, who: Caller = house().callers.brewer) =>
      who.post(`/api/brews/${id}/events`, { id: newId(), at: house().now(), ...body }),
    otherPot: async (name = 'Other pot') => {
      const id = newId();
      const { callers, ids } = house();
      await callers.lead.post('/api/vessels', { ...POT, id, siteId: ids.site, name }).expect(200);
      return id;
    },
  };
}
