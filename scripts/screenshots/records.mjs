import { v7 } from 'uuid';
import { now } from './clock.mjs';

/** What the shop has recorded, read and written over its own interface as the person who is signed in. */
export function recordsOver(page, address) {
  const records = async (path) => (await page.request.get(path)).json();
  async function post(path, data) {
    const answer = await page.request.post(path, { data, headers: { origin: address } });
    if (!answer.ok()) throw new Error(`${path}: ${await answer.text()}`);
  }
  const teaCalled = async (name) =>
    (await records('/api/book')).teas.find((tea) => tea.name === name);
  const vesselCalled = async (name) =>
    (await records('/api/vessels')).vessels.find((vessel) => vessel.name === name);
  /** Somebody else is signed in from now on. */
  async function signedInAs(name, secret) {
    const { sites } = await records('/api/house');
    const { people } = await records(`/api/sites/${sites[0].id}/names`);
    const person = people.find((p) => p.name === name);
    await post('/api/session', { personId: person.id, siteId: sites[0].id, secret });
  }
  /** A brew that another tablet started so many seconds ago. */
  async function stands(tea, vessel, ago, place, warming = false) {
    const [t, v] = await Promise.all([teaCalled(tea), vesselCalled(vessel)]);
    const body = {
      id: v7(),
      siteId: v.siteId,
      teaId: t.id,
      versionId: t.house.id,
      vesselId: v.id,
      water: v.mark,
      warmed: t.house.recipe.warm,
      warming,
      place,
      at: now() - ago * 1000,
    };
    await post('/api/brews', body);
  }
  return { records, post, teaCalled, vesselCalled, signedInAs, stands };
}
