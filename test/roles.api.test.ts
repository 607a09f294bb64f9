import { ENDPOINTS } from '../src/contracts/all';
import { ROLES } from '../src/contracts/people';
import { type Begun, begunHouse, brewBody, from, newId, orderBody } from './house';

let h: Begun;
beforeAll(async () => {
  h = await begunHouse();
});
afterAll(() => h.close());

// Those that end or change the session itself, and the stream that never ends, have tests of their own.
const all = Object.entries(ENDPOINTS).filter(
  ([name]) => !['signOut', 'lockSession', 'getLive'].includes(name),
);
const path = (p: string) => p.replace(/:(\w+)/g, () => newId());
const call = (who: ReturnType<typeof from>, method: string, p: string) =>
  who[method.toLowerCase() as 'get'](path(p), method === 'GET' ? undefined : {});

test('there are routes to walk', () => expect(all.length).toBeGreaterThan(20));

describe.each(all)('%s', (_name, e) => {
  test('nobody signed in', async () => {
    const res = await call(from(h.app), e.method, e.path);
    if (e.access === 'public') expect([401, 403]).not.toContain(res.status);
    else if (e.access === 'key') expect([res.status, res.body.code]).toEqual([401, 'key.none']);
    else expect([res.status, res.body.code]).toEqual([401, 'session.none']);
  });
  test.each(ROLES)('as %s', async (role) => {
    const res = await call(h.callers[role], e.method, e.path);
    // A session is no key.
    if (e.access === 'key') return expect([res.status, res.body.code]).toEqual([401, 'key.none']);
    const allowed = e.access === 'public' || ROLES.indexOf(role) >= ROLES.indexOf(e.access);
    if (allowed) expect([401, 403]).not.toContain(res.status);
    else expect([res.status, res.body.code]).toEqual([403, 'session.forbidden']);
    return expect(res.status).toBeLessThan(500);
  });
});
test('an address that is not there says so', async () =>
  expect((await h.callers.lead.get('/api/nothing').expect(404)).body.code).toBe('notFound'));

test('a write in another’s name is refused; one in the tablet’s name may do no more than a locked tablet', async () => {
  const order = orderBody(h);
  const other = await h.callers.trainee
    .post('/api/orders', order)
    .set('x-limnos-person', h.ids.brewer);
  expect([other.status, other.body.code]).toEqual([409, 'session.other']);
  await h.callers.brewer
    .post('/api/orders', order)
    .set('x-limnos-person', h.ids.brewer)
    .expect(200);
  const brew = brewBody(h);
  await h.callers.brewer.post('/api/brews', brew).expect(200);
  const event = (body: object) =>
    h.callers.brewer
      .post(`/api/brews/${brew.id}/events`, { id: newId(), at: h.now(), ...body })
      .set('x-limnos-device', encodeURIComponent('Left tablet'));
  expect((await event({ kind: 'abandon', reason: 'Spilled' })).status).toBe(423);
  const pulled = await event({ kind: 'pull' });
  expect([pulled.status, pulled.body.pulledDevice, pulled.body.pulledBy]).toEqual([
    200,
    'Left tablet',
    null,
  ]);
  expect((await event({ kind: 'claim' }).set('x-limnos-device', '%E0%A4%A')).status).toBe(422);
});
