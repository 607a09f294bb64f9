import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type {
  BlindTasting,
  OpenTasting,
  SetUpTasting,
  TastingRow,
} from '../src/contracts/tastings';
import type { Practice } from '../src/contracts/training';
import { foldTasting, resultOf, type TastingAct } from '../src/core/tastings';
import { feed, sites, tastingEvents, tastingSeats } from '../src/server/db/schema';
import { type Begun, begunHouse, type Caller, newId } from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

const cups = [45, 120, 180, 300].map((seconds) => ({
  grams: 1.8,
  water: 150,
  celsius: 96,
  seconds,
}));
const asked = (over: Partial<SetUpTasting> = {}): SetUpTasting => ({
  id: newId(),
  siteId: h.ids.site,
  teaId: h.ids.tea,
  lotId: null,
  versionId: h.ids.version,
  vesselId: h.ids.pot,
  kind: 'ladder',
  way: 'seconds',
  asks: 'strength',
  cups,
  tasterIds: [h.ids.brewer, h.ids.trainee],
  at: h.now(),
  ...over,
});
const setUp = async (over: Partial<SetUpTasting> = {}): Promise<OpenTasting> =>
  (await h.callers.lead.post('/api/tastings', asked(over)).expect(200)).body;
const does = (id: string, act: TastingAct, who: Caller = h.callers.lead, eventId = newId()) =>
  who.post(`/api/tastings/${id}/events`, { id: eventId, at: h.now(), act });
const blind = async (id: string, who: Caller): Promise<BlindTasting> =>
  (await who.get(`/api/tastings/${id}`).expect(200)).body;
const codeOf = (t: OpenTasting, cup: number) => t.exercise.cups[cup]?.codes[0] ?? '';
/** Water on, every cup poured off. */
async function brewed(over: Partial<SetUpTasting> = {}) {
  const t = await setUp(over);
  await does(t.id, { kind: 'start' }).expect(200);
  for (const cup of t.exercise.cups.keys()) await does(t.id, { kind: 'pull', cup }).expect(200);
  return t;
}
const order = (t: OpenTasting) => t.exercise.cups.map((c) => c.codes[0] ?? '');

test('set up once: the same id again draws no new codes; what is wrong is said beside its field', async () => {
  const body = asked();
  const first = (await h.callers.lead.post('/api/tastings', body).expect(200)).body as OpenTasting;
  const again = (await h.callers.lead.post('/api/tastings', body).expect(200)).body as OpenTasting;
  expect(again.exercise).toEqual(first.exercise);
  expect(
    (await h.callers.lead.post('/api/tastings', asked({ cups: cups.slice(0, 2) })).expect(422)).body
      .fields,
  ).toEqual({ cups: 'Ladder: 3 to 6 cups.' });
  expect(
    (await h.callers.lead.post('/api/tastings', asked({ tasterIds: [] })).expect(422)).body.fields
      .tasterIds,
  ).toBe('Who tastes?');
  expect(
    (
      await h.callers.lead
        .post('/api/tastings', asked({ tasterIds: [h.ids.brewer, h.ids.brewer] }))
        .expect(422)
    ).body.fields.tasterIds,
  ).toBe('Each taster once.');
  await h.callers.trainee.post('/api/tastings', asked()).expect(403);
});

test('a taster sees codes, not how cups were made; nobody reads another’s sheet before the reveal', async () => {
  const t = await brewed();
  const mine = await blind(t.id, h.callers.brewer);
  expect(mine.sees).toBe('own');
  expect([...mine.codes].sort()).toEqual([...order(t)].sort());
  expect(JSON.stringify(mine)).not.toMatch(/grams|seconds":|exercise|events/);
  await does(
    t.id,
    {
      kind: 'keep',
      taster: h.ids.brewer,
      code: codeOf(t, 0),
      sheet: { marks: { bitterness: -2 }, words: ['mellow'] },
    },
    h.callers.brewer,
  ).expect(200);
  expect((await blind(t.id, h.callers.brewer)).sheets[codeOf(t, 0)]).toEqual({
    marks: { bitterness: -2 },
    words: ['mellow'],
  });
  const lead = (await h.callers.lead.get(`/api/tastings/${t.id}`).expect(200)).body as OpenTasting;
  expect(JSON.stringify(lead.events)).not.toContain('mellow');
  expect(lead.events.at(-1)?.act).toMatchObject({ kind: 'keep', sheet: { marks: {} } });
  await h.callers.brewer.get(`/api/tastings/${t.id}/marks.csv`).expect(409);
});

test('a sheet is submitted once; a repeated write has the same answer; the reveal waits for all', async () => {
  const t = await brewed();
  const act = { kind: 'handIn', taster: h.ids.brewer, order: order(t), choice: null } as const;
  const eventId = newId();
  await does(t.id, act, h.callers.brewer, eventId).expect(200);
  await does(t.id, act, h.callers.brewer, eventId).expect(200);
  const again = (
    await does(t.id, { ...act, order: [...order(t)].reverse() }, h.callers.brewer).expect(409)
  ).body;
  expect(again).toMatchObject({
    code: 'table.refused',
    message: 'Brewer B. has submitted a sheet. The first sheet is kept.',
  });
  await does(
    t.id,
    { kind: 'keep', taster: h.ids.brewer, code: codeOf(t, 0), sheet: { marks: {}, words: [] } },
    h.callers.brewer,
  ).expect(409);
  expect((await does(t.id, { kind: 'reveal' }).expect(409)).body.message).toMatch(
    /^Still missing: .*T\.\.?$/,
  );
  await does(t.id, { kind: 'leave', taster: h.ids.trainee, reason: 'called to the bar' }).expect(
    200,
  );
  await does(t.id, { kind: 'reveal' }, h.callers.brewer).expect(403);
  const open = (await does(t.id, { kind: 'reveal' }).expect(200)).body as OpenTasting;
  expect(open.stage).toBe('revealed');
  expect((await h.callers.trainee.get(`/api/tastings/${t.id}`).expect(200)).body.sees).toBe('all');
  await does(t.id, { kind: 'swap', a: codeOf(t, 0), b: codeOf(t, 1) }).expect(409);
});

test('two hands on one cup: the first wins; pours taken back, spilled cups, misread codes are kept', async () => {
  const t = await setUp();
  await does(t.id, { kind: 'start' }).expect(200);
  expect((await does(t.id, { kind: 'start' }).expect(409)).body.message).toBe(
    'Lead L. started the clock before you.',
  );
  const pulls = await Promise.all([0, 1].map(() => does(t.id, { kind: 'pull', cup: 0 })));
  expect(pulls.map((r) => r.status).sort()).toEqual([200, 409]);
  const pull = newId();
  await does(t.id, { kind: 'pull', cup: 1 }, h.callers.lead, pull).expect(200);
  const back = (await does(t.id, { kind: 'undo', of: pull }).expect(200)).body as OpenTasting;
  expect(foldTasting(back.exercise, back.events).cups[1]?.pulled).toBeNull();
  for (const cup of [1, 2]) await does(t.id, { kind: 'pull', cup }).expect(200);
  await does(t.id, { kind: 'exclude', cup: 3, reason: 'spilled' }).expect(200);
  const swapped = (await does(t.id, { kind: 'swap', a: codeOf(t, 0), b: codeOf(t, 2) }).expect(200))
    .body as OpenTasting;
  expect(swapped.stage).toBe('tasting');
  expect((await blind(t.id, h.callers.brewer)).out).toEqual([codeOf(t, 3)]);
  for (const [who, id] of [
    [h.callers.brewer, h.ids.brewer],
    [h.callers.trainee, h.ids.trainee],
  ] as const) {
    await does(
      t.id,
      { kind: 'handIn', taster: id, order: [codeOf(t, 2), codeOf(t, 1)], choice: null },
      who,
    ).expect(409);
    await does(
      t.id,
      {
        kind: 'handIn',
        taster: id,
        order: [codeOf(t, 2), codeOf(t, 1), codeOf(t, 0)],
        choice: null,
      },
      who,
    ).expect(200);
  }
  const open = (await does(t.id, { kind: 'reveal' }).expect(200)).body as OpenTasting;
  const r = resultOf(open.exercise, foldTasting(open.exercise, open.events));
  expect(r.kind === 'ladder' && r.tasters.map((x) => x.ordering?.tau)).toEqual([1, 1]);
  expect(r.cups[3]?.excluded).toBe('spilled');
});

test('a paper sheet is entered by whoever runs it, and said to be; nobody else writes for another', async () => {
  const t = await brewed();
  await does(
    t.id,
    { kind: 'handIn', taster: h.ids.trainee, order: order(t), choice: null },
    h.callers.brewer,
  ).expect(403);
  await does(t.id, {
    kind: 'keep',
    taster: h.ids.trainee,
    code: codeOf(t, 2),
    sheet: { marks: { bitterness: 1 }, words: [] },
  }).expect(200);
  const after = (
    await does(t.id, {
      kind: 'handIn',
      taster: h.ids.trainee,
      order: order(t),
      choice: null,
    }).expect(200)
  ).body as OpenTasting;
  expect(
    foldTasting(after.exercise, after.events).tasters.find((x) => x.id === h.ids.trainee),
  ).toMatchObject({ enteredBy: { name: 'Lead L.' } });
  await does(t.id, { kind: 'leave', taster: h.ids.brewer, reason: '' }).expect(200);
  await does(t.id, { kind: 'reveal' }).expect(200);
  const csv = (await h.callers.brewer.get(`/api/tastings/${t.id}/marks.csv`).expect(200)).text;
  expect(csv.split('\r\n')[1]).toMatch(/bitterness,1,.*Lead L\.$/);
  const json = JSON.parse(
    String((await h.callers.brewer.get(`/api/tastings/${t.id}/marks.json`).buffer(true)).text),
  );
  expect(json.result.kind).toBe('ladder');
});

test('whoever runs it types in sheets of paper, and never over one that its taster wrote', async () => {
  const t = await brewed();
  const keep = (code: string, who: Caller, bitterness: 0 | 1) =>
    does(
      t.id,
      { kind: 'keep', taster: h.ids.brewer, code, sheet: { marks: { bitterness }, words: [] } },
      who,
    );
  await keep(codeOf(t, 0), h.callers.brewer, 0).expect(200);
  const over = await keep(codeOf(t, 0), h.callers.lead, 1);
  expect([over.status, over.body.details.why]).toEqual([409, 'anothersSheet']);
  expect(over.body.message).toBe('Brewer B. wrote this sheet. Only Brewer B. can change it.');
  // Another bowl of the same taster may be on paper; the taster's own word then stands over the paper.
  await keep(codeOf(t, 1), h.callers.lead, 1).expect(200);
  await keep(codeOf(t, 1), h.callers.brewer, 0).expect(200);
  await keep(codeOf(t, 1), h.callers.lead, 1).expect(409);
  expect((await blind(t.id, h.callers.brewer)).sheets[codeOf(t, 0)]?.marks).toEqual({
    bitterness: 0,
  });
});
test('every open page of the site is told; the list says who still owes a sheet', async () => {
  const before = await h.db.$count(feed);
  const t = await setUp();
  await does(t.id, { kind: 'start' }).expect(200);
  expect((await h.db.$count(feed)) - before).toBeGreaterThanOrEqual(2);
  const list = async (who: Caller) =>
    (await who.get(`/api/tastings?siteId=${h.ids.site}`).expect(200)).body.tastings as TastingRow[];
  expect((await list(h.callers.brewer))[0]).toMatchObject({
    stage: 'running',
    tasters: 2,
    handedIn: 0,
    mine: true,
    owed: true,
  });
  expect((await list(h.callers.lead))[0]).toMatchObject({ mine: false, owed: false });
  expect(await h.db.$count(tastingEvents)).toBe(1);
  await does(t.id, { kind: 'stop', reason: 'no water' }).expect(200);
  expect((await list(h.callers.brewer))[0]).toMatchObject({ stage: 'stopped', owed: false });
  await does(newId(), { kind: 'start' }).expect(404);
});

test('papers: tents and sheets for who runs it, the report once revealed; read by another program', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'limnos-table-'));
  const words = async (path: string, who: Caller = h.callers.lead) => {
    const res = await who
      .get(path)
      .buffer(true)
      .parse((r, done) => {
        const parts: Buffer[] = [];
        r.on('data', (d: Buffer) => parts.push(d));
        r.on('end', () => done(null, Buffer.concat(parts)));
      });
    if (res.status !== 200) return String(res.status);
    writeFileSync(join(folder, 'a.pdf'), res.body as Buffer);
    return execFileSync('pdftotext', ['-layout', join(folder, 'a.pdf'), '-'], { encoding: 'utf8' });
  };
  const t = await brewed();
  const tents = await words(`/api/tastings/${t.id}/tents.pdf`);
  for (const code of order(t)) expect(tents.split(code)).toHaveLength(3);
  expect(tents).not.toContain('Tolvane');
  const sheets = await words(`/api/tastings/${t.id}/sheets.pdf`);
  expect(sheets).toContain('Brewer B.');
  expect(sheets).toMatch(/puckering/);
  expect(sheets).toMatch(/Brewer B\., \d+ \p{L}+ 20\d\d\./u);
  const region = { dates: 'monthDay', hours: 12, weekBegins: 'sunday' } as const;
  await h.db.update(sites).set({ region });
  expect(await words(`/api/tastings/${t.id}/sheets.pdf`)).toMatch(
    /Brewer B\., \p{L}+ \d+, 20\d\d\./u,
  );
  expect(await words(`/api/tastings/${t.id}/sheets.pdf`, h.callers.brewer)).toBe('403');
  expect(await words(`/api/tastings/${t.id}/report.pdf`)).toBe('409');
  for (const [i, mark] of ([-1, 0, 1, 2] as const).entries())
    await does(
      t.id,
      {
        kind: 'keep',
        taster: h.ids.brewer,
        code: codeOf(t, i),
        sheet: { marks: { bitterness: mark }, words: [] },
      },
      h.callers.brewer,
    ).expect(200);
  await does(
    t.id,
    { kind: 'handIn', taster: h.ids.brewer, order: order(t), choice: null },
    h.callers.brewer,
  ).expect(200);
  await does(t.id, { kind: 'leave', taster: h.ids.trainee, reason: '' }).expect(200);
  await does(t.id, { kind: 'reveal' }).expect(200);
  const report = await words(`/api/tastings/${t.id}/report.pdf`, h.callers.trainee);
  for (const w of [
    'Tolvane Amber',
    'Bitterness begins between',
    'How sure',
    'One taster can prove nothing',
    '1 of 2 tasters',
  ])
    expect(report.replace(/\s+/g, ' ')).toContain(w);
  rmSync(folder, { recursive: true, force: true });
});

test('a taster’s device is lost half way: the rest is entered for them; what it sends later changes nothing', async () => {
  const t = await brewed();
  const sheet = (bitterness: -2 | -1 | 0 | 1 | 2) => ({ marks: { bitterness }, words: ['brisk'] });
  for (const cup of [0, 1])
    await does(
      t.id,
      { kind: 'keep', taster: h.ids.brewer, code: codeOf(t, cup), sheet: sheet(-1) },
      h.callers.brewer,
    ).expect(200);
  // Whoever runs it sees that two were kept, not what they say.
  const lead = (await h.callers.lead.get(`/api/tastings/${t.id}`).expect(200)).body as OpenTasting;
  expect(
    foldTasting(lead.exercise, lead.events).tasters.find((x) => x.id === h.ids.brewer)?.sheets[
      codeOf(t, 0)
    ],
  ).toEqual({ marks: {}, words: [] });
  for (const cup of [2, 3])
    await does(t.id, {
      kind: 'keep',
      taster: h.ids.brewer,
      code: codeOf(t, cup),
      sheet: sheet(1),
    }).expect(200);
  await does(t.id, { kind: 'handIn', taster: h.ids.brewer, order: order(t), choice: null }).expect(
    200,
  );
  expect(
    (
      await does(
        t.id,
        { kind: 'keep', taster: h.ids.brewer, code: codeOf(t, 0), sheet: sheet(2) },
        h.callers.brewer,
      ).expect(409)
    ).body.message,
  ).toMatch(/has submitted/);
  await does(t.id, { kind: 'leave', taster: h.ids.trainee, reason: '' }).expect(200);
  const open = (await does(t.id, { kind: 'reveal' }).expect(200)).body as OpenTasting;
  const found = foldTasting(open.exercise, open.events).tasters.find((x) => x.id === h.ids.brewer);
  expect(found?.enteredBy?.name).toBe('Lead L.');
  expect([0, 1, 2, 3].map((c) => found?.sheets[codeOf(t, c)]?.marks.bitterness)).toEqual([
    -1, -1, 1, 1,
  ]);
});

const practice = async (who: Caller): Promise<Practice> =>
  (await who.get('/api/training').expect(200)).body;
test('a lesson with leaf stands in the record of whoever tasted and of whoever led it, once it is revealed', async () => {
  const t = await brewed({ lesson: 'timeLadder' });
  expect(t.lesson).toBe('timeLadder');
  const handIn = (who: 'brewer' | 'trainee', turned: boolean) => {
    const codes = turned ? [...order(t)].reverse() : order(t);
    const act = { kind: 'handIn', taster: h.ids[who], order: codes, choice: null } as const;
    return does(t.id, act, h.callers[who]).expect(200);
  };
  await handIn('brewer', false);
  await handIn('trainee', true);
  // Before the reveal nobody has learnt anything.
  expect((await practice(h.callers.trainee)).tables).toEqual([]);
  await does(t.id, { kind: 'reveal' }).expect(200);
  const had = { id: t.id, kind: 'ladder', lesson: 'timeLadder' };
  const [brewer, trainee, lead] = [
    await practice(h.callers.brewer),
    await practice(h.callers.trainee),
    await practice(h.callers.lead),
  ];
  expect(brewer.tables).toMatchObject([{ ...had, sat: true, led: false }]);
  expect(lead.tables).toMatchObject([{ ...had, sat: false, led: true }]);
  expect(brewer.seen).toEqual([{ of: 'ladders', good: 1, n: 1, holds: false }]);
  expect(trainee.seen).toEqual([{ of: 'ladders', good: 0, n: 1, holds: false }]);
  expect(lead.seen).toEqual([{ of: 'tablesLed', good: 1, n: 3, holds: false }]);
  const record = await h.callers.trainee
    .get(`/api/training/record/${h.ids.trainee}.csv`)
    .expect(200);
  expect(record.text).toMatch(/tasted.*"?Four cups, four times/);
});
test('cups of one pot, marked and revealed, tell School how much stronger the last drop is at this site', async () => {
  const gradient = async () =>
    ((await h.callers.trainee.get('/api/training').expect(200)).body as { potGradient: number })
      .potGradient;
  const cup = { grams: 6, water: 500, celsius: 90, seconds: 180 };
  const ofPot = [1, 2, 3].map((place) => ({ ...cup, poured: { place, of: 3 } }));
  const wish = { kind: 'comparison', compares: 'poured', lesson: 'firstLast' } as const;
  const t = await setUp({ ...wish, cups: ofPot });
  const actAt = (secondsAgo: number, act: TastingAct) =>
    h.callers.lead
      .post(`/api/tastings/${t.id}/events`, { id: newId(), at: h.now() - 1000 * secondsAgo, act })
      .expect(200);
  await actAt(200, { kind: 'start' });
  for (const i of ofPot.keys()) await actAt(20, { kind: 'pull', cup: i });
  for (const who of ['brewer', 'trainee'] as const) {
    const taster = h.ids[who];
    for (const [i, strength] of ([-2, 0, 2] as const).entries()) {
      const written = { marks: { strength }, words: [] };
      const keep = { kind: 'keep', taster, code: codeOf(t, i), sheet: written } as const;
      await does(t.id, keep, h.callers[who]).expect(200);
    }
    const act = { kind: 'handIn', taster, order: null, choice: null } as const;
    await does(t.id, act, h.callers[who]).expect(200);
  }
  expect(await gradient()).toBeNull();
  await does(t.id, { kind: 'reveal' }).expect(200);
  // Both found it as far apart as marks go: more than the half that is known from memory.
  expect(await gradient()).toBeGreaterThan(0.55);
  expect(await gradient()).toBeLessThan(1.5);
});
test('somebody left before the sheet was in: the lesson is not theirs; a table with one taster is not led', async () => {
  const t = await brewed({ lesson: 'timeLadder' });
  const act = { kind: 'handIn', taster: h.ids.brewer, order: order(t), choice: null } as const;
  await does(t.id, act, h.callers.brewer).expect(200);
  await does(t.id, { kind: 'leave', taster: h.ids.trainee, reason: '' }).expect(200);
  await does(t.id, { kind: 'reveal' }).expect(200);
  expect((await practice(h.callers.trainee)).tables).toEqual([]);
  expect((await practice(h.callers.lead)).tables).toMatchObject([{ led: false, sat: false }]);
  const seats = await h.db.select().from(tastingSeats);
  expect(seats.filter((s) => s.submitted).map((s) => s.personId)).toEqual([h.ids.brewer]);
});
test('the trainer’s sheet is for whoever runs a lesson, and there is none elsewhere', async () => {
  const t = await setUp({ lesson: 'timeLadder' });
  const sheet = (id: string, who: Caller) => who.get(`/api/tastings/${id}/trainer-sheet.pdf`);
  await sheet(t.id, h.callers.lead).expect(200).expect('content-type', /pdf/);
  await sheet(t.id, h.callers.brewer).expect(403);
  await sheet((await setUp()).id, h.callers.lead).expect(404);
});
test('a cold cup may stand for hours, a hot one for an hour; a pot has no seventh cup', async () => {
  const one = { grams: 1.5, water: 150, celsius: 80, seconds: 120 };
  const hotCold = (celsius: number) =>
    asked({
      ...{ kind: 'comparison', compares: 'hotCold' },
      cups: [one, { ...one, celsius, seconds: 36_000 }],
    });
  await h.callers.lead.post('/api/tastings', hotCold(4)).expect(200);
  const refused = await h.callers.lead.post('/api/tastings', hotCold(80)).expect(422);
  expect(JSON.stringify(refused.body)).toMatch(/A hot cup steeps for an hour at most/);
  const poured = { ...one, poured: { place: 4, of: 3 } };
  await h.callers.lead
    .post('/api/tastings', asked({ kind: 'comparison', compares: 'poured', cups: [poured, one] }))
    .expect(422);
});
