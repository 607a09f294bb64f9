import { Brew } from '../src/contracts/brews';
import { ALL_RIGHT } from '../src/core/corrections/index';
import { brewEvents, brews, leadNotes, orders } from '../src/server/db/schema/index';
import { atTheBar } from './atTheBar';
import {
  type Begun,
  begunHouse,
  BITTER,
  BITTER_PROPOSAL,
  cookieOf,
  from,
  newId,
  proposed,
  SECRETS,
} from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());
const { startBody, start, event, otherPot } = atTheBar(() => h);

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
      verdict: BITTER,
      proposal: BITTER_PROPOSAL,
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
    await judged(BITTER, true);
    await judged(ALL_RIGHT, false);
    await judged(BITTER, false);
    await judged(BITTER, true);
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
