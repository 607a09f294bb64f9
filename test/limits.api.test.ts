// What cannot be, and what has no end, is refused in words.
import { eq } from 'drizzle-orm';
import { pino } from 'pino';
import request from 'supertest';
import { ENDPOINTS } from '../src/contracts/all';
import { ROUTES } from '../src/contracts/routes';
import { ALL_RIGHT } from '../src/core/corrections/index';
import { createApp } from '../src/server/app';
import { brewEvents, versions } from '../src/server/db/schema/index';
import { fromDatabase, loggable } from '../src/server/http/errors';
import { type Begun, begunHouse, brewBody, newId, proposed, SECRETS, work } from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

const brew = (over: object = {}) => brewBody(h, over);
const start = async (over: object = {}): Promise<string> =>
  (await h.callers.brewer.post('/api/brews', brew(over)).expect(200)).body.id;
const event = (id: string, body: object) =>
  h.callers.brewer.post(`/api/brews/${id}/events`, { id: newId(), at: h.now(), ...body });
const DAY = 86_400_000;
const proposal = proposed(ALL_RIGHT);

test('a retired version is not brewed now; a brew that waited on a device since it was the house’s is kept', async () => {
  await h.db.update(versions).set({ state: 'retired' }).where(eq(versions.id, h.ids.version));
  const now = await h.callers.brewer.post('/api/brews', brew({ at: h.now() }));
  expect([now.status, now.body.message]).toEqual([
    409,
    'Tolvane Amber: version 1 is retired. Choose the tea again: the book has a newer version.',
  ]);
  await start({ at: h.now() - DAY });
});
test('a start of long ago is no brew of the bar', async () => {
  await start({ at: h.now() - 30 * DAY });
  for (const at of [h.now() - 40 * DAY, Date.UTC(2000, 0, 2)])
    expect(
      (await h.callers.brewer.post('/api/brews', brew({ at })).expect(422)).body.fields.at,
    ).toMatch(/more than a month ago/);
  await h.callers.brewer.post('/api/brews', brew({ at: Date.UTC(1999, 0, 1) })).expect(422);
  await h.callers.brewer.post('/api/brews', brew({ at: 8.64e15 })).expect(422);
});
test('nothing happens to a brew before it began, and none is judged before its steep ended', async () => {
  const id = await start();
  expect(
    (await event(id, { kind: 'pull', at: h.now() - 600_000 }).expect(409)).body.details.why,
  ).toBe('tooEarly');
  await event(id, { kind: 'pull' }).expect(200);
  const judge = { kind: 'judge', verdict: ALL_RIGHT, proposal, accepted: false, remark: '' };
  expect((await event(id, { ...judge, at: h.now() - 120_000 }).expect(409)).body.message).toMatch(
    /dated before the end of the steep/,
  );
  await event(id, { ...judge, remark: 'a'.repeat(201) }).expect(422);
  await event(id, { ...judge, remark: '茶'.repeat(200) }).expect(200);
});
test('a device gone wild fills a brew’s story to its limit, and no further', async () => {
  const id = await start();
  const row = (n: number) => ({
    id: newId(),
    brewId: id,
    kind: 'reading' as const,
    at: new Date(h.now()),
    received: new Date(h.now()),
    personId: h.ids.brewer,
    device: null,
    body: { id: newId(), at: h.now(), kind: 'reading' as const, celsius: 90 + (n % 5) },
    undone: false,
  });
  await h.db.insert(brewEvents).values(Array.from({ length: 299 }, (_, i) => row(i)) as never);
  expect((await event(id, { kind: 'pull' })).body.details?.why).toBe('tooMany');
});
test('a log is saved for a few at once; the others are asked to come again', async () => {
  await start();
  const all = await Promise.all(
    Array.from({ length: 12 }, async () => (await h.callers.lead.get('/api/log/brews.csv')).status),
  );
  expect(all.filter((s) => s === 200).length).toBeGreaterThanOrEqual(3);
  expect(all.filter((s) => s !== 200 && s !== 503)).toEqual([]);
  await h.callers.lead.get('/api/log/brews.csv').expect(200);
});

describe('behind HTTPS', () => {
  const signIn = (host: string, proto: string) =>
    request(
      createApp({
        work,
        db: h.db,
        now: h.now,
        log: pino({ level: 'silent' }),
        webFolder: null,
        trustedProxies: ['127.0.0.1', '::ffff:127.0.0.1', '::1'],
      }),
    )
      .post('/api/session')
      .set({ host, origin: `${proto}://${host}`, 'x-forwarded-proto': proto })
      .send({ personId: h.ids.lead, siteId: h.ids.site, secret: SECRETS.lead });
  test.each([
    ['tea.example', 'https', true, true],
    ['192.168.1.20', 'https', true, false],
    ['tea.example', 'http', false, false],
  ])('%s over %s', async (host, proto, secure, strict) => {
    const res = await signIn(host, proto).expect(200);
    expect(String(res.headers['set-cookie']).includes('Secure')).toBe(secure);
    expect('strict-transport-security' in res.headers).toBe(strict);
  });
});

test('every route there is has a contract that the walks of the tests know, and an answer of the server', async () => {
  const known = new Set(Object.values(ENDPOINTS).map((e) => `${e.method} ${e.path}`));
  for (const route of Object.values(ROUTES))
    expect(known).toContain(`${route.method} ${route.path}`);
  for (const { method, path } of Object.values(ROUTES)) {
    if (path === ROUTES.getLive.path || path.startsWith('/api/session')) continue;
    const res = await h.callers.lead[method.toLowerCase() as 'get'](
      path.replace(/:(\w+)/g, () => newId()),
    );
    expect([path, res.body.message]).not.toEqual([path, 'There is nothing at this address.']);
  }
});

describe('failures of the database', () => {
  test('a rollback on a connection that is gone says that the records are away', () =>
    expect(
      fromDatabase(
        Object.assign(new Error("Can't add new command when connection is in closed state"), {
          fatal: true,
        }),
      ),
    ).toMatchObject({ code: 'database.away', status: 503 }));
  test('the log holds no word of what people typed', async () => {
    const error: unknown = await h.db
      .insert(versions)
      .values({ id: 'SECRET WORDS'.repeat(9) } as never)
      .catch((e: unknown) => e);
    expect(String((error as Error).message)).toContain('SECRET WORDS');
    expect(JSON.stringify(loggable(error))).not.toContain('SECRET WORDS');
    expect(loggable(new Error('a fault of ours'))).toMatchObject({ message: 'a fault of ours' });
  });
});
