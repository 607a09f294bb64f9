import { spawnSync } from 'node:child_process';
import { parse } from 'papaparse';
import { startingRecipe } from '#core/recipes';
import type { Batch, Cold } from '#contracts/batches';
import type { ColdPlanAnswer } from '#contracts/coldPlans';
import type { House } from '#contracts/sites';
import { type ColdTea, coldTea } from './coldTea';
import { type Begun, begunHouse, cookieOf, from, newId, PLAIN_TEA, SECRETS, SITE } from './house';

const HOUR = 3_600_000;
let h: Begun;
let c: ColdTea;
let [pitcher, tea] = ['', ''];
beforeEach(async () => {
  h = await begunHouse();
  c = await coldTea(h);
  ({ pitcher, tea } = c.ids);
});
const startBody = (over?: object) => c.startBody(over);
const start = (over?: object) => c.start(over);
const act = (...given: Parameters<ColdTea['act']>) => c.act(...given);
const cold = () => c.cold();
const wait = (hours: number) => c.wait(hours);
const lifted = () => c.lifted();
afterEach(() => h.close());

test('leaf in: worked out here, kept as it was, and once however often it is sent', async () => {
  const body = startBody();
  for (let i = 0; i < 2; i++)
    expect((await h.callers.trainee.post('/api/batches', body).expect(200)).body).toMatchObject({
      id: body.id,
      vesselName: 'Pitcher 3',
      tea: { name: 'Kestry Pearl' },
      plan: {
        method: 'fridge',
        place: 'fridge',
        water: 1000,
        keeping: { keepHours: 72, limit: 5 },
      },
      startedBy: { name: 'Trainee T.' },
    });
  expect((await cold()).batches).toHaveLength(1);
  // What a recipe becomes later is not of this batch.
  const before = (await cold()).batches[0]?.plan;
  await h.callers.lead.post(`/api/teas/${tea}/versions`, {
    id: newId(),
    method: 'fridge',
    recipe: { ...startingRecipe('green-pan', 'fridge'), dose: 2 },
    reason: 'fuller',
    state: 'house',
  });
  expect((await cold()).batches[0]?.plan).toEqual(before);
});
test('a standing pitcher takes no other leaf: it says of what it still holds so much', async () => {
  await start();
  const again = await h.callers.brewer.post('/api/batches', startBody()).expect(409);
  expect(again.body).toMatchObject({
    code: 'batch.refused',
    message: 'Kestry Pearl is in the Pitcher 3. Empty the pitcher first.',
  });
  const [batch] = (await cold()).batches;
  if (!batch) throw new Error('it stands');
  wait(20);
  await act(batch, { kind: 'lift', yield: 460, squeezed: false }).expect(200);
  expect(
    (await h.callers.brewer.post('/api/batches', startBody()).expect(409)).body.message,
  ).toMatch(/^Pitcher 3 still holds 460\sml of Kestry Pearl\. Empty the pitcher first\.$/);
});
test('six starts of one pitcher at once: one begins', async () => {
  const answers = await Promise.all(
    Array.from({ length: 6 }, () => h.callers.brewer.post('/api/batches', startBody())),
  );
  expect(answers.map((a) => a.status).sort()).toEqual([200, 409, 409, 409, 409, 409]);
});
test('what cannot be begun: a hot recipe, another site’s pitcher, more than its brim, a counter steep', async () => {
  const refuse = (over: object, status: number) =>
    h.callers.brewer.post('/api/batches', startBody(over)).expect(status);
  await refuse({ teaId: h.ids.tea, versionId: h.ids.version }, 404);
  await refuse({ vesselId: newId() }, 404);
  expect((await refuse({ water: 1400 }, 422)).body.message).toMatch(
    /^Kestry Pearl in the Pitcher 3:/,
  );
  await refuse({ waterAt: 90 }, 422);
  const counter = newId();
  await h.callers.lead
    .post('/api/teas', {
      id: newId(),
      versionId: counter,
      name: 'Sennet Dew',
      style: 'green-pan',
      method: 'counter',
      ...PLAIN_TEA,
      weighing: null,
      spoon: 'dessertSpoon',
      recipe: startingRecipe('green-pan', 'counter'),
    })
    .expect(200)
    .then(({ body }) => refuse({ teaId: (body as { id: string }).id, versionId: counter }, 409))
    .then(({ body }) =>
      expect((body as { message: string }).message).toMatch(
        /^Counter brews are off in this house\. A lead can allow them/,
      ),
    );
});
test('lifted, poured, counted and thrown out: what is left is always known', async () => {
  const batch = await lifted();
  wait(6);
  await act(batch, { kind: 'pour', ml: 220, glasses: 1 }).expect(200);
  await act(batch, { kind: 'dilute', ml: 100 }).expect(200);
  await act(batch, { kind: 'count', ml: 700 }).expect(200);
  const over = await act(batch, { kind: 'pour', ml: 900, glasses: null }).expect(409);
  expect(over.body.message).toMatch(
    /^Kestry Pearl: Only 700\sml should be left\. Measure the liquor in the pitcher\.$/,
  );
  await act(batch, { kind: 'discard', ml: 700, reason: 'left' }).expect(200);
  expect(
    (await act(batch, { kind: 'pour', ml: 100, glasses: null }).expect(409)).body.message,
  ).toMatch(/This batch has ended/);
  // Its pitcher is free, and it stays in sight for three days.
  await start();
  expect((await cold()).batches).toHaveLength(2);
  wait(73);
  expect((await cold()).batches).toHaveLength(1);
});
test('past its time it is not poured, by nobody; without a network it was, and that is kept with a flag', async () => {
  const batch = await lifted();
  wait(73);
  for (const by of ['brewer', 'lead'] as const)
    expect(
      (await act(batch, { kind: 'pour', ml: 200, glasses: 1 }, by).expect(409)).body.message,
    ).toMatch(/The time of this batch ended at .* Throw the batch out\./);
  const late = await act(batch, { kind: 'pour', ml: 200, glasses: 1, at: h.now() - 5 * 60_000 });
  expect(late.status).toBe(200);
  const [kept] = (await cold()).batches;
  expect(kept?.events.at(-1)).toMatchObject({
    kind: 'pour',
    ml: 200,
    flag: expect.stringMatching(/The time of this batch ended/),
  });
});
test('a clock far ahead is refused and told, later the same is taken; a little ahead is held back', async () => {
  const ahead = startBody({ at: h.now() + 10 * 60_000 });
  const refused = await h.callers.brewer.post('/api/batches', ahead).expect(409);
  expect(refused.body).toMatchObject({ code: 'clock.ahead' });
  expect(refused.body.message).toMatch(/^The clock of this device is 10 minutes ahead\./);
  expect((await cold()).batches).toEqual([]);
  const reading = { id: newId(), siteId: h.ids.site, at: h.now() + HOUR, celsius: 4 };
  await h.callers.brewer.post('/api/fridge-readings', reading).expect(409);
  // The time has come, or its clock is set: nothing was lost.
  wait(0.25);
  const batch = (await h.callers.brewer.post('/api/batches', ahead).expect(200)).body as Batch;
  const count = { id: newId(), kind: 'count', ml: 900, at: h.now() + 5 * 60_000 };
  await act(batch, count).expect(409);
  wait(0.1);
  await act(batch, count).expect(200);
  // A minute ahead is held back to the server's own time.
  const lift = { kind: 'lift', yield: 900, squeezed: false, at: h.now() + 60_000 };
  const after = (await act(batch, lift).expect(200)).body as Batch;
  expect(after.events.at(-1)?.at).toBeLessThanOrEqual(h.now() + 2000);
});
test('the same event twice is one; an id of another batch is refused', async () => {
  const batch = await lifted();
  wait(6);
  const glass = { id: newId(), kind: 'pour', ml: 220, glasses: 1 };
  for (let i = 0; i < 3; i++) await act(batch, glass).expect(200);
  expect((await cold()).batches[0]?.events.filter((e) => e.kind === 'pour')).toHaveLength(1);
  await act(batch, { kind: 'discard', ml: 680, reason: 'doubt' }).expect(200);
  const other = await start();
  await act(other, { id: glass.id, kind: 'lift', yield: null, squeezed: false }).expect(409);
});
test('started on two tablets without a network both arrive; the second is void once somebody says so, and no other', async () => {
  const [first, second] = [
    startBody({ at: h.now() - 600_000 }),
    startBody({ at: h.now() - 480_000 }),
  ];
  await h.callers.brewer.post('/api/batches', first).expect(200);
  const double = (await h.callers.trainee.post('/api/batches', second).expect(200)).body as Batch;
  expect((await cold()).batches).toHaveLength(2);
  await act(double, { kind: 'void', double: newId() }).expect(409);
  await act(double, { kind: 'void', double: first.id }).expect(200);
  // What stands is the first; the pitcher is taken by it alone.
  const { batches } = await cold();
  expect(batches.find((b) => b.id === double.id)?.events).toMatchObject([
    { kind: 'void', double: first.id },
  ]);
  expect((await h.callers.brewer.post('/api/batches', startBody()).expect(409)).body.message).toBe(
    'Kestry Pearl is in the Pitcher 3. Empty the pitcher first.',
  );
  // One that was begun an hour later in the same pitcher is another batch, not a double.
  wait(1);
  const later = startBody({ at: h.now() - 120_000 });
  await h.callers.brewer.post('/api/batches', later).expect(200);
  await act({ ...double, id: later.id }, { kind: 'void', double: first.id }).expect(409);
});
test('the last thing is taken back within ten minutes, later by a lead; a vessel that holds another stays as it is', async () => {
  const batch = await lifted();
  const up = (await cold()).batches[0]?.events[0]?.id ?? '';
  wait(0.5);
  await act(batch, { kind: 'undo', of: up }).expect(409);
  await act(batch, { kind: 'undo', of: up }, 'lead').expect(200);
  await act(batch, { kind: 'lift', yield: 900, squeezed: true }).expect(200);
  const out = newId();
  await act(batch, { id: out, kind: 'discard', ml: 900, reason: 'doubt' }).expect(200);
  await start();
  expect((await act(batch, { kind: 'undo', of: out }).expect(409)).body.message).toBe(
    'Kestry Pearl is in the Pitcher 3 now.',
  );
});
test('a start by mistake is taken back and leaves its pitcher free', async () => {
  const batch = await start();
  await act(batch, { kind: 'undo', of: batch.id }).expect(200);
  await start();
});
test('the fridge is read; a warm one moves the hours of what begins after, not of what stands', async () => {
  const first = await start();
  const reading = { id: newId(), siteId: h.ids.site, at: h.now(), celsius: 4.9 };
  for (let i = 0; i < 2; i++)
    await h.callers.trainee.post('/api/fridge-readings', reading).expect(200);
  const { readings, batches } = await cold();
  expect(readings).toHaveLength(1);
  expect(batches[0]?.plan).toEqual(first.plan);
  await act(first, { kind: 'undo', of: first.id }).expect(200);
  expect((await start()).plan.air).toBe(4.9);
  const silly = await h.callers.brewer
    .post('/api/fridge-readings', { ...reading, id: newId(), celsius: 60 })
    .expect(422);
  expect(silly.body.fields).toEqual({
    celsius: 'A fridge is colder than that. Read the thermometer again.',
  });
});
test('another site’s people do nothing here, and see nothing of it', async () => {
  const batch = await start();
  const elsewhere = newId();
  const person = newId();
  const { lead } = h.callers;
  const house = (await lead.get('/api/house').expect(200)).body as { session: { site: object } };
  const { id: _id, rev: _rev, ...fields } = house.session.site as { id: string; rev: number };
  await lead.post('/api/sites', { ...fields, name: 'Far room', id: elsewhere }).expect(200);
  await lead
    .post('/api/people', {
      id: person,
      name: 'Far F.',
      role: 'brewer',
      siteIds: [elsewhere],
      secret: SECRETS.brewer,
    })
    .expect(200);
  const body = { personId: person, siteId: elsewhere, secret: SECRETS.brewer };
  const far = from(h.app, cookieOf(await from(h.app).post('/api/session', body).expect(200)));
  expect(((await far.get('/api/batches').expect(200)).body as Cold).batches).toEqual([]);
  await far
    .post(`/api/batches/${batch.id}/events`, { id: newId(), at: h.now(), kind: 'count', ml: 1 })
    .expect(403);
  await far.post('/api/batches', startBody()).expect(403);
  await far.get(`/api/batches/${batch.id}/label.pdf?zone=UTC`).expect(403);
});
test('a period for an inspection: each batch with what became of it, the fridge, and every act, the undone too', async () => {
  const begins = h.now() - HOUR;
  const reading = { siteId: h.ids.site, at: h.now(), celsius: 4.2 };
  await h.callers.brewer.post('/api/fridge-readings', { id: newId(), ...reading }).expect(200);
  const batch = await lifted();
  const up = (await cold()).batches[0]?.events[0]?.id;
  await act(batch, { kind: 'undo', of: up }).expect(200);
  await act(batch, { kind: 'lift', yield: 880, squeezed: false }).expect(200);
  wait(6);
  await act(batch, { kind: 'discard', ml: 880, reason: 'off' }).expect(200);
  const period = `from=${begins}&to=${h.now() + HOUR}&zone=Asia/Kathmandu`;
  const csv = async (table: string) => {
    const { text } = await h.callers.brewer.get(`/api/cold/${table}.csv?${period}`).expect(200);
    expect(text).toContain('\r\n');
    return parse<Record<string, string>>(text, { header: true }).data;
  };
  const [row] = await csv('batches');
  expect(row).toMatchObject({
    tea: 'Kestry Pearl',
    vessel: 'Pitcher 3',
    yieldMl: '880',
    discardedMl: '880',
    reason: 'bad taste',
    end: 'discarded',
    liftedBy: 'Brewer B.',
    keepHours: '72',
    limitC: '5',
    lot: '',
  });
  expect(row?.leafIn).toMatch(/T\d\d:\d\d:\d\d\+05:45$/);
  expect(Date.parse(row?.leafIn ?? '')).toBe(Math.floor(batch.leafIn / 1000) * 1000);
  expect(await csv('temperatures')).toEqual([
    expect.objectContaining({ celsius: '4.2', source: 'typed', by: 'Brewer B.' }),
  ]);
  const whole = JSON.parse(
    (await h.callers.lead.get(`/api/cold/record.json?${period}`).expect(200)).text,
  ) as { events: { kind: string; undone: boolean }[] };
  expect(whole.events.map((e) => [e.kind, e.undone])).toEqual([
    ['lift', true],
    ['undo', false],
    ['lift', false],
    ['discard', false],
  ]);
  await h.callers.trainee.get(`/api/cold/batches.csv?${period}`).expect(403);
  await h.callers.brewer.get(`/api/cold/batches.csv?from=${begins}&to=${begins}`).expect(422);
});
test('the record on paper: the same rows, in the times of the zone', async () => {
  const batch = await lifted();
  const period = `from=${batch.leafIn - HOUR}&to=${h.now() + HOUR}&zone=Asia/Kolkata`;
  const pdf = await h.callers.lead.get(`/api/cold/batches.pdf?${period}`).expect(200);
  expect(pdf.headers['content-type']).toBe('application/pdf');
  const text = spawnSync('pdftotext', ['-layout', '-', '-'], { input: pdf.body as Buffer });
  const words = text.stdout.toString();
  expect(words).toMatch(/Cold batches, Test room/);
  expect(words).toMatch(/times of Asia\/Kolkata; 1 row/);
  expect(words).toMatch(/Kestry Pearl\s+Pitcher 3/);
  await h.callers.lead.get(`/api/cold/record.pdf?${period}`).expect(422);
  const none = await h.callers.lead.get(`/api/cold/temperatures.pdf?${period}`).expect(200);
  const empty = spawnSync('pdftotext', ['-layout', '-', '-'], { input: none.body as Buffer });
  expect(empty.stdout.toString()).toMatch(/nothing in this period/);
});
test('the label says what it is, when to lift it and when it goes out, in the shop’s zone, rounded down', async () => {
  const batch = await start();
  const pdf = await h.callers.trainee
    .get(`/api/batches/${batch.id}/label.pdf?zone=Asia/Kathmandu`)
    .expect(200);
  const text = spawnSync('pdftotext', ['-layout', '-', '-'], {
    input: pdf.body as Buffer,
    encoding: 'utf8',
  });
  const out =
    Math.floor((batch.leafIn + (batch.plan.window.best + 72 * 3600) * 1000) / 900_000) * 900_000;
  const clock = new Intl.DateTimeFormat('en-GB', {
    timeZone: 'Asia/Kathmandu',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  });
  expect(text.stdout).toContain('Kestry Pearl');
  expect(text.stdout).toContain('Pitcher 3, fridge brew, 1.0 l');
  expect(text.stdout).toContain('no allergens');
  expect(text.stdout).toMatch(new RegExp(`discard\\s+\\w{3} \\d+ \\w{3} ${clock.format(out)}`));
  // Nothing runs over the edge: words end within its margin of 3 mm, the code for a label of 62 mm.
  const boxes = spawnSync('pdftotext', ['-bbox', '-', '-'], {
    input: pdf.body as Buffer,
    encoding: 'utf8',
  }).stdout;
  const ends = [...boxes.matchAll(/xMax="([\d.]+)"/g)].map((m) => Number(m[1]));
  expect(ends.length).toBeGreaterThan(10);
  expect(Math.max(...ends)).toBeLessThanOrEqual(((62 - 3) / 25.4) * 72);
  const nowhere = await h.callers.trainee.get(`/api/batches/${batch.id}/label.pdf?zone=Mars/Base`);
  expect(nowhere.status).toBe(422);
});

describe('the plan of a site', () => {
  const read = async (by: keyof Begun['callers'] = 'brewer') =>
    (await h.callers[by].get('/api/cold/plan').expect(200)).body as ColdPlanAnswer;
  const demand = () => ({
    ...{ teaId: tea, method: 'fridge', glass: 220 },
    week: Array.from({ length: 7 }, () => [2, 1]),
    days: { '2026-05-04': [5] },
  });
  const planned = (over: object = {}) => ({
    ...{ id: newId(), teaId: tea, method: 'fridge', vesselId: pitcher, water: 1000, glasses: 4 },
    ...{ start: h.now(), lift: h.now() + 4 * HOUR, until: null, pinned: false },
    ...over,
  });
  const body = (over: object = {}) => ({
    ...{ rev: 0, demand: [demand()], batches: [planned()], places: null },
    ...over,
  });
  test('nothing is planned at first; kept, it is there for everybody', async () => {
    expect(await read()).toEqual({
      plan: { rev: 0, demand: [], batches: [], places: null, leftFree: [], changed: null },
      poured: [],
    });
    const batch = planned({ pinned: true });
    const leftFree = [{ vesselId: pitcher, from: h.now(), to: h.now() + HOUR }];
    await h.callers.brewer
      .patch('/api/cold/plan', body({ batches: [batch], places: 6, leftFree }))
      .expect(200);
    const { plan } = await read('trainee');
    expect(plan).toMatchObject({
      ...{ rev: 1, demand: [demand()], batches: [batch], places: 6 },
      leftFree,
    });
    expect(plan.changed?.by).toBe('Brewer B.');
  });
  test('two at once: the second is told, its own is kept over the revision it was told', async () => {
    await h.callers.brewer.patch('/api/cold/plan', body()).expect(200);
    const second = await h.callers.lead.patch('/api/cold/plan', body({ places: 3 })).expect(409);
    expect(second.body).toMatchObject({ code: 'record.changed', details: { rev: 1 } });
    expect((await read()).plan.places).toBeNull();
    await h.callers.lead.patch('/api/cold/plan', body({ rev: 1, places: 3 })).expect(200);
    expect((await read()).plan).toMatchObject({ rev: 2, places: 3 });
  });
  test('a trainee plans nothing; what is wrong is named', async () => {
    await h.callers.trainee.patch('/api/cold/plan', body()).expect(403);
    const bad = { ...demand(), week: [[1]] };
    await h.callers.brewer.patch('/api/cold/plan', body({ demand: [bad] })).expect(422);
    await h.callers.brewer
      .patch('/api/cold/plan', body({ batches: [planned({ glasses: 0 })] }))
      .expect(422);
  });
  test('a planned batch whose leaf went in under its id is planned no longer', async () => {
    const batch = planned();
    await h.callers.brewer
      .patch('/api/cold/plan', body({ batches: [batch, planned()] }))
      .expect(200);
    await start({ id: batch.id });
    const { plan } = await read();
    expect(plan.batches).toHaveLength(1);
    expect(plan.batches[0]?.id).not.toBe(batch.id);
  });
  test('glasses poured are there to learn from, those taken back are not', async () => {
    const batch = await lifted();
    await act(batch, { kind: 'pour', ml: 440, glasses: 2 }).expect(200);
    const wrong = newId();
    await act(batch, { id: wrong, kind: 'pour', ml: 220, glasses: 1 }).expect(200);
    await act(batch, { kind: 'undo', of: wrong }).expect(200);
    expect((await read()).poured).toEqual([
      { teaId: tea, method: 'fridge', at: expect.any(Number) as number, glasses: 2 },
    ]);
  });
  test('the hours of a site are kept with it; a zone nobody knows is refused', async () => {
    const day = [['08:00', '18:00']];
    const week = Array.from({ length: 7 }, () => day);
    const hours = { zone: 'Europe/Lisbon', open: week, preferred: week, services: week };
    const site = { ...SITE, rev: 1 };
    await h.callers.lead.patch(`/api/sites/${h.ids.site}`, { ...site, hours }).expect(200);
    const { session } = (await h.callers.lead.get('/api/house').expect(200)).body as House;
    expect(session?.site.hours).toEqual(hours);
    // Another zone moves no instant of what stands: only what is shown of it.
    const batch = await start();
    const east = { ...hours, zone: 'Asia/Kolkata' };
    await h.callers.lead
      .patch(`/api/sites/${h.ids.site}`, { ...site, rev: 2, hours: east })
      .expect(200);
    const [same] = (await cold()).batches;
    expect(same).toMatchObject({ leafIn: batch.leafIn, plan: batch.plan });
    const wrong = { ...site, rev: 3, hours: { ...hours, zone: 'Mars/Base' } };
    await h.callers.lead.patch(`/api/sites/${h.ids.site}`, wrong).expect(422);
  });
});

describe('the limits of a site', () => {
  const LIMITS = {
    ...{ keepHours: 24, warmStartKeepHours: 24, limit: 4, warmHours: 2 },
    ...{ coolHours: 4, counterHours: 4 },
  };
  const type = (limits: object, rev = 1) =>
    h.callers.lead.patch(`/api/sites/${h.ids.site}`, { ...SITE, rev, limits });
  test('made shorter they hold for what stands: past the new time nothing is poured', async () => {
    const batch = await lifted();
    wait(30);
    await type(LIMITS).expect(200);
    const refused = await act(batch, { kind: 'pour', ml: 200, glasses: 1 }).expect(409);
    expect(refused.body).toMatchObject({ details: { why: 'past' } });
  });
  test('a batch begun after has them with it; five days is the most that can be typed', async () => {
    await type(LIMITS).expect(200);
    expect((await start()).plan.keeping).toMatchObject({ keepHours: 24, limit: 4, warmHours: 2 });
    await type({ ...LIMITS, keepHours: 121 }, 2).expect(422);
    await type({ ...LIMITS, limit: 9 }, 2).expect(422);
  });
  test('the record says what each limit was, from when on, and by whom it was typed', async () => {
    await type(LIMITS).expect(200);
    const rows = (
      await h.callers.lead
        .get(`/api/cold/limits.json?from=${h.now() - HOUR}&to=${h.now() + HOUR}&zone=UTC`)
        .expect(200)
    ).body as { from: string; setting: string; value: number; by: string }[];
    const keep = rows.filter((r) => r.setting === 'keepHours');
    expect(keep.map((r) => [r.value, r.by, r.from === ''])).toEqual([
      [72, '', true],
      [24, 'Lead L.', false],
    ]);
    expect(rows.filter((r) => r.setting === 'coolHours')).toHaveLength(1);
  });
});
