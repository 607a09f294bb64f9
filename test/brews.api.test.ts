import { ALL_RIGHT } from '../src/core/corrections/index';
import { brewEvents, brews, leadNotes } from '../src/server/db/schema/index';
import { type Begun, begunHouse, BITTER_PROPOSAL, brewBody, newId, POT } from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

const startBody = (over: object = {}) => brewBody(h, over);
const start = async (over: object = {}) =>
  (await h.callers.brewer.post('/api/brews', startBody(over)).expect(200)).body;
const event = (id: string, body: object, who = h.callers.brewer) =>
  who.post(`/api/brews/${id}/events`, { id: newId(), at: h.now(), ...body });
async function anotherPot(): Promise<string> {
  const id = newId();
  await h.callers.lead
    .post('/api/vessels', { ...POT, id, siteId: h.ids.site, name: 'Grey pot' })
    .expect(200);
  return id;
}
const bitter = { ...ALL_RIGHT, bitterness: 1 as const };
const proposal = BITTER_PROPOSAL;

test('a brew from start to verdict, found again in the log with its card', async () => {
  const brew = await start();
  expect(brew.plan).toMatchObject({
    leaf: 6,
    water: 500,
    liquor: 482,
    spoons: '2½ level dessert spoons',
  });
  await event(brew.id, { kind: 'pull' }).expect(200);
  const judged = (
    await event(brew.id, {
      kind: 'judge',
      verdict: bitter,
      proposal,
      accepted: true,
      remark: '',
    }).expect(200)
  ).body;
  expect(judged.state.kind).toBe('judged');
  expect((await h.callers.brewer.get('/api/bar').expect(200)).body.brews).toEqual([]);
  const log = (await h.callers.trainee.get('/api/brews').expect(200)).body;
  expect(log.brews).toHaveLength(1);
  expect(log.counts).toEqual({ all: 1, inWindow: 1, late: 0, early: 0, forgotten: 0 });
  expect((await h.callers.lead.get(`/api/teas/${h.ids.tea}`).expect(200)).body.notes).toMatchObject(
    [{ headline: proposal.headline, found: 'bitter', by: { name: 'Brewer B.' } }],
  );
});
test('how a tea is pulled here: seconds from best, of this site only, nobody named', async () => {
  const brew = await start({ at: h.now() - 250_000 });
  await event(brew.id, { kind: 'pull' }).expect(200);
  const { errors } = (await h.callers.trainee.get(`/api/teas/${h.ids.tea}/pulls`).expect(200)).body;
  expect(errors).toHaveLength(1);
  expect(Math.abs(errors[0] - 10)).toBeLessThan(1);
});
test('the same start six times at once gives six times the same answer, and one brew', async () => {
  const body = startBody();
  const answers = await Promise.all(
    Array.from({ length: 6 }, () => h.callers.brewer.post('/api/brews', body)),
  );
  expect(answers.map((a) => [a.status, (a.body as { id: string }).id])).toEqual(
    Array(6).fill([200, body.id]),
  );
  expect(await h.db.select().from(brews)).toHaveLength(1);
  const order = {
    id: newId(),
    siteId: h.ids.site,
    teaId: h.ids.tea,
    vesselId: null,
    water: null,
    forWhom: 'window',
    rank: 1,
    at: h.now(),
  };
  const orders = await Promise.all(
    Array.from({ length: 6 }, () => h.callers.brewer.post('/api/orders', order)),
  );
  expect(orders.map((a) => [a.status, (a.body as { orders: object[] }).orders.length])).toEqual(
    Array(6).fill([200, 1]),
  );
});
test('an event’s id that was used on another brew, or for another thing, is refused and changes nothing', async () => {
  const [one, other] = [await start(), await start({ vesselId: await anotherPot() })];
  const id = newId();
  await event(one.id, { id, kind: 'pull' }).expect(200);
  const again = await event(one.id, { id, kind: 'pull' }).expect(200);
  expect(again.body.state.kind).toBe('pulled');
  expect((await event(other.id, { id, kind: 'pull' }).expect(409)).body).toMatchObject({
    code: 'brew.refused',
    details: { why: 'idTaken' },
  });
  expect((await event(one.id, { id, kind: 'close' }).expect(409)).body.details.why).toBe('idTaken');
  expect((await event(other.id, { id: one.id, kind: 'pull' }).expect(409)).body.details.why).toBe(
    'idTaken',
  );
  const { brews: onBar } = (await h.callers.brewer.get('/api/bar').expect(200)).body as {
    brews: { id: string; state: { kind: string } }[];
  };
  expect(onBar.find((b) => b.id === other.id)?.state.kind).toBe('steeping');
});
test('leaf back: the clock goes on without the time out of the water, and asks at the new time; taken back again', async () => {
  const brew = await start({ at: h.now() - 240_000 });
  await event(brew.id, { kind: 'pull', at: h.now() - 180_000 }).expect(200);
  const steeped = 60;
  const id = newId();
  const back = (await event(brew.id, { id, kind: 'leafBack', seconds: 30 }).expect(200)).body;
  expect(back.state.kind).toBe('steeping');
  expect((h.now() - back.state.waterOn) / 1000).toBeCloseTo(steeped, 0);
  expect(back.plan.recipe.window.best).toBeCloseTo(steeped + 30, 0);
  expect(back.pulledBy).toBeNull();
  const undone = (await event(brew.id, { kind: 'undo', of: id }).expect(200)).body;
  expect([undone.state.kind, undone.plan.recipe.window]).toEqual([
    'pulled',
    brew.plan.recipe.window,
  ]);
  await event(brew.id, { kind: 'leafBack', seconds: 5 }).expect(422);
});
test('two tablets pull the same steep: the first wins, the second is told by whom', async () => {
  const brew = await start();
  const [a, b] = await Promise.all([
    event(brew.id, { kind: 'pull' }),
    event(brew.id, { kind: 'pull' }, h.callers.trainee),
  ]);
  expect([a.status, b.status].sort()).toEqual([200, 409]);
  const [won, lost] = a.status === 200 ? ['Brewer B.', b] : ['Trainee T.', a];
  expect(lost.body).toMatchObject({ code: 'brew.alreadyPulled', details: { by: won } });
  expect(lost.body.message).toMatch(new RegExp(`^${won} ended the steep of Tolvane Amber at 4:0`));
  expect((await h.db.select().from(brewEvents)).filter((e) => e.kind === 'pull')).toHaveLength(1);
});
test('a repeated write is harmless and gets the same answer', async () => {
  const body = startBody();
  const [first, again] = [
    await h.callers.brewer.post('/api/brews', body).expect(200),
    await h.callers.brewer.post('/api/brews', body).expect(200),
  ];
  expect(again.body).toEqual(first.body);
  const pull = { id: newId(), at: h.now(), kind: 'pull' };
  const answers = await Promise.all(
    [1, 2, 3].map(() => h.callers.brewer.post(`/api/brews/${body.id}/events`, pull)),
  );
  expect(answers.map((r) => r.status)).toEqual([200, 200, 200]);
  expect(answers[1]?.body).toEqual(answers[0]?.body);
  const judge = {
    id: newId(),
    at: h.now(),
    kind: 'judge',
    verdict: bitter,
    proposal,
    accepted: true,
    remark: '',
  };
  for (let i = 0; i < 3; i++)
    await h.callers.brewer.post(`/api/brews/${body.id}/events`, judge).expect(200);
  expect([
    await h.db.$count(brews),
    await h.db.$count(brewEvents),
    await h.db.$count(leadNotes),
  ]).toEqual([1, 3, 1]);
});
test('a vessel in use is refused with who uses it, and is free again after the pull', async () => {
  const brew = await start();
  expect(
    (await h.callers.trainee.post('/api/brews', startBody({ place: 2 })).expect(409)).body,
  ).toMatchObject({
    code: 'brew.vesselInUse',
    message: 'White pot is in use: Brewer B. started Tolvane Amber in it.',
  });
  await event(brew.id, { kind: 'pull' }).expect(200);
  await start({ place: 2 });
});
test('two starts at once get two places', async () => {
  const second = newId();
  await h.callers.lead
    .post('/api/vessels', { ...POT, id: second, siteId: h.ids.site, name: 'Other pot' })
    .expect(200);
  const [a, b] = await Promise.all([start(), start({ vesselId: second })]);
  expect([a.place, b.place].sort()).toEqual([1, 2]);
});
test('one vessel started twice at once is started once', async () => {
  const answers = await Promise.all(
    [startBody(), startBody({ place: 2 })].map((b) => h.callers.brewer.post('/api/brews', b)),
  );
  expect(answers.map((r) => r.status).sort()).toEqual([200, 409]);
});
test.each([
  ['over the brim', { water: 700 }, /Over the brim: it holds 620 ml/],
  ['below what covers the leaf', { water: 4 }, /Too little to cover/],
])('%s is refused in words', async (_n, over, words) => {
  expect(
    (await h.callers.brewer.post('/api/brews', startBody(over)).expect(422)).body.message,
  ).toMatch(words);
});
test.each([
  [{ water: 0 }],
  [{ water: -5 }],
  [{ water: 1e9 }],
  [{ water: 'much' }],
  [{ at: 5 }],
  [{ id: 'x' }],
  [{ place: 99 }],
  [{ extra: 1 }],
])('nonsense %p is refused', async (over) => {
  const res = await h.callers.brewer.post('/api/brews', startBody(over)).expect(422);
  expect(res.body.code).toBe('input.invalid');
});
test('steps out of order are refused and change nothing', async () => {
  const brew = await start({ warming: true });
  expect((await event(brew.id, { kind: 'pull' }).expect(409)).body.details.why).toBe('notSteeping');
  await event(brew.id, { kind: 'waterOn' }).expect(200);
  expect(
    (
      await event(brew.id, {
        kind: 'judge',
        verdict: bitter,
        proposal,
        accepted: false,
        remark: '',
      }).expect(409)
    ).body.details.why,
  ).toBe('notPulled');
  await event(brew.id, { kind: 'pull' }).expect(200);
  expect((await event(brew.id, { kind: 'undoPull' }).expect(200)).body.state.kind).toBe('steeping');
});
test('an instant from a device whose clock runs ahead is held back to ours', async () => {
  const brew = await start();
  const pulled = (await event(brew.id, { kind: 'pull', at: h.now() + 7 * 60_000 }).expect(200))
    .body;
  expect(pulled.state.pulled).toBeLessThan(h.now() + 2500);
});
test('the log filters, and pages by key without gaps or repeats', async () => {
  for (let i = 0; i < 53; i++) {
    const b = await start({ at: h.now() - 1_000_000 - Math.floor(i / 3) * 1000 });
    await event(b.id, { kind: 'pull', at: h.now() - 500_000 }).expect(200);
    await event(
      b.id,
      i % 2
        ? {
            kind: 'judge',
            verdict: i % 4 === 1 ? ALL_RIGHT : bitter,
            proposal,
            accepted: false,
            remark: '',
          }
        : { kind: 'close' },
    ).expect(200);
  }
  const one = (await h.callers.brewer.get('/api/brews').expect(200)).body;
  const two = (await h.callers.brewer.get(`/api/brews?before=${one.next}`).expect(200)).body;
  expect([one.brews.length, two.brews.length, two.next]).toEqual([50, 3, null]);
  expect(new Set([...one.brews, ...two.brews].map((b: { id: string }) => b.id)).size).toBe(53);
  const count = async (q: string) =>
    (await h.callers.brewer.get(`/api/brews?${q}`).expect(200)).body.counts.all;
  expect([
    await count('verdict=right'),
    await count('verdict=off'),
    await count('verdict=unjudged'),
    await count(`personId=${h.ids.brewer}`),
    await count(`teaId=${h.ids.tea}`),
  ]).toEqual([13, 13, 27, 53, 53]);
  expect(
    (await h.callers.lead.get(`/api/brews?personId=${h.ids.trainee}`).expect(200)).body.counts.all,
  ).toBe(0);
  await h.callers.brewer.get('/api/brews?before=zzz').expect(422);
});
