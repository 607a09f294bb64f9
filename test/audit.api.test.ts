import { parse } from 'csv-parse/sync';
import type { AuditEntry } from '../src/contracts/audit';
import { type Begun, begunHouse, from, newId, orderBody, POT, SECRETS } from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

const listed = async (query = ''): Promise<AuditEntry[]> =>
  (await h.callers.lead.get(`/api/audit${query}`).expect(200)).body.entries;
const signIn = (secret: string) =>
  from(h.app).post('/api/session', { personId: h.ids.brewer, siteId: h.ids.site, secret });
/** What is noted beside an answer may come a moment after it. */
async function until(found: () => Promise<AuditEntry[]>, n: number): Promise<AuditEntry[]> {
  for (let i = 0; i < 50; i++) {
    const entries = await found();
    if (entries.length >= n) return entries;
    await new Promise((r) => setTimeout(r, 20));
  }
  return found();
}

test('a sign-in, a wrong PIN, a refusal, an export and a change: who, from where, what', async () => {
  await signIn('0000').expect(401);
  await signIn(SECRETS.brewer).expect(200);
  await h.callers.trainee.get('/api/people').expect(403);
  await h.callers.lead.get('/api/exchange/book.json').expect(200);
  await h.callers.lead.get('/api/log/brews.csv').expect(200);
  await h.callers.lead
    .post('/api/vessels', { ...POT, id: newId(), siteId: h.ids.site, name: 'Blue pot' })
    .expect(200);
  const start = await until(() => listed('?kind=export'), 2);
  expect(start.map((e) => e.what).sort()).toEqual([
    'GET /api/exchange/book.json',
    'GET /api/log/brews.csv',
  ]);
  expect(start[0]).toMatchObject({ by: { name: 'Lead L.' }, siteId: h.ids.site, code: null });
  const refused = await listed('?kind=refused');
  expect(refused.map((e) => [e.code, e.by?.name, e.what])).toEqual([
    ['session.forbidden', 'Trainee T.', 'GET /api/people'],
    ['signin.wrong', 'Brewer B.', 'POST /api/session'],
  ]);
  const signedIn = await listed(`?kind=signIn&personId=${h.ids.brewer}`);
  expect(signedIn.map((e) => e.by?.name)).toEqual(expect.arrayContaining(['Brewer B.']));
  expect(signedIn[0]?.address).toMatch(/127\.0\.0\.1/);
  const changed = await listed('?kind=change&words=Blue');
  expect(changed).toEqual([
    expect.objectContaining({
      by: { id: h.ids.lead, name: 'Lead L.' },
      change: expect.objectContaining({ thing: 'vessel' }),
    }),
  ]);
  // No secret stands anywhere.
  expect(JSON.stringify(await listed())).not.toMatch(/"0000"|"2468"|a long passphrase/);
});
test('only a lead reads it; what is searched for is taken as it is written', async () => {
  await h.callers.brewer.get('/api/audit').expect(403);
  await h.callers.brewer.get('/api/audit.csv').expect(403);
  expect(await until(() => listed('?words=audit.csv'), 1)).toHaveLength(1);
  expect(await listed('?words=%25')).toEqual([]);
  expect(await listed('?words=_udit')).toEqual([]);
  await h.callers.lead.get('/api/audit?before=1_nothing').expect(422);
});
test('a hundred at a time, each once, in order, whatever was at the same instant', async () => {
  for (let i = 0; i < 130; i++)
    await h.callers.lead.post('/api/vessels', {
      ...POT,
      id: newId(),
      siteId: h.ids.site,
      name: `Pot ${i}`,
    });
  const seen: AuditEntry[] = [];
  let next: string | null = '';
  while (next !== null) {
    const query: string = next === '' ? '' : `?before=${next}`;
    const { body } = await h.callers.lead.get(`/api/audit${query}`).expect(200);
    seen.push(...body.entries);
    next = body.next;
  }
  expect(new Set(seen.map((e) => e.id)).size).toBe(seen.length);
  expect(seen.length).toBeGreaterThan(130);
  expect(seen.map((e) => e.at)).toEqual(seen.map((e) => e.at).sort((a, b) => b - a));
});
test('out as CSV: the same entries, and what begins like a formula is text', async () => {
  await h.callers.lead
    .post('/api/vessels', { ...POT, id: newId(), siteId: h.ids.site, name: '=1+1' })
    .expect(200);
  await h.callers.trainee.get('/api/people').expect(403);
  await until(() => listed('?kind=refused'), 1);
  const { text } = await h.callers.lead.get('/api/audit.csv').expect(200);
  const rows: Record<string, string>[] = parse(text, { columns: true });
  expect(rows.find((r) => r.reason === 'session.forbidden')).toMatchObject({
    kind: 'refused',
    person: 'Trainee T.',
    what: 'GET /api/people',
  });
  expect(rows.some((r) => r.record?.startsWith('vessel '))).toBe(true);
  for (const row of rows)
    for (const cell of Object.values(row)) expect(cell).not.toMatch(/^[=+@-]/);
});
test('whoever hammers at the door fills no disk: thirty refusals a minute and address are kept', async () => {
  for (let i = 0; i < 45; i++) await h.callers.trainee.get('/api/people').expect(403);
  await until(() => listed('?kind=refused'), 30);
  expect(await listed('?kind=refused')).toHaveLength(30);
  h.time.ahead += 61_000;
  await h.callers.trainee.get('/api/people').expect(403);
  expect(await until(() => listed('?kind=refused'), 31)).toHaveLength(31);
});
test('a write in another’s name is refused and kept with who was signed in', async () => {
  await h.callers.trainee
    .post('/api/orders', orderBody(h))
    .set('x-limnos-person', h.ids.brewer)
    .expect(409);
  expect(await until(() => listed('?kind=refused'), 1)).toEqual([
    expect.objectContaining({
      code: 'session.other',
      by: { id: h.ids.trainee, name: 'Trainee T.' },
    }),
  ]);
});
