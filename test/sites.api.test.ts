// Two sites of one house: who acts where, who reads what, and when a session ends.
import { USUAL_HOUSE_LIMITS } from '../src/core/cold';
import {
  type Begun,
  begunHouse,
  brewBody,
  type Caller,
  cookieOf,
  from,
  newId,
  orderBody,
  POT,
  SECRETS,
  SITE,
} from './house';

let h: Begun;
/** A brewer of the other site, with a pot there. */
let other: { site: string; pot: string; person: string; brewer: Caller };
const SECRET = '9753';
const signIn = async (personId: string, siteId: string, secret: string) =>
  from(
    h.app,
    cookieOf(await from(h.app).post('/api/session', { personId, siteId, secret }).expect(200)),
  );
beforeEach(async () => {
  h = await begunHouse();
  other = { site: newId(), pot: newId(), person: newId(), brewer: h.callers.brewer };
  const { lead } = h.callers;
  await lead.post('/api/sites', { ...SITE, name: 'Other room', id: other.site }).expect(200);
  await lead.post('/api/vessels', { ...POT, id: other.pot, siteId: other.site }).expect(200);
  await lead
    .post('/api/people', {
      id: other.person,
      name: 'Brewer O.',
      role: 'brewer',
      siteIds: [other.site],
      secret: SECRET,
    })
    .expect(200);
  other.brewer = await signIn(other.person, other.site, SECRET);
});
afterEach(() => h.close());

const brew = (over: object = {}) => brewBody(h, over);
const order = (siteId: string) => orderBody(h, { siteId });
const pull = () => ({ id: newId(), at: h.now(), kind: 'pull' });

test('a new site begins like another: its vessels and kettles as new ones, its limits; sent again it has them once', async () => {
  const { lead } = h.callers;
  const kettle = {
    ...{ id: newId(), siteId: h.ids.site, name: 'Counter kettle', kind: 'kettle', volume: 1500 },
    ...{ material: 'stainless', lid: true, setPoints: null, note: '' },
  };
  await lead.post('/api/kettles', kettle).expect(200);
  const limits = { ...USUAL_HOUSE_LIMITS, keepHours: 30 };
  const { id: _id, ...here } = (await lead.get('/api/house').expect(200)).body.session.site;
  await lead.patch(`/api/sites/${h.ids.site}`, { ...here, limits }).expect(200);
  const id = newId();
  const body = { ...SITE, name: 'Third room', id, likeSiteId: h.ids.site };
  await lead.post('/api/sites', { ...body, id: newId(), likeSiteId: newId() }).expect(404);
  expect((await lead.post('/api/sites', body).expect(200)).body.limits).toEqual(limits);
  await lead.post('/api/sites', body).expect(200);
  type Thing = { id: string; siteId: string; name: string; rev: number };
  const at = (list: Thing[], siteId: string) => list.filter((x) => x.siteId === siteId);
  const { vessels } = (await lead.get('/api/vessels').expect(200)).body;
  const { kettles } = (await lead.get('/api/kettles').expect(200)).body;
  for (const list of [vessels, kettles] as Thing[][]) {
    const [mine, theirs] = [at(list, id), at(list, h.ids.site)];
    expect(mine.map((x) => x.name).sort()).toEqual(theirs.map((x) => x.name).sort());
    expect(mine.length).toBeGreaterThan(0);
    expect(mine.some((x) => theirs.some((y) => y.id === x.id))).toBe(false);
  }
  // Who added it works there, and brews at once.
  const there = await signIn(h.ids.lead, id, SECRETS.lead);
  const [pot] = at(vessels, id);
  await there.post('/api/brews', brew({ siteId: id, vesselId: pot?.id })).expect(200);
});
test('only the people of a site act there', async () => {
  const here = (await h.callers.brewer.post('/api/brews', brew()).expect(200)).body as {
    id: string;
  };
  const queued = order(h.ids.site);
  await h.callers.brewer.post('/api/orders', queued).expect(200);
  const stranger = other.brewer;
  await stranger.post('/api/brews', brew()).expect(403);
  await stranger.post(`/api/brews/${here.id}/events`, pull()).expect(403);
  await stranger.post('/api/orders', order(h.ids.site)).expect(403);
  await stranger.patch(`/api/orders/${queued.id}`, { state: 'dropped' }).expect(403);
  await stranger
    .post(`/api/brews/${here.id}/photo?id=${newId()}`, Buffer.from('no matter'))
    .expect(403);
  await stranger.post('/api/brews', brew({ siteId: other.site, vesselId: other.pot })).expect(200);
  await h.callers.brewer.post(`/api/brews/${here.id}/events`, pull()).expect(200);
});

test('what happens at a site is read by its people; a lead reads across, and the log of “every site” is for a lead', async () => {
  const here = (await h.callers.brewer.post('/api/brews', brew()).expect(200)).body as {
    id: string;
  };
  const { brewer: stranger } = other;
  await stranger.get(`/api/brews/${here.id}`).expect(403);
  await h.callers.lead.get(`/api/brews/${here.id}`).expect(200);
  for (const path of [
    `/api/brews?siteId=${h.ids.site}`,
    `/api/log/brews.csv?siteId=${h.ids.site}`,
    `/api/trends?siteId=${h.ids.site}`,
    `/api/corrections?siteId=${h.ids.site}`,
    `/api/tastings?siteId=${h.ids.site}`,
  ]) {
    expect([path, (await stranger.get(path)).status]).toEqual([path, 403]);
    expect([path, (await h.callers.lead.get(path)).status]).toEqual([path, 200]);
  }
  const listed = async (who: Caller) =>
    (await who.get('/api/brews').expect(200)).body.brews.map((b: { id: string }) => b.id);
  expect(await listed(stranger)).toEqual([]);
  expect(await listed(h.callers.lead)).toEqual([here.id]);
  const sites = async (who: Caller) =>
    (await who.get('/api/house').expect(200)).body.session.sites.length;
  expect([await sites(stranger), await sites(h.callers.lead)]).toEqual([1, 2]);
});

test('in an exported log a name is for its bearer and for a lead', async () => {
  const here = (await h.callers.brewer.post('/api/brews', brew()).expect(200)).body as {
    id: string;
  };
  await h.callers.trainee.post(`/api/brews/${here.id}/events`, pull()).expect(200);
  const csv = async (who: Caller) => String((await who.get('/api/log/brews.csv').expect(200)).text);
  expect(await csv(h.callers.lead)).toMatch(/Brewer B\.,Trainee T\./);
  expect(await csv(h.callers.trainee)).toMatch(/,,Trainee T\.,/);
  expect(await csv(h.callers.trainee)).not.toContain('Brewer B.');
  expect((await h.callers.trainee.get('/api/log/brews.json').expect(200)).text).not.toContain(
    'Brewer B.',
  );
});

describe('a session ends', () => {
  const isIn = async (who: Caller) => (await who.get('/api/bar')).status === 200;
  test('when its site is taken away, and only that one', async () => {
    const both = newId();
    await h.callers.lead
      .post('/api/people', {
        id: both,
        name: 'Both B.',
        role: 'brewer',
        siteIds: [h.ids.site, other.site],
        secret: SECRET,
      })
      .expect(200);
    const [here, there] = [
      await signIn(both, h.ids.site, SECRET),
      await signIn(both, other.site, SECRET),
    ];
    await h.callers.lead
      .patch(`/api/people/${both}`, { rev: 1, siteIds: [h.ids.site] })
      .expect(200);
    expect([await isIn(here), await isIn(there)]).toEqual([true, false]);
    await here.post('/api/brews', brew({ siteId: other.site, vesselId: other.pot })).expect(403);
  });
  test('when its person’s secret is changed; a lead’s own, everywhere but here', async () => {
    const elsewhere = await signIn(h.ids.lead, h.ids.site, SECRETS.lead);
    await h.callers.lead
      .patch(`/api/people/${h.ids.lead}`, { rev: 1, secret: 'another long passphrase' })
      .expect(200);
    expect([await isIn(h.callers.lead), await isIn(elsewhere)]).toEqual([true, false]);
    await h.callers.lead
      .patch(`/api/people/${h.ids.brewer}`, { rev: 1, secret: '8642' })
      .expect(200);
    expect(await isIn(h.callers.brewer)).toBe(false);
  });
  test('but nobody takes the site from under themselves', async () => {
    const res = await h.callers.lead.patch(`/api/people/${h.ids.lead}`, {
      rev: 2,
      siteIds: [other.site],
    });
    expect([res.status, res.body.fields.siteIds]).toEqual([
      422,
      'You are signed in at this site. Sign in at another site first.',
    ]);
    expect(await isIn(h.callers.lead)).toBe(true);
  });
});
test('how dates are written at a site is on its labels: its own, changed by a lead, the usual until then', async () => {
  const { lead } = h.callers;
  const { site } = (await lead.get('/api/house').expect(200)).body.session;
  expect(site.region).toBeNull();
  const { id: _id, ...fields } = site;
  const region = { dates: 'monthDay', hours: 12, weekBegins: 'sunday' };
  const changed = await lead.patch(`/api/sites/${site.id}`, { ...fields, region }).expect(200);
  expect(changed.body.region).toEqual(region);
  const { session } = (await lead.get('/api/house').expect(200)).body;
  expect(session.site.region).toEqual(region);
  const wrong = { ...fields, rev: changed.body.rev, region: { ...region, hours: 13 } };
  await lead.patch(`/api/sites/${site.id}`, wrong).expect(422);
});
