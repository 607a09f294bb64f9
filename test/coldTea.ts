import { startingRecipe } from '#core/recipes';
import { celsius, grams, millilitres } from '#core/units';
import type { Batch, Cold } from '#contracts/batches';
import { type Begun, newId, PLAIN_TEA, POT } from './house';

/** A cold tea and its pitcher in a begun house, with what is done to batches of it. */
export async function coldTea(h: Begun) {
  const [pitcher, bottle, tea, version] = [newId(), newId(), newId(), newId()];
  const { lead, brewer } = h.callers;
  const fields = { ...POT, kind: 'pitcher', brim: 1150, mark: 1000, material: 'glass' };
  for (const [id, name] of [
    [pitcher, 'Pitcher 3'],
    [bottle, 'Bottle 1'],
  ] as const)
    await lead.post('/api/vessels', { ...fields, name, id, siteId: h.ids.site }).expect(200);
  await lead
    .post('/api/teas', {
      id: tea,
      versionId: version,
      name: 'Kestry Pearl',
      style: 'green-pan',
      method: 'fridge',
      ...PLAIN_TEA,
      weighing: { spoon: 'dessertSpoon', spoons: 5, weighed: grams(12.5), singles: [] },
      spoon: 'dessertSpoon',
      recipe: startingRecipe('green-pan', 'fridge'),
    })
    .expect(200);
  const startBody = (over: object = {}) => ({
    id: newId(),
    siteId: h.ids.site,
    teaId: tea,
    lotId: null,
    versionId: version,
    vesselId: pitcher,
    water: millilitres(1000),
    waterAt: celsius(8),
    at: h.now(),
    ...over,
  });
  const start = async (over: object = {}): Promise<Batch> =>
    (await brewer.post('/api/batches', startBody(over)).expect(200)).body as Batch;
  const act = (batch: Batch, body: object, by: keyof Begun['callers'] = 'brewer') =>
    h.callers[by].post(`/api/batches/${batch.id}/events`, { id: newId(), at: h.now(), ...body });
  const wait = (hours: number) => {
    h.time.ahead += hours * 3_600_000;
  };
  return {
    ids: { pitcher, bottle, tea, version },
    startBody,
    start,
    act,
    wait,
    cold: async (): Promise<Cold> => (await brewer.get('/api/batches').expect(200)).body as Cold,
    /** A batch that was lifted at its best. */
    async lifted(): Promise<Batch> {
      const batch = await start();
      wait(batch.plan.window.best / 3600);
      return (await act(batch, { kind: 'lift', yield: 900, squeezed: false }).expect(200))
        .body as Batch;
    },
  };
}
export type ColdTea = Awaited<ReturnType<typeof coldTea>>;
