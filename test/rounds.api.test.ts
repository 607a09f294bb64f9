import { USUAL_TASTER } from '#core/corrections';
import type { TeaAdvice } from '#contracts/advice';
import type { OpenTasting, SetUpTasting, TastingRow } from '../src/contracts/tastings';
import { dialledIn, type Sheet, type TastingAct } from '../src/core/tastings/index';
import { type Begun, begunHouse, type Caller, newId } from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

const cup = { grams: 1.8, water: 150, celsius: 90, seconds: 240 };
const asked = (over: Partial<SetUpTasting> = {}): SetUpTasting => ({
  id: newId(),
  siteId: h.ids.site,
  teaId: h.ids.tea,
  lotId: null,
  versionId: h.ids.version,
  vesselId: h.ids.pot,
  kind: 'dialIn',
  way: 'seconds',
  asks: 'strength',
  cups: [cup],
  tasterIds: [h.ids.brewer, h.ids.trainee],
  at: h.now(),
  ...over,
});
const setUp = (over: Partial<SetUpTasting> = {}) =>
  h.callers.lead.post('/api/tastings', asked(over));
const does = (id: string, act: TastingAct, who: Caller = h.callers.lead, at = h.now()) =>
  who.post(`/api/tastings/${id}/events`, { id: newId(), at, act }).expect(200);
const read = async (id: string, who: Caller = h.callers.lead): Promise<OpenTasting> =>
  (await who.get(`/api/tastings/${id}`).expect(200)).body;
const rows = async (): Promise<TastingRow[]> =>
  (await h.callers.lead.get(`/api/tastings?siteId=${h.ids.site}`).expect(200)).body.tastings;
/** Brewed, tasted by both and revealed. */
async function held(
  t: OpenTasting,
  sheetFor: (cup: number, brewer: boolean, bowl: number) => Sheet,
): Promise<OpenTasting> {
  const start = h.now() - 600_000;
  await does(t.id, { kind: 'start' }, h.callers.lead, start);
  for (const [i, c] of t.exercise.cups.entries()) {
    await does(t.id, { kind: 'pour', cup: i }, h.callers.lead, start);
    await does(t.id, { kind: 'pull', cup: i }, h.callers.lead, start + c.plan.seconds * 1000);
  }
  for (const [id, who] of [
    [h.ids.brewer, h.callers.brewer],
    [h.ids.trainee, h.callers.trainee],
  ] as const) {
    for (const [i, c] of t.exercise.cups.entries())
      for (const [bowl, code] of c.codes.entries())
        await does(
          t.id,
          { kind: 'keep', taster: id, code, sheet: sheetFor(i, id === h.ids.brewer, bowl) },
          who,
        );
    await does(t.id, { kind: 'handIn', taster: id, order: null, choice: null }, who);
  }
  await does(t.id, { kind: 'reveal' });
  return read(t.id);
}
const marks = (over: Sheet['marks'] = {}): Sheet => ({
  marks: { strength: 0, bitterness: 0, astringency: 0, sweetness: 0, aroma: 0, ...over },
  words: [],
});

test('a dial-in goes on from round to round, over days; each round knows those before it, and stands for them in the list', async () => {
  const lot = newId();
  await h.callers.lead
    .post(`/api/teas/${h.ids.tea}/lots`, {
      id: lot,
      name: 'Second lot',
      arrived: null,
      bestBefore: null,
      harvest: '',
      note: '',
      state: 'new',
      weighing: null,
      versionId: null,
    })
    .expect(200);
  const first = await held((await setUp({ lotId: lot }).expect(200)).body, () =>
    marks({ bitterness: 1 }),
  );
  expect(first).toMatchObject({ lot: 'Second lot', rounds: [], nextId: null });
  const shorter = { ...cup, seconds: 200 };
  const second = await held(
    (await setUp({ lotId: lot, afterId: first.id, cups: [cup, shorter] }).expect(200)).body,
    (i) => marks({ bitterness: i === 0 ? 1 : 0 }),
  );
  expect(second.rounds).toHaveLength(1);
  expect(second.rounds[0]).toMatchObject({
    id: first.id,
    n: 2,
    means: { bitterness: 1 },
    cup: { seconds: 240 },
  });
  expect(second.rounds[0] && dialledIn(second.rounds[0])).toBe(false);
  expect((await read(first.id)).nextId).toBe(second.id);
  expect((await rows()).map((r) => [r.id, r.round, r.superseded])).toEqual([
    [second.id, 2, false],
    [first.id, 1, true],
  ]);
  // It reads as a file and as a page too.
  expect(
    (await h.callers.brewer.get(`/api/tastings/${second.id}/marks.csv`).expect(200)).text,
  ).toContain('dialIn');
  await h.callers.brewer.get(`/api/tastings/${second.id}/report.pdf`).expect(200);
});

test('two hands on the next round: the first one’s stands, the other is told which; a stopped round frees the place', async () => {
  const first = await held((await setUp().expect(200)).body, () => marks({ strength: -1 }));
  const [a, b] = await Promise.all([
    setUp({ afterId: first.id, cups: [cup, cup] }),
    setUp({ afterId: first.id, cups: [cup, cup] }),
  ]);
  expect([a.status, b.status].sort()).toEqual([200, 409]);
  const [won, lost] = a.status === 200 ? [a, b] : [b, a];
  expect(lost.body).toMatchObject({
    message: 'The next round was set up already.',
    details: { why: 'roundThere', id: won.body.id },
  });
  await does(won.body.id, { kind: 'stop', reason: '' });
  expect((await read(first.id)).nextId).toBeNull();
  await setUp({ afterId: first.id, cups: [cup, cup] }).expect(200);
});

test('a round follows a revealed round of the same dial-in, nothing else', async () => {
  const open = (await setUp().expect(200)).body as OpenTasting;
  expect((await setUp({ afterId: open.id }).expect(409)).body.message).toMatch(/was revealed/);
  const pair = (
    await setUp({
      kind: 'comparison',
      compares: 'infuser',
      cups: [
        { ...cup, infuser: 'free' },
        { ...cup, infuser: 'ball' },
      ],
    }).expect(200)
  ).body as OpenTasting;
  await setUp({ afterId: pair.id }).expect(409);
  await setUp({ afterId: newId() }).expect(409);
  await setUp({ cups: [cup, cup, cup] }).expect(422);
  await setUp({ kind: 'comparison', cups: [{ ...cup, infuser: 'sieve' as never }, cup] }).expect(
    422,
  );
});

test('a calibration: tasters read no other’s name, its files are for a lead, the two bowls stay alike until the reveal', async () => {
  const set = (
    await setUp({ kind: 'calibration', cups: [cup, { ...cup, seconds: 360 }] }).expect(200)
  ).body as OpenTasting;
  expect(set.exercise.cups.map((c) => c.codes.length)).toEqual([2, 2]);
  const blind = (await h.callers.brewer.get(`/api/tastings/${set.id}`).expect(200)).body;
  expect(blind.codes).toHaveLength(4);
  const taster = async (caller: typeof h.callers.brewer) => {
    const { body } = await caller.get(`/api/teas/${h.ids.tea}/advice`).expect(200);
    return (body as { advice: TeaAdvice }).advice.taster;
  };
  expect(await taster(h.callers.brewer)).toEqual(USUAL_TASTER);
  expect(JSON.stringify(blind)).not.toMatch(/exercise|grams/);
  await held(set, (i, brewer, bowl) => ({
    marks: {},
    words: [],
    scores: { bitterness: 3 + i * 2 + (brewer ? 1 : 0) + bowl / 2 },
  }));
  // From then on their cups are weighed by it: the brewer scores higher than the other, who scores lower.
  expect((await taster(h.callers.brewer)).bias?.bitterness).toBeGreaterThan(0.2);
  expect((await taster(h.callers.trainee)).bias?.bitterness).toBeLessThan(-0.2);
  expect(await taster(h.callers.lead)).toEqual(USUAL_TASTER);
  const mine = await read(set.id, h.callers.brewer);
  const names = mine.exercise.tasters.map((t) => t.name);
  expect(names).toContain('another');
  expect(JSON.stringify(mine)).not.toContain(h.ids.trainee);
  expect((await read(set.id)).exercise.tasters.map((t) => t.name)).not.toContain('another');
  await h.callers.brewer.get(`/api/tastings/${set.id}/marks.csv`).expect(403);
  await h.callers.brewer.get(`/api/tastings/${set.id}/report.pdf`).expect(403);
  const csv = (await h.callers.lead.get(`/api/tastings/${set.id}/marks.csv`).expect(200)).text;
  expect(csv.split('\r\n')[0]).toContain('score');
  expect(csv.split('\r\n')).toHaveLength(9);
  await h.callers.lead.get(`/api/tastings/${set.id}/report.pdf`).expect(200);
  await h.callers.lead.get(`/api/tastings/${set.id}/sheets.pdf`).expect(200);
});
test('a calibration: whoever ran it cannot tell by anything seen while it ran whose scores are whose', async () => {
  // The brewer runs it and tastes in it, with two others.
  const third = newId();
  await h.callers.lead
    .post('/api/people', {
      id: third,
      name: 'Third T.',
      role: 'trainee',
      siteIds: [h.ids.site],
      secret: '9753',
    })
    .expect(200);
  const others = [h.ids.trainee, third];
  const set = (
    await h.callers.brewer
      .post('/api/tastings', {
        ...asked({ kind: 'calibration', cups: [cup] }),
        tasterIds: [h.ids.brewer, ...others],
      })
      .expect(200)
  ).body as OpenTasting;
  const does = (act: TastingAct) =>
    h.callers.brewer
      .post(`/api/tastings/${set.id}/events`, { id: newId(), at: h.now(), act })
      .expect(200);
  await does({ kind: 'start' });
  await does({ kind: 'pour', cup: 0 });
  await does({ kind: 'pull', cup: 0 });
  const codes = set.exercise.cups[0]?.codes ?? [];
  for (const [i, taster] of [h.ids.brewer, ...others].entries()) {
    for (const code of codes)
      await does({
        kind: 'keep',
        taster,
        code,
        sheet: { marks: {}, words: [], scores: { bitterness: 2 + i * 3 } },
      });
    await does({ kind: 'handIn', taster, order: null, choice: null });
  }
  const ran = await read(set.id, h.callers.brewer);
  await does({ kind: 'reveal' });
  const after = await read(set.id, h.callers.brewer);
  const hidden = after.events.filter((e) => 'taster' in e.act && e.act.taster !== h.ids.brewer);
  expect(hidden).toHaveLength(6);
  const [ids, instants] = [new Set(ran.events.map((e) => e.id)), new Set(hidden.map((e) => e.at))];
  for (const e of hidden) expect(ids.has(e.id)).toBe(false);
  expect(instants.size).toBe(1);
  for (const id of others) expect(JSON.stringify(after)).not.toContain(id);
  // Bowls stand in one order for all others, names and sheets by what was written, which nobody saw.
  const served = Object.entries(after.exercise.servings).filter(([id]) => id !== h.ids.brewer);
  for (const [, order] of served) expect(order).toEqual([...codes].sort());
  // And the scores are all there.
  const scores = hidden.flatMap((e) =>
    e.act.kind === 'keep' ? [e.act.sheet.scores?.bitterness] : [],
  );
  expect(scores.sort()).toEqual([5, 5, 8, 8]);
});
test('scores are 0 to 10', async () => {
  const t = (await setUp({ kind: 'calibration' }).expect(200)).body as OpenTasting;
  const keep = (v: number) =>
    h.callers.brewer.post(`/api/tastings/${t.id}/events`, {
      id: newId(),
      at: h.now(),
      act: {
        kind: 'keep',
        taster: h.ids.brewer,
        code: t.exercise.cups[0]?.codes[0],
        sheet: { marks: {}, words: [], scores: { bitterness: v } },
      },
    });
  await does(t.id, { kind: 'start' });
  await keep(11).expect(422);
  await keep(7.5).expect(200);
});
