import { createHmac } from 'node:crypto';
import { createServer, type IncomingHttpHeaders } from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import type { ProgramRight } from '../src/contracts/programs';
import {
  AGAIN_MS,
  createProgramKeys,
  createProgramMessages,
  createProgramOrders,
  MOST_A_MINUTE,
} from '../src/server/features/programs';
import { TEST_INSTANT } from './clock';
import { type Begun, begunHouse, brewBody, newId, work } from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

type Made = { id: string; key: string; secret: string | null };
async function make(rights: ProgramRight[], hook: string | null = null): Promise<Made> {
  const id = newId();
  const { body } = await h.callers.lead
    .post('/api/programs', { id, siteId: h.ids.site, name: 'Door till', rights, hook })
    .expect(200);
  return { id, key: body.key, secret: body.secret };
}
/** As a program calls: no cookie, no origin. */
const as = (key: string) => ({
  get: (path: string) =>
    request(h.app).get(`/api/program/${path}`).set('authorization', `Bearer ${key}`),
  post: (path: string, body: object) =>
    request(h.app).post(`/api/program/${path}`).set('authorization', `Bearer ${key}`).send(body),
});
const order = (over: object = {}) => ({
  id: newId(),
  teaId: h.ids.tea,
  forWhom: 'ticket 7',
  ...over,
});
const queue = async () => (await h.callers.brewer.get('/api/bar').expect(200)).body.orders;

describe('keys', () => {
  test('said once, kept as a hash, used as noted, and nothing once they are ended', async () => {
    const id = newId();
    const body = { id, siteId: h.ids.site, name: 'Till', rights: ['book', 'book'], hook: null };
    const { key } = (await h.callers.lead.post('/api/programs', body).expect(200)).body;
    expect((await h.callers.lead.post('/api/programs', body).expect(200)).body.key).toBeNull();
    const [kept] = (await h.pool.query('select key_hash, rights from programs'))[0] as {
      key_hash: string;
      rights: string;
    }[];
    expect(kept?.key_hash).not.toContain(key);
    expect(JSON.parse(kept?.rights ?? '')).toEqual(['book']);
    const { teas } = (await as(key).get('book').expect(200)).body;
    expect(teas).toEqual([expect.objectContaining({ id: h.ids.tea, name: 'Tolvane Amber' })]);
    const listed = async () =>
      (await h.callers.lead.get('/api/programs').expect(200)).body.programs[0];
    expect(await listed()).toMatchObject({ used: expect.any(Number), ended: null, waiting: 0 });
    await h.callers.lead.post(`/api/programs/${id}/end`, {}).expect(200);
    expect((await as(key).get('book').expect(401)).body.code).toBe('program.key');
    expect(await listed()).toMatchObject({ ended: expect.any(Number) });
  });
  test('a key opens what it was given, and no more; a session is no key, a key no session', async () => {
    const { key } = await make(['bar']);
    await as(key).get('bar').expect(200);
    for (const refused of [
      as(key).get('book'),
      as(key).get('orders'),
      as(key).post('orders', order()),
    ])
      expect((await refused).body.code).toBe('program.right');
    await h.callers.lead.get('/api/program/bar').expect(401);
    await request(h.app).get('/api/bar').set('authorization', `Bearer ${key}`).expect(401);
    await as('x'.repeat(43)).get('bar').expect(401);
    await h.callers.brewer.get('/api/programs').expect(403);
  });
  test('a key that asks too often waits for the next minute; another does not', async () => {
    const [busy, calm] = [await make(['book']), await make(['book'])];
    const time = { at: TEST_INSTANT + 20_000 };
    const keys = createProgramKeys({ db: h.db, now: () => time.at, work });
    for (let i = 0; i < MOST_A_MINUTE; i++) await keys.allow(busy.key, 'book');
    await expect(keys.allow(busy.key, 'book')).rejects.toMatchObject({
      ...{ code: 'program.wait', status: 429, extra: { details: { wait: 40 } } },
    });
    await keys.allow(calm.key, 'book');
    time.at += 40_000;
    await keys.allow(busy.key, 'book');
  });
  test('what cannot be is said beside its field', async () => {
    const given = { id: newId(), siteId: h.ids.site, name: 'Till', rights: ['book'], hook: null };
    for (const [over, field] of [
      [{ rights: [] }, 'rights'],
      [{ hook: 'ftp://till.test' }, 'hook'],
      [{ hook: 'no address' }, 'hook'],
      [{ name: '' }, 'name'],
    ] as const)
      expect(
        (await h.callers.lead.post('/api/programs', { ...given, ...over }).expect(422)).body.fields,
      ).toHaveProperty(field);
  });
});

describe('a till', () => {
  test('its order waits up next under its name, behind what waits; sent twice it is one', async () => {
    const { key } = await make(['orders']);
    const first = order();
    expect((await as(key).post('orders', first).expect(200)).body).toMatchObject({
      state: 'waiting',
      ready: null,
    });
    await as(key).post('orders', first).expect(200);
    await as(key)
      .post('orders', order({ forWhom: 'ticket 8', water: 400 }))
      .expect(200);
    expect(
      (await queue()).map((o: { forWhom: string; by: { name: string }; water: number | null }) => [
        o.forWhom,
        o.by.name,
        o.water,
      ]),
    ).toEqual([
      ['ticket 7', 'Door till', null],
      ['ticket 8', 'Door till', 400],
    ]);
    await as(key)
      .post('orders', order({ teaId: newId() }))
      .expect(404);
    expect((await as(key).post('orders', order({ forWhom: 'x'.repeat(61) }))).status).toBe(422);
  });
  test('it is told how its orders are: waiting, brewing, ready, dropped; nobody else’s', async () => {
    const [till, other] = [await make(['orders', 'bar']), await make(['orders'])];
    const [mine, dropped] = [order(), order()];
    await as(till.key).post('orders', mine).expect(200);
    await as(till.key).post('orders', dropped).expect(200);
    await h.callers.brewer.patch(`/api/orders/${dropped.id}`, { state: 'dropped' }).expect(200);
    const brew = brewBody(h, { orderId: mine.id });
    await h.callers.brewer.post('/api/brews', brew).expect(200);
    const states = async () =>
      Object.fromEntries(
        (await as(till.key).get('orders').expect(200)).body.orders.map(
          (o: { id: string; state: string }) => [o.id, o.state],
        ),
      );
    expect(await states()).toEqual({ [mine.id]: 'brewing', [dropped.id]: 'dropped' });
    const bar = (await as(till.key).get('bar').expect(200)).body;
    expect(bar.brews).toEqual([
      expect.objectContaining({
        tea: 'Tolvane Amber',
        state: 'steeping',
        ready: expect.any(Number),
      }),
    ]);
    await h.callers.brewer
      .post(`/api/brews/${brew.id}/events`, { id: newId(), at: h.now(), kind: 'pull' })
      .expect(200);
    expect(await states()).toEqual({ [mine.id]: 'ready', [dropped.id]: 'dropped' });
    expect((await as(other.key).get('orders').expect(200)).body.orders).toEqual([]);
  });
});

describe('an order that is ready', () => {
  const deps = () => ({ db: h.db, now: h.now, work });
  type Heard = { headers: IncomingHttpHeaders; body: string };
  /** A till's own server; `answer` is what it says. */
  async function listening(answer: () => number) {
    const heard: Heard[] = [];
    const server = createServer((req, res) => {
      let body = '';
      req.on('data', (d) => (body += d));
      req.on('end', () => {
        heard.push({ headers: req.headers, body });
        res.writeHead(answer(), answer() === 302 ? { location: 'http://127.0.0.1:1/' } : {}).end();
      });
    });
    await new Promise<void>((r) => server.listen(0, '127.0.0.1', r));
    return {
      heard,
      address: `http://127.0.0.1:${(server.address() as AddressInfo).port}/ready`,
      close: () => new Promise((r) => server.close(r)),
    };
  }
  async function readyOrder(key: string) {
    const mine = order();
    await as(key).post('orders', mine).expect(200);
    const brew = brewBody(h, { orderId: mine.id });
    await h.callers.brewer.post('/api/brews', brew).expect(200);
    await h.callers.brewer
      .post(`/api/brews/${brew.id}/events`, { id: newId(), at: h.now(), kind: 'pull' })
      .expect(200);
    return mine;
  }
  test('is said once to its program, signed; two processes at once send one message', async () => {
    const till = await listening(() => 204);
    const { key, secret } = await make(['orders'], till.address);
    const orders = [0, 1].map(() => createProgramOrders(deps(), { nudge: () => undefined }));
    const messages = [0, 1].map(() => createProgramMessages(deps()));
    expect(await orders[0]?.noteReady()).toBe(0);
    const mine = await readyOrder(key);
    await Promise.all(orders.map((o) => o.noteReady()));
    await Promise.all(messages.map((m) => m.sendDue()));
    await Promise.all(messages.map((m) => m.sendDue()));
    expect(till.heard).toHaveLength(1);
    const { headers, body } = till.heard[0] as Heard;
    expect(JSON.parse(body)).toMatchObject({
      event: 'order.ready',
      order: { id: mine.id, forWhom: 'ticket 7', state: 'ready' },
    });
    const [, at, mark] = /^t=(\d+),v1=(\w+)$/.exec(String(headers['limnos-signature'])) ?? [];
    expect(mark).toBe(
      createHmac('sha256', secret ?? '')
        .update(`${at}.${body}`)
        .digest('hex'),
    );
    await till.close();
  });
  test('an address that is away or sends elsewhere: again and again, later and later, then given up', async () => {
    let answer = 500;
    const till = await listening(() => answer);
    const { key } = await make(['orders'], till.address);
    await readyOrder(key);
    const messages = createProgramMessages(deps());
    await createProgramOrders(deps(), { nudge: () => undefined }).noteReady();
    const shown = async () =>
      (await h.callers.lead.get('/api/programs').expect(200)).body.programs[0];
    expect(await messages.sendDue()).toBe(1);
    expect(await messages.sendDue()).toBe(0);
    expect(await shown()).toMatchObject({ waiting: 1, lost: 0 });
    for (const wait of AGAIN_MS) {
      answer = 302;
      h.time.ahead += wait - 1000;
      expect(await messages.sendDue()).toBe(0);
      h.time.ahead += 2000;
      expect(await messages.sendDue()).toBe(1);
    }
    expect(await shown()).toMatchObject({ waiting: 0, lost: 1 });
    h.time.ahead += 86_400_000;
    expect(await messages.sendDue()).toBe(0);
    expect(new Set(till.heard.map((m) => m.body)).size).toBe(1);
    expect(till.heard).toHaveLength(AGAIN_MS.length + 1);
    await till.close();
  });
  test('a program whose key has ended hears no more', async () => {
    const till = await listening(() => 204);
    const { id, key } = await make(['orders'], till.address);
    await readyOrder(key);
    await h.callers.lead.post(`/api/programs/${id}/end`, {}).expect(200);
    await createProgramOrders(deps(), { nudge: () => undefined }).noteReady();
    await createProgramMessages(deps()).sendDue();
    expect(till.heard).toEqual([]);
    await till.close();
  });
});
