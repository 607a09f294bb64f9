import { EventEmitter } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { lt, max } from 'drizzle-orm';
import type { Response } from 'express';
import { pino } from 'pino';
import { Brew } from '../src/contracts/brews';
import { ALL_RIGHT, propose } from '../src/core/corrections/index';
import { houseBrew, startingRecipe } from '../src/core/recipes/index';
import { createApp } from '../src/server/app';
import { brewEvents, brews, feed, leadNotes, orders } from '../src/server/db/schema/index';
import { liveHub } from '../src/server/features/live';
import {
  type Begun,
  begunHouse,
  brewBody,
  type Caller,
  cookieOf,
  from,
  newId,
  POT,
  SECRETS,
  work,
} from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

const startBody = (over: object = {}) => brewBody(h, over);
const start = async (over: object = {}): Promise<Brew> =>
  (await h.callers.brewer.post('/api/brews', startBody(over)).expect(200)).body;
const event = (id: string, body: object, who: Caller = h.callers.brewer) =>
  who.post(`/api/brews/${id}/events`, { id: newId(), at: h.now(), ...body });
const bitter = { ...ALL_RIGHT, bitterness: 1 as const };
const proposed = (verdict: typeof ALL_RIGHT) =>
  propose({
    verdict,
    recipe: startingRecipe('black-whole'),
    style: 'black-whole',
    warmed: true,
    crowding: 0.1,
    brew: houseBrew({ style: 'black-whole', fitted: null }, startingRecipe('black-whole')),
  });
const proposal = proposed(bitter);
const otherPot = async (name = 'Other pot') => {
  const id = newId();
  await h.callers.lead.post('/api/vessels', { ...POT, id, siteId: h.ids.site, name }).expect(200);
  return id;
};

describe('taken back', () => {
  test('every kind of thing done, once, with all that came of it', async () => {
    const brew = await start({ warming: true });
    const done = async (body: object) => {
      const id = newId();
      const after = (await event(brew.id, { id, ...body }).expect(200)).body as Brew;
      return { id, after };
    };
    const undo = async (of: string) =>
      (await event(brew.id, { kind: 'undo', of }).expect(200)).body as Brew;
    const on = await done({ kind: 'waterOn', at: h.now() - 240_000 });
    expect((await undo(on.id)).state.kind).toBe('warming');
    await done({ kind: 'waterOn', at: h.now() - 240_000 });
    const step = await done({ kind: 'step', key: 'stir1', outcome: 'done' });
    expect(step.after.marks).toMatchObject([{ key: 'stir1', outcome: 'done' }]);
    expect((await undo(step.id)).marks).toEqual([]);
    const pull = await done({ kind: 'pull' });
    expect(pull.after).toMatchObject({
      state: { kind: 'pulled' },
      pulledBy: { name: 'Brewer B.' },
      timing: 'inWindow',
    });
    expect(await undo(pull.id)).toMatchObject({
      state: { kind: 'steeping' },
      pulledBy: null,
      timing: null,
    });
    await done({ kind: 'pull' });
    const judge = await done({
      kind: 'judge',
      verdict: bitter,
      proposal,
      accepted: true,
      remark: '',
    });
    expect([judge.after.state.kind, await h.db.$count(leadNotes)]).toEqual(['judged', 1]);
    expect(await undo(judge.id)).toMatchObject({ state: { kind: 'pulled' }, verdict: null });
    expect([
      await h.db.$count(leadNotes),
      (await h.callers.brewer.get('/api/bar').expect(200)).body.brews.length,
    ]).toEqual([0, 1]);
    const close = await done({ kind: 'close' });
    expect(close.after).toMatchObject({ state: { kind: 'judged' }, verdict: null });
    expect((await undo(close.id)).state.kind).toBe('pulled');
    const given = await done({ kind: 'abandon', reason: 'Spilled' });
    expect(await undo(given.id)).toMatchObject({ state: { kind: 'pulled' }, remark: '' });
    // A repeat of the taking back changes nothing.
    expect((await undo(given.id)).state.kind).toBe('pulled');
  });
  test('what came of corrections: the next judged cup of the tea, taken and not', async () => {
    const judged = async (verdict: typeof ALL_RIGHT, accepted: boolean) => {
      const brew = await start();
      await event(brew.id, { kind: 'pull' }).expect(200);
      await event(brew.id, {
        kind: 'judge',
        verdict,
        proposal: proposed(verdict),
        accepted,
        remark: '',
      }).expect(200);
      h.time.ahead += 600_000;
    };
    await judged(bitter, true);
    await judged(ALL_RIGHT, false);
    await judged(bitter, false);
    await judged(bitter, true);
    const { record, looked } = (
      await h.callers.brewer.get(`/api/corrections?siteId=${h.ids.site}`).expect(200)
    ).body;
    expect([
      looked,
      record.taken.n,
      record.taken.better,
      record.notTaken.n,
      record.notTaken.same,
      record.waiting,
    ]).toEqual([4, 1, 1, 1, 1, 1]);
  });
  test('a colour reading stands in the story of a lifted brew, and changes nothing else of it', async () => {
    const brew = await start();
    const colour = {
      kind: 'colour',
      way: 'reference',
      strength: 1.14,
      low: 1.08,
      high: 1.2,
      depthCm: 3.5,
    };
    await event(brew.id, colour).expect(409);
    const pulled = (await event(brew.id, { kind: 'pull' }).expect(200)).body as Brew;
    const id = newId();
    expect((await event(brew.id, { ...colour, id }).expect(200)).body).toEqual(pulled);
    const page = async () =>
      (await h.callers.brewer.get(`/api/brews/${brew.id}`).expect(200)).body.events as {
        id: string;
        undone: boolean;
        what: object;
      }[];
    expect((await page()).find((e) => e.id === id)?.what).toMatchObject({
      kind: 'colour',
      strength: 1.14,
    });
    await event(brew.id, { kind: 'undo', of: id }).expect(200);
    expect((await page()).find((e) => e.id === id)?.undone).toBe(true);
    await event(brew.id, { ...colour, strength: -1 }).expect(422);
  });
  test('only the last thing done, and only of this brew', async () => {
    const brew = await start();
    const pull = newId();
    await event(brew.id, { id: pull, kind: 'pull' }).expect(200);
    await event(brew.id, { kind: 'close' }).expect(200);
    expect((await event(brew.id, { kind: 'undo', of: pull }).expect(409)).body.message).toBe(
      'Tolvane Amber: Something else was done to it since.',
    );
    expect((await event(brew.id, { kind: 'undo', of: newId() }).expect(409)).body.details.why).toBe(
      'cannotUndo',
    );
  });
  test('a pull is not taken back once another tea is in the vessel', async () => {
    const brew = await start();
    const pull = newId();
    await event(brew.id, { id: pull, kind: 'pull' }).expect(200);
    await start({ place: 2, at: h.now() });
    expect((await event(brew.id, { kind: 'undo', of: pull }).expect(409)).body.message).toBe(
      'Tolvane Amber: Tolvane Amber is in its vessel by now.',
    );
  });
});

test('pulls are kept as early, in the window, late or forgotten, with their seconds; and whether another was due', async () => {
  const found: (string | null)[] = [];
  for (const ago of [100, 241, 330, 600]) {
    const at = h.now();
    const b = await start({ at: at - ago * 1000 });
    found.push(((await event(b.id, { kind: 'pull', at }).expect(200)).body as Brew).timing);
    await event(b.id, { kind: 'close' }).expect(200);
  }
  expect(found).toEqual(['early', 'inWindow', 'late', 'forgotten']);
  const rows = await h.db
    .select({ error: brews.error, crowded: brews.crowded })
    .from(brews)
    .orderBy(brews.startedAt);
  expect(rows.map((r) => Math.round(r.error ?? 0))).toEqual([360, 90, 1, -140]);
  expect(rows.some((r) => r.crowded)).toBe(false);
  await start({ vesselId: await otherPot(), at: h.now() - 250_000 });
  const b = await start({ place: 2, at: h.now() - 250_000 });
  await event(b.id, { kind: 'pull' }).expect(200);
  expect(
    (await h.db.select({ crowded: brews.crowded, id: brews.id }).from(brews)).find(
      (r) => r.id === b.id,
    )?.crowded,
  ).toBe(true);
});

test('the thirteenth is refused in words; one that goes makes room', async () => {
  const all: Brew[] = [];
  for (let i = 1; i <= 12; i++)
    all.push(await start({ vesselId: await otherPot(`Pot ${i}`), place: i }));
  expect(new Set(all.map((b) => b.place)).size).toBe(12);
  expect((await h.callers.brewer.post('/api/brews', startBody()).expect(409)).body).toMatchObject({
    code: 'brew.barFull',
  });
  await event(all[4]?.id ?? '', { kind: 'abandon', reason: 'Spilled' }).expect(200);
  expect((await start()).place).toBe(5);
});

describe('the same leaf again', () => {
  const again = (before: Brew, over: object = {}) => ({
    ...startBody({ after: before.id, warming: true, at: h.now() }),
    ...over,
  });
  test('a later steep remembers those before it and takes its time from the model where the recipe has none', async () => {
    const at = h.now();
    const first = await start({ at: at - 240_000 });
    await event(first.id, { kind: 'pull', at }).expect(200);
    const second: Brew = (await h.callers.brewer.post('/api/brews', again(first)).expect(200)).body;
    expect(second).toMatchObject({
      leafId: first.id,
      plan: { steep: { number: 2, by: 'model' } },
      state: { kind: 'warming' },
    });
    expect(second.plan.steep?.past.map(Math.round)).toEqual([240]);
    expect(second.plan.recipe.window.best).toBeGreaterThan(240);
    const page = (await h.callers.brewer.get(`/api/brews/${second.id}`).expect(200)).body;
    expect(page.steeps.map((s: { number: number }) => s.number)).toEqual([1, 2]);
    // Its leaf is in the next steep: the first cannot be steeped again beside it.
    expect((await h.callers.brewer.post('/api/brews', again(first)).expect(409)).body.code).toBe(
      'brew.vesselInUse',
    );
    await event(second.id, { kind: 'abandon', reason: 'Spilled' }).expect(200);
    await h.callers.brewer.post('/api/brews', again(first)).expect(200);
  });
  test('leaf that has moved on is refused', async () => {
    const first = await start();
    expect((await h.callers.brewer.post('/api/brews', again(first)).expect(409)).body.code).toBe(
      'brew.vesselInUse',
    );
    await event(first.id, { kind: 'pull' }).expect(200);
    const second: Brew = (await h.callers.brewer.post('/api/brews', again(first)).expect(200)).body;
    await event(second.id, { kind: 'waterOn' }).expect(200);
    await event(second.id, { kind: 'pull' }).expect(200);
    expect((await h.callers.brewer.post('/api/brews', again(first)).expect(409)).body.message).toBe(
      'Tolvane Amber: Its leaf has moved on since.',
    );
  });
  test('spent leaf is said to be', async () => {
    let before = await start();
    await event(before.id, { kind: 'pull' }).expect(200);
    for (let i = 0; i < 8; i++) {
      h.time.ahead += 3_000_000;
      const res = await h.callers.brewer.post(
        '/api/brews',
        again(before, { warming: false, at: h.now() - 2_000_000 }),
      );
      if (res.status === 409) {
        expect(res.body).toMatchObject({
          code: 'brew.spent',
          message: expect.stringMatching(/Spent: even 15 minutes/),
        });
        return;
      }
      before = res.body as Brew;
      await event(before.id, {
        kind: 'pull',
        at: h.now() - 2_000_000 + before.plan.recipe.window.best * 1000,
      }).expect(200);
      await event(before.id, { kind: 'close' }).expect(200);
    }
    throw new Error('never spent');
  });
});

test('two pots that go together do not ask for two hands: neither counts the other as due', async () => {
  const a = await start({ at: h.now() - 250_000 });
  const b = await start({ vesselId: await otherPot(), place: 2, at: h.now() - 250_000 });
  await event(b.id, { kind: 'pair', with: a.id }).expect(200);
  for (const { id } of [a, b]) await event(id, { kind: 'pull' }).expect(200);
  expect((await h.db.select({ crowded: brews.crowded }).from(brews)).map((r) => r.crowded)).toEqual(
    [false, false],
  );
});
test('two pots of one tea are put together; of two teas or at two stages they are not', async () => {
  const a = await start();
  const b = await start({ vesselId: await otherPot(), place: 2 });
  expect((await event(b.id, { kind: 'pair', with: a.id }).expect(200)).body.pairedId).toBe(a.id);
  const c = await start({ vesselId: await otherPot('Third'), place: 3, warming: true });
  expect((await event(c.id, { kind: 'pair', with: a.id }).expect(409)).body.details.why).toBe(
    'notAlike',
  );
  await event(c.id, { kind: 'pair', with: newId() }).expect(404);
});

describe('the queue', () => {
  const order = (over: object = {}) => ({
    id: newId(),
    siteId: h.ids.site,
    teaId: h.ids.tea,
    vesselId: null,
    water: null,
    forWhom: 'window table',
    rank: 0,
    at: h.now(),
    ...over,
  });
  const names = (res: { body: { orders: { forWhom: string }[] } }) =>
    res.body.orders.map((o) => o.forWhom);
  test('added, put before another, dropped, put back; a repeat is harmless', async () => {
    const [one, two] = [order({ forWhom: 'one' }), order({ forWhom: 'two', rank: 1 })];
    await h.callers.trainee.post('/api/orders', one).expect(200);
    await h.callers.trainee.post('/api/orders', two).expect(200);
    expect(names(await h.callers.trainee.post('/api/orders', one).expect(200))).toEqual([
      'one',
      'two',
    ]);
    expect(
      names(await h.callers.brewer.patch(`/api/orders/${two.id}`, { rank: -1 }).expect(200)),
    ).toEqual(['two', 'one']);
    expect(
      names(
        await h.callers.brewer.patch(`/api/orders/${two.id}`, { state: 'dropped' }).expect(200),
      ),
    ).toEqual(['one']);
    expect(
      names(
        await h.callers.brewer.patch(`/api/orders/${two.id}`, { state: 'waiting' }).expect(200),
      ),
    ).toEqual(['two', 'one']);
    await h.callers.brewer.patch(`/api/orders/${newId()}`, { rank: 1 }).expect(404);
  });
  test('a start takes its order off; given up, it waits again', async () => {
    const one = order();
    await h.callers.brewer.post('/api/orders', one).expect(200);
    const brew = await start({ orderId: one.id });
    expect((await h.callers.brewer.get('/api/bar').expect(200)).body.orders).toEqual([]);
    const gone = newId();
    await event(brew.id, { id: gone, kind: 'abandon', reason: 'Wrong tea' }).expect(200);
    expect((await h.callers.brewer.get('/api/bar').expect(200)).body.orders).toHaveLength(1);
    await event(brew.id, { kind: 'undo', of: gone }).expect(200);
    expect((await h.db.select().from(orders))[0]).toMatchObject({
      state: 'started',
      brewId: brew.id,
    });
  });
});

describe('a locked tablet', () => {
  test('shows the bar and pulls as itself; everything else asks for a PIN; somebody says it was them', async () => {
    const brew = await start();
    await h.callers.brewer.post('/api/session/lock', { device: 'Counter tablet' }).expect(200);
    await h.callers.brewer.post('/api/session/lock', { device: 'Another name' }).expect(200);
    expect((await h.callers.brewer.get('/api/house').expect(200)).body.session.lockedAs).toBe(
      'Counter tablet',
    );
    await h.callers.brewer.get('/api/bar').expect(200);
    for (const [method, path, body] of [
      ['get', '/api/brews', undefined],
      ['post', '/api/brews', startBody()],
      ['patch', '/api/me/units', {}],
      ['post', '/api/orders', {}],
      ['get', '/api/trends', undefined],
    ] as const) {
      expect((await h.callers.brewer[method](path, body).expect(423)).body.code).toBe(
        'session.locked',
      );
    }
    await event(brew.id, { kind: 'abandon', reason: 'x' }).expect(423);
    const pull = newId();
    const pulled = (await event(brew.id, { id: pull, kind: 'pull' }).expect(200)).body as Brew;
    expect(pulled).toMatchObject({ pulledBy: null, pulledDevice: 'Counter tablet' });
    expect((await h.db.select().from(brewEvents)).find((e) => e.id === pull)).toMatchObject({
      personId: null,
      device: 'Counter tablet',
    });
    expect(
      (await event(brew.id, { kind: 'pull' }, h.callers.trainee).expect(409)).body.message,
    ).toMatch(/^Counter tablet ended the steep of Tolvane Amber at/);
    expect(
      (await event(brew.id, { kind: 'claim' }, h.callers.trainee).expect(200)).body,
    ).toMatchObject({ pulledBy: { name: 'Trainee T.' }, pulledDevice: 'Counter tablet' });
    expect(
      (await event(brew.id, { kind: 'claim' }, h.callers.lead).expect(409)).body.details.why,
    ).toBe('claimed');
    const back = from(
      h.app,
      cookieOf(
        await h.callers.brewer
          .post('/api/session', {
            personId: h.ids.brewer,
            siteId: h.ids.site,
            secret: SECRETS.brewer,
          })
          .expect(200),
      ),
    );
    await back.get('/api/brews').expect(200);
  });
  test('it takes its own pull back, and nobody else’s', async () => {
    const [own, other] = [await start(), await start({ vesselId: await otherPot(), place: 2 })];
    const theirs = newId();
    await event(other.id, { id: theirs, kind: 'pull' }, h.callers.trainee).expect(200);
    await h.callers.brewer.post('/api/session/lock', { device: 'Counter tablet' }).expect(200);
    const pull = newId();
    await event(own.id, { id: pull, kind: 'pull' }).expect(200);
    expect((await event(own.id, { kind: 'undo', of: pull }).expect(200)).body.state.kind).toBe(
      'steeping',
    );
    await event(other.id, { kind: 'undo', of: theirs }).expect(423);
  });
});

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

describe('the log', () => {
  const brewed = async (over: {
    ago: number;
    steeped: number;
    verdict?: typeof bitter;
    accepted?: boolean;
  }) => {
    const waterOn = h.now() - over.ago * 1000;
    const b = await start({ at: waterOn });
    await event(b.id, { kind: 'pull', at: waterOn + over.steeped * 1000 }).expect(200);
    await event(
      b.id,
      over.verdict
        ? {
            kind: 'judge',
            verdict: over.verdict,
            proposal: proposed(over.verdict),
            accepted: over.accepted ?? false,
            remark: '',
          }
        : { kind: 'close' },
    ).expect(200);
    return b;
  };
  test('each filter lets through what it names, and they go together', async () => {
    const early = await brewed({ ago: 9000, steeped: 100 });
    const right = await brewed({ ago: 8000, steeped: 240, verdict: ALL_RIGHT as typeof bitter });
    const taken = await brewed({ ago: 7000, steeped: 320, verdict: bitter, accepted: true });
    const not = await brewed({ ago: 6000, steeped: 900, verdict: bitter });
    const ids = async (q: string) =>
      ((await h.callers.brewer.get(`/api/brews?${q}`).expect(200)).body.brews as Brew[]).map(
        (b) => b.id,
      );
    expect(await ids('pull=early')).toEqual([early.id]);
    expect(await ids('pull=forgotten')).toEqual([not.id]);
    expect(await ids('pull=outside')).toEqual([not.id, taken.id, early.id]);
    expect(await ids('correction=taken')).toEqual([taken.id]);
    expect(await ids('correction=notTaken')).toEqual([not.id]);
    expect(await ids(`vesselId=${h.ids.pot}&verdict=off`)).toEqual([not.id, taken.id]);
    expect(await ids(`vesselId=${newId()}`)).toEqual([]);
    expect(await ids('method=tastingSet')).toEqual([]);
    expect(await ids(`method=pot&from=${h.now() - 8_500_000}&to=${h.now() - 6_500_000}`)).toEqual([
      taken.id,
      right.id,
    ]);
    expect(
      await ids(
        `personId=${h.ids.brewer}&siteId=${h.ids.site}&teaId=${h.ids.tea}&verdict=right&pull=inWindow&correction=none`,
      ),
    ).toEqual([right.id]);
    await h.callers.brewer.get('/api/brews?pull=sometimes').expect(422);
    // One person's, picked out, are theirs and their lead's: on the page and as a file.
    for (const path of ['/api/brews', '/api/log/brews.csv'])
      expect(
        (await h.callers.trainee.get(`${path}?personId=${h.ids.brewer}`).expect(403)).body.message,
      ).toMatch(/for them and for their lead/);
    await h.callers.lead.get(`/api/brews?personId=${h.ids.brewer}`).expect(200);
  });
  test('a brew’s page tells what was done to it, by whom, and what was taken back', async () => {
    const b = await start();
    const step = newId();
    await event(b.id, { id: step, kind: 'step', key: 'weigh', outcome: 'done', grams: 6.3 }).expect(
      200,
    );
    await event(b.id, { kind: 'reading', celsius: 86.5 }).expect(200);
    await event(b.id, { kind: 'pull' }, h.callers.trainee).expect(200);
    const page = (await h.callers.brewer.get(`/api/brews/${b.id}`).expect(200)).body;
    expect(Brew.parse(page.brew).readings).toMatchObject([{ celsius: 86.5 }]);
    expect(
      page.events.map(
        (e: { what: { kind: string; grams?: number; celsius?: number }; by: string }) => [
          e.what.kind,
          e.what.grams ?? e.what.celsius ?? null,
          e.by,
        ],
      ),
    ).toEqual([
      ['start', null, 'Brewer B.'],
      ['step', 6.3, 'Brewer B.'],
      ['reading', 86.5, 'Brewer B.'],
      ['pull', null, 'Trainee T.'],
    ]);
  });
  test('as CSV and JSON: the filtered brews, whole; a cell that would be a formula stays a text', async () => {
    await brewed({ ago: 9000, steeped: 100 });
    // The clock runs on while the first is sent.
    const now = h.now();
    const off = await start({ at: now - 8_000_000 });
    await event(off.id, { kind: 'pull', at: now - 7_700_000 }).expect(200);
    await event(off.id, {
      kind: 'judge',
      verdict: bitter,
      proposal,
      accepted: false,
      remark: '=1+1, "so", said',
    }).expect(200);
    const csv = await h.callers.trainee.get('/api/log/brews.csv?verdict=off').expect(200);
    expect(csv.headers['content-type']).toMatch(/text\/csv/);
    const lines = csv.text.trim().split('\r\n');
    expect(lines).toHaveLength(2);
    expect(lines[1]).toContain(`"'=1+1, ""so"", said"`);
    const json = JSON.parse(
      (await h.callers.trainee.get('/api/log/brews.json').expect(200)).text,
    ) as { id: string; from_best_s: number }[];
    expect(json.map((r) => [r.id, Math.round(r.from_best_s)])).toEqual([
      [off.id, 60],
      [expect.any(String), -140],
    ]);
    expect(
      JSON.parse(
        (await h.callers.trainee.get(`/api/log/brews.json?vesselId=${newId()}`).expect(200)).text,
      ),
    ).toEqual([]);
  });
  test('trends: points in order with their limits; somebody’s own figures are theirs and their lead’s', async () => {
    for (let i = 0; i < 10; i++)
      await brewed({
        ago: 20_000 - i * 1000,
        steeped: i === 9 ? 290 : 240 + (i % 2) * 3,
        verdict: i === 3 ? bitter : (ALL_RIGHT as typeof bitter),
      });
    const get = (q: string, who: Caller = h.callers.brewer) =>
      who.get(`/api/trends?siteId=${h.ids.site}${q}`);
    const pull = (await get('').expect(200)).body;
    expect(pull.points.map((p: { value: number }) => Math.round(p.value))).toEqual([
      0, 3, 0, 3, 0, 3, 0, 3, 0, 50,
    ]);
    expect(pull.chart.outside).toEqual([9]);
    expect(pull.tables.tea).toMatchObject([{ name: 'Tolvane Amber', n: 10, judged: 10, right: 9 }]);
    expect(
      (await get('&measure=verdict').expect(200)).body.points.map(
        (p: { value: number }) => p.value,
      )[3],
    ).toBe(1);
    expect((await get(`&teaId=${newId()}`).expect(200)).body).toMatchObject({
      points: [],
      chart: null,
    });
    await get(`&personId=${h.ids.brewer}`).expect(200);
    await get(`&personId=${h.ids.brewer}`, h.callers.lead).expect(200);
    expect(
      (await get(`&personId=${h.ids.brewer}`, h.callers.trainee).expect(403)).body.message,
    ).toMatch(/for them and for their lead/);
  });
});
