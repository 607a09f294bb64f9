import { foldTasting, type TastingAct } from '#core/tastings';
import type { GuestAct, GuestSheet } from '#contracts/guests';
import type { OpenTasting, TastingRow } from '#contracts/tastings';
import { type Begun, begunHouse, type Caller, from, newId } from './house';

// Guests at a table: a name and a seat, by a code, for an hour.

const HOUR = 3_600_000;
let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

const cups = [45, 120, 240].map((seconds) => ({
  ...{ grams: 1.8, water: 150, celsius: 96, seconds },
}));
/** A ladder with one brewer and so many seats for guests, as it is set up. */
async function setUp(guests: number, over: object = {}): Promise<OpenTasting> {
  const body = {
    ...{ id: newId(), siteId: h.ids.site, teaId: h.ids.tea, lotId: null, vesselId: h.ids.pot },
    ...{ versionId: h.ids.version, kind: 'ladder', way: 'seconds', asks: 'strength', cups },
    ...{ tasterIds: [h.ids.brewer], guests, at: h.now(), ...over },
  };
  const { body: set } = await h.callers.lead.post('/api/tastings', body).expect(200);
  return set as OpenTasting;
}
const does = (id: string, act: TastingAct, who: Caller = h.callers.lead) =>
  who.post(`/api/tastings/${id}/events`, { id: newId(), at: h.now(), act });
const seen = async (id: string): Promise<OpenTasting> =>
  (await h.callers.lead.get(`/api/tastings/${id}`).expect(200)).body as OpenTasting;
/** The same with every cup poured off. */
async function table(guests: number, over: object = {}): Promise<OpenTasting> {
  const { id, exercise } = await setUp(guests, over);
  await does(id, { kind: 'start' }).expect(200);
  for (const cup of exercise.cups.keys()) await does(id, { kind: 'pull', cup }).expect(200);
  return seen(id);
}
/** Somebody with no account. */
const anybody = () => from(h.app);
const join = (code: string, name: string) => anybody().post('/api/guests', { code, name });
async function sat(code: string, name: string): Promise<{ pass: string; sheet: GuestSheet }> {
  return (await join(code, name).expect(200)).body as { pass: string; sheet: GuestSheet };
}
const withPass = (pass: string) => ({
  sheet: () => anybody().get('/api/guests/sheet').set('authorization', `Bearer ${pass}`),
  write: (act: GuestAct, id = newId()) =>
    anybody()
      .post('/api/guests/sheet/events', { id, at: h.now(), act })
      .set('authorization', `Bearer ${pass}`),
});
const codeFor = ({ guests }: OpenTasting): string => guests?.code ?? '';
const LIKED = { marks: { strength: 1 }, words: ['malty'] } as const;

test('two guests sit down by one code, write their own sheets, and the table reads them by name', async () => {
  const t = await table(3);
  expect(codeFor(t)).toMatch(/^[A-HJ-NP-Z2-9]{6}$/);
  expect(t.exercise.tasters.map(({ name, guest }) => [name, guest ?? 'staff'])).toEqual([
    [expect.any(String), 'staff'],
    ['Guest 1', 'free'],
    ['Guest 2', 'free'],
    ['Guest 3', 'free'],
  ]);
  // Small letters do, and blanks around them.
  const mara = await sat(` ${codeFor(t).toLowerCase()} `, 'Mara');
  const ode = await sat(codeFor(t), 'Ode');
  expect([mara.sheet.seat.name, ode.sheet.seat.name]).toEqual(['Mara', 'Ode']);
  expect(mara.sheet.codes).toHaveLength(3);
  expect(JSON.stringify(mara.sheet)).not.toMatch(/grams|recipe|celsius|"name":"Ode"/);
  const [first = ''] = mara.sheet.codes;
  const kept = await withPass(mara.pass)
    .write({ kind: 'keep', code: first, sheet: LIKED })
    .expect(200);
  expect((kept.body as GuestSheet).sheets[first]).toEqual(LIKED);
  // Nobody else's pass reads it.
  expect(((await withPass(ode.pass).sheet().expect(200)).body as GuestSheet).sheets).toEqual({});
  for (const guest of [mara, ode])
    await withPass(guest.pass)
      .write({ kind: 'handIn', order: guest.sheet.codes, choice: null })
      .expect(200);
  await does(
    t.id,
    { kind: 'handIn', taster: h.ids.brewer, order: mara.sheet.codes, choice: null },
    h.callers.brewer,
  ).expect(200);
  // The third seat was taken by nobody: it holds nothing up.
  await does(t.id, { kind: 'reveal' }).expect(200);
  const open = await seen(t.id);
  const now = foldTasting(open.exercise, open.events);
  expect(now.tasters.filter((x) => x.handedIn).map((x) => x.name)).toEqual(
    expect.arrayContaining(['Mara', 'Ode']),
  );
  expect(now.tasters.find((x) => x.name === 'Mara')?.sheets[first]?.words).toEqual(['malty']);
  // A guest sees that it is over, and still nothing of how the cups were made.
  const after = (await withPass(mara.pass).sheet().expect(200)).body as GuestSheet;
  expect(after.stage).toBe('revealed');
  expect(JSON.stringify(after)).not.toMatch(/grams|recipe|celsius/);
});
test('after its hour a code lets nobody in, and a pass neither reads nor writes; opened again both do', async () => {
  const t = await table(2);
  const mara = await sat(codeFor(t), 'Mara');
  h.time.ahead += HOUR + 1000;
  const late = await join(codeFor(t), 'Ode');
  expect([late.status, late.body.code]).toEqual([404, 'guest.code']);
  const act = { kind: 'keep', code: mara.sheet.codes[0] ?? '', sheet: LIKED } as const;
  for (const refused of [await withPass(mara.pass).sheet(), await withPass(mara.pass).write(act)])
    expect([refused.status, refused.body.code]).toEqual([403, 'guest.over']);
  await h.callers.trainee.post(`/api/tastings/${t.id}/guests`, {}).expect(403);
  await h.callers.brewer.post(`/api/tastings/${t.id}/guests`, {}).expect(403);
  const again = (await h.callers.lead.post(`/api/tastings/${t.id}/guests`, {}).expect(200))
    .body as OpenTasting;
  expect(codeFor(again)).not.toBe(codeFor(t));
  expect(again.guests?.until).toBeCloseTo(h.now() + HOUR, -3);
  await withPass(mara.pass).write(act).expect(200);
  await sat(codeFor(again), 'Ode');
  await join(codeFor(t), 'Late').expect(404);
});
test('a pass is of one table: it opens nothing else of the house, and no other sheet', async () => {
  const t = await table(1);
  const { pass } = await sat(codeFor(t), 'Mara');
  for (const path of ['/api/bar', '/api/book', `/api/tastings/${t.id}`, '/api/people'])
    await anybody().get(path).set('authorization', `Bearer ${pass}`).expect(401);
  await anybody().get('/api/guests/sheet').expect(401);
  await withPass('x'.repeat(43)).sheet().expect(404);
  // Another's name in the act is no part of what a guest may send.
  const forged = { kind: 'keep', code: '101', sheet: LIKED, taster: h.ids.brewer };
  await withPass(pass)
    .write(forged as never)
    .expect(422);
  await withPass(pass)
    .write({ kind: 'reveal' } as never)
    .expect(422);
});
test('the last seat is taken once; a name is there once; what is wrong is said beside its field', async () => {
  const t = await table(1);
  const taken = await join(codeFor(t), t.exercise.tasters[0]?.name ?? '');
  expect([taken.status, taken.body.fields.name]).toEqual([
    422,
    'Somebody at this table has that name. Add a letter.',
  ]);
  const empty = await join(codeFor(t), '   ').expect(422);
  expect(empty.body.fields.name).toMatch(/Type your name/);
  const odd = await join('A1', 'Mara').expect(422);
  expect(odd.body.fields.code).toMatch(/six letters/);
  // Two phones on the last seat at once.
  const both = await Promise.all([join(codeFor(t), 'Mara'), join(codeFor(t), 'Ode')]);
  expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
  expect(both.find((r) => r.status === 409)?.body.code).toBe('guest.full');
});
test('a write that is sent twice is kept once; a sheet that is in stays as it is', async () => {
  const t = await table(1);
  const mara = await sat(codeFor(t), 'Mara');
  const id = newId();
  const act = { kind: 'keep', code: mara.sheet.codes[0] ?? '', sheet: LIKED } as const;
  for (let i = 0; i < 2; i += 1) await withPass(mara.pass).write(act, id).expect(200);
  expect((await seen(t.id)).events.filter((e) => e.id === id)).toHaveLength(1);
  const handIn = { kind: 'handIn', order: mara.sheet.codes, choice: null } as const;
  await withPass(mara.pass).write(handIn).expect(200);
  const second = await withPass(mara.pass).write(act);
  expect([second.status, second.body.details.why]).toEqual([409, 'alreadyHandedIn']);
});
test('codes cannot be guessed on and on: an address waits, whoever has the right one too', async () => {
  const t = await table(2);
  for (let i = 0; i < 60; i += 1) await join('ZZZZZ9', 'Mara').expect(404);
  const waits = await join(codeFor(t), 'Mara');
  expect([waits.status, waits.body.code]).toEqual([429, 'signin.wait']);
  h.time.ahead += HOUR / 3;
  await sat(codeFor(t), 'Mara');
});
test('a table of guests alone; none for a calibration; seats that are free are no tasters in the list', async () => {
  const t = await table(2, { tasterIds: [] });
  const { pass, sheet } = await sat(codeFor(t), 'Mara');
  const { tastings } = (await h.callers.lead.get(`/api/tastings?siteId=${h.ids.site}`).expect(200))
    .body as { tastings: TastingRow[] };
  expect(tastings.find((row) => row.id === t.id)?.tasters).toBe(1);
  await withPass(pass).write({ kind: 'handIn', order: sheet.codes, choice: null }).expect(200);
  await does(t.id, { kind: 'reveal' }).expect(200);
  const refused = await h.callers.lead.post('/api/tastings', {
    ...{ id: newId(), siteId: h.ids.site, teaId: h.ids.tea, lotId: null, vesselId: h.ids.pot },
    ...{ versionId: h.ids.version, kind: 'calibration', way: 'seconds', asks: 'strength' },
    ...{ cups: cups.slice(0, 2), tasterIds: [h.ids.brewer], guests: 1, at: h.now() },
  });
  expect([refused.status, Object.keys(refused.body.fields)]).toEqual([422, ['guests']]);
  // A table that is over is not opened again.
  await h.callers.lead.post(`/api/tastings/${t.id}/guests`, {}).expect(409);
});
test('what to ask before tasting: allergens of every tea on the table, and milk', async () => {
  const two = [
    { ...cups[0], made: { of: 'milk', milk: 'none' } },
    { ...cups[0], made: { of: 'milk', milk: 'tenth' } },
  ];
  const t = await setUp(1, { kind: 'comparison', compares: 'milk', cups: [...two] });
  expect((await sat(codeFor(t), 'Mara')).sheet.allergens).toContain('milk');
});
