import { EventEmitter } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { lt, max } from 'drizzle-orm';
import type { Response } from 'express';
import { pino } from 'pino';
import { Brew } from '../src/contracts/brews';
import { createApp } from '../src/server/app';
import { feed } from '../src/server/db/schema/index';
import { liveHub } from '../src/server/features/live';
import { atTheBar } from './atTheBar';
import { type Begun, begunHouse, cookieOf, from, SECRETS, work } from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());
const { start, event, otherPot } = atTheBar(() => h);

/** Reads a stream of events as a browser does; `heard` fills as they come. */
async function listen(server: Server, cookie: string, after?: number) {
  const heard: { id: number; event: string; data: { brew?: Brew; seq?: number } }[] = [];
  const stop = new AbortController();
  const res = await fetch(`http://127.0.0.1:${(server.address() as AddressInfo).port}/api/live`, {
    headers: { cookie, ...(after === undefined ? {} : { 'last-event-id': String(after) }) },
    signal: stop.signal,
  });
  expect([res.status, res.headers.get('content-type')]).toEqual([200, 'text/event-stream']);
  void (async () => {
    let text = '';
    for await (const chunk of res.body as unknown as AsyncIterable<Uint8Array>) {
      text += Buffer.from(chunk).toString();
      for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
        const lines = Object.fromEntries(
          text
            .slice(0, end)
            .split('\n')
            .map((l) => [l.slice(0, l.indexOf(':')), l.slice(l.indexOf(':') + 2)]),
        );
        if (lines.data)
          heard.push({
            id: Number(lines.id ?? NaN),
            event: lines.event ?? '',
            data: JSON.parse(lines.data) as object,
          });
        text = text.slice(end + 2);
      }
    }
  })().catch(() => undefined);
  return { heard, close: () => stop.abort() };
}
const until = async (good: () => boolean) => {
  for (let i = 0; i < 100 && !good(); i++) await new Promise((r) => setTimeout(r, 30));
  expect(good()).toBe(true);
};

describe('told as it happens', () => {
  const servers: Server[] = [];
  const process2 = () =>
    createApp({ work, db: h.db, now: h.now, log: pino({ level: 'silent' }), webFolder: null });
  const serve = async (app: ReturnType<typeof createApp>) => {
    const s = createServer(app).listen(0, '127.0.0.1');
    servers.push(s);
    await new Promise((r) => s.once('listening', r));
    return s;
  };
  afterEach(() => {
    for (const s of servers.splice(0)) {
      s.closeAllConnections();
      s.close();
    }
  });
  const signIn = async () =>
    cookieOf(
      await from(h.app)
        .post('/api/session', {
          personId: h.ids.trainee,
          siteId: h.ids.site,
          secret: SECRETS.trainee,
        })
        .expect(200),
    );

  test('two processes on one database: pages of both hear every write of either, once, in order', async () => {
    const [one, two] = [await serve(h.app), await serve(process2())];
    const cookie = await signIn();
    const [a, b] = [await listen(one, cookie), await listen(two, cookie)];
    await until(() => a.heard.length > 0 && b.heard.length > 0);
    const brew = await start();
    const viaTwo = from(process2(), cookie);
    await event(brew.id, { kind: 'step', key: 'stir1', outcome: 'done' }, viaTwo).expect(200);
    await event(brew.id, { kind: 'pull' }).expect(200);
    const told = (l: typeof a) => l.heard.filter((e) => e.event === 'brew');
    await until(() => told(a).length === 3 && told(b).length === 3);
    expect(told(a).map((e) => e.id)).toEqual(told(b).map((e) => e.id));
    expect(told(a).map((e) => e.id)).toEqual([...told(a).map((e) => e.id)].sort((x, y) => x - y));
    expect(told(b).at(-1)?.data.brew).toMatchObject({
      state: { kind: 'pulled' },
      pulledBy: { name: 'Brewer B.' },
    });
    a.close();
    b.close();
  });
  test('a page that was away hears what it missed, once, and nothing before it', async () => {
    const one = await serve(h.app);
    const cookie = await signIn();
    const brew = await start();
    const seq = ((await h.callers.brewer.get('/api/bar').expect(200)).body as { seq: number }).seq;
    await event(brew.id, { kind: 'pull' }).expect(200);
    await event(brew.id, { kind: 'close' }).expect(200);
    const late = await listen(one, cookie, seq);
    await until(() => late.heard.filter((e) => e.event === 'brew').length === 2);
    expect(late.heard[0]).toMatchObject({ event: 'hello', data: { seq } });
    late.close();
  });
  test('numbers have no gaps, however many write at once, and a site hears only of itself', async () => {
    const all = await Promise.all(Array.from({ length: 6 }, (_, i) => otherPot(`Pot ${i}`)));
    await Promise.all(all.map((vesselId, i) => start({ vesselId, place: i + 1 })));
    const rows = await h.db.select({ seq: feed.seq, site: feed.siteId }).from(feed);
    expect(rows.map((r) => r.seq).sort((x, y) => x - y)).toEqual(rows.map((_, i) => i + 1));
    expect(new Set(rows.map((r) => r.site))).toEqual(new Set([h.ids.site]));
  });
  test('a page that was away until its news was swept reads everything again; so does one that heard of more than there is', async () => {
    const cookie = await signIn();
    const server = await serve(h.app);
    const first = await start();
    await event(first.id, { kind: 'pull' }).expect(200);
    const told = ({ heard }: { heard: { event: string }[] }) =>
      heard.filter((e) => e.event !== 'hello' && e.event !== 'beat');
    const [{ seq }] = (await h.db.select({ seq: max(feed.seq) }).from(feed)) as [{ seq: number }];
    await h.db.delete(feed).where(lt(feed.seq, seq));
    const away = await listen(server, cookie, seq - 2);
    await until(() => told(away).length > 0);
    expect(told(away)).toMatchObject([{ event: 'reread', id: seq }]);
    const ahead = await listen(server, cookie, seq + 1000);
    await until(() => told(ahead).length > 0);
    expect(told(ahead)).toMatchObject([{ event: 'reread', id: seq }]);
    away.close();
    ahead.close();
  });
  test('a page that goes while its stream is being opened leaves nothing behind', async () => {
    const hub = liveHub(
      { db: h.db, now: h.now, work },
      { brewsByIds: async () => [], ordersAt: async () => [] },
    );
    class Wire extends EventEmitter {
      destroyed = false;
      written = '';
      writeHead = () => this;
      write = (text: string) => ((this.written += text), true);
      end = () => this;
    }
    const join = (wire: Wire) =>
      hub.join(h.ids.site, null, wire as unknown as Response, async () => true);
    const [goes, stays] = [new Wire(), new Wire()];
    const joined = [join(goes), join(stays)];
    goes.emit('close');
    await Promise.all(joined);
    expect([hub.devices().length, goes.written]).toEqual([1, '']);
    expect(stays.written).toContain('event: hello');
    stays.emit('close');
    expect(hub.devices()).toEqual([]);
    hub.close();
  });
  test('what was refused is told to nobody; what a lead changes is', async () => {
    const brew = await start();
    const count = async () => h.db.$count(feed);
    const before = await count();
    await event(brew.id, { kind: 'waterOn' }).expect(409);
    expect(await count()).toBe(before);
    await otherPot();
    expect(await count()).toBe(before + 1);
  });
  test('nobody signed in hears nothing; a session that ends is let go', async () => {
    const one = await serve(h.app);
    const res = await fetch(`http://127.0.0.1:${(one.address() as AddressInfo).port}/api/live`);
    expect(res.status).toBe(401);
  });
});
