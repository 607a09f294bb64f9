import type { Express } from 'express';
import request from 'supertest';
import { ROUTES } from '../src/contracts/routes';
import { resetDemo, seedDemo } from '../src/server/demo';
import { TEST_INSTANT } from './clock';
import { type Caller, cookieOf, type Fresh, freshHouse, from } from './house';

// The demo as it is served: every print and every export of it, and what makes it new.

let fresh: Fresh;
let lead: Caller;
let siteId = '';

async function signedInLead(app: Express): Promise<Caller> {
  const { body } = await request(app).get('/api/house');
  const { sites } = body as { sites: { id: string }[] };
  siteId = sites[0]?.id ?? '';
  const names = await request(app).get(`/api/sites/${siteId}/names`);
  const people = (names.body as { people: { id: string; name: string }[] }).people;
  const personId = people.find((p) => p.name === 'Ilsa V.')?.id;
  const secret = 'grey pot first';
  const signed = await from(app).post('/api/session', { personId, siteId, secret }).expect(200);
  return from(app, cookieOf(signed));
}

beforeAll(async () => {
  fresh = await freshHouse();
  await seedDemo(fresh.db, { now: TEST_INSTANT, days: 2 });
  lead = await signedInLead(fresh.app);
}, 60_000);
afterAll(() => fresh.close());

type Listed = { readonly id: string; readonly lesson?: string | null };
const records = async (path: string, list: string): Promise<Listed[]> => {
  const { body } = await lead.get(path).expect(200);
  return (body as Record<string, Listed[]>)[list] ?? [];
};
/** A file as it comes: its bytes, whatever their kind. */
const fetched = (path: string) =>
  lead
    .get(path)
    .buffer(true)
    .parse((res, done) => {
      const parts: Buffer[] = [];
      res.on('data', (part: Buffer) => parts.push(part));
      res.on('end', () => done(null, Buffer.concat(parts)));
    });
const TABLES = ['teas', 'recipes', 'lots', 'vessels'];

/** Where every file of the demo is, by the route that makes it. */
async function filesOf(): Promise<Record<string, string[]>> {
  // A card of every tea is in the book; a few by themselves are as good as all.
  const teas = (await records('/api/book', 'teas')).slice(0, 3);
  const vessels = (await records('/api/vessels', 'vessels')).slice(0, 3);
  const tastings = await records(`/api/tastings?siteId=${siteId}`, 'tastings');
  const batches = await records('/api/batches', 'batches');
  const board = await lead.get('/api/training/board').expect(200);
  const people = (board.body as { people: { person: { id: string }; answers: unknown[] }[] })
    .people;
  const practised = people.filter((p) => p.answers.length > 0).map((p) => p.person);
  const lastMonth = `from=${TEST_INSTANT - 30 * 86_400_000}&to=${TEST_INSTANT + 86_400_000}`;
  const each = (list: { id: string }[], path: (id: string) => string) =>
    list.map((x) => path(x.id));
  const ofTasting = (file: string) => each(tastings, (id) => `/api/tastings/${id}/${file}`);
  return {
    printSwatches: each(teas, (id) => `/api/teas/${id}/swatches.pdf`),
    printWallCard: each(teas, (id) => `/api/teas/${id}/wall.pdf`),
    printLabel: each(teas, (id) => `/api/teas/${id}/label.pdf`),
    printGuest: each(teas, (id) => `/api/teas/${id}/guest.pdf?water=600&size=label62`),
    printBook: ['/api/print/book.pdf'],
    printPocket: each(vessels, (id) => `/api/vessels/${id}/pocket.pdf`),
    printScaling: each(vessels, (id) => `/api/vessels/${id}/scaling.pdf`),
    printSpoons: ['/api/print/spoons.pdf'],
    exportAudit: ['/api/audit.csv'],
    getOpenApi: ['/api/openapi.json'],
    exportTraining: each(practised, (id) => `/api/training/record/${id}.csv`),
    printTraining: each(practised, (id) => `/api/training/record/${id}.pdf`),
    printBatchLabel: each(batches, (id) => `/api/batches/${id}/label.pdf?zone=Europe/Lisbon`),
    exportCold: ['batches.csv', 'temperatures.csv', 'batches.json', 'record.json'].map(
      (file) => `/api/cold/${file}?${lastMonth}`,
    ),
    printTrainerSheet: each(
      tastings.filter((t) => t.lesson !== null),
      (id) => `/api/tastings/${id}/trainer-sheet.pdf`,
    ),
    printTents: ofTasting('tents.pdf'),
    printSheets: ofTasting('sheets.pdf'),
    printReport: ofTasting('report.pdf'),
    exportTasting: [...ofTasting('marks.csv'), ...ofTasting('marks.json')],
    exportBrews: ['/api/log/brews.csv', '/api/log/brews.json'],
    exportBook: ['/api/exchange/book.json'],
    exportHouse: ['/api/house.zip'],
    exportTable: TABLES.map((t) => `/api/exchange/${t}.csv`),
  };
}
const isFile = (path: string) => /\.(pdf|csv|json|zip|:form)$/.test(path);

test('every print and every export of the demo comes, and is what it says it is', async () => {
  const files = await filesOf();
  const made = Object.entries(ROUTES)
    .filter(([, r]) => isFile(r.path))
    .map(([name]) => name);
  expect(Object.keys(files).sort()).toEqual(made.sort());
  for (const [name, paths] of Object.entries(files)) {
    expect([name, paths.length > 0]).toEqual([name, true]);
    for (const path of paths) {
      const res = await fetched(path);
      const bytes = res.body as Buffer;
      // What cannot be printed says so in words; nothing breaks.
      expect([path, res.status]).toEqual([path, 200]);
      expect([path, bytes.length > 20]).toEqual([path, true]);
      const [file = ''] = path.split('?');
      if (file.endsWith('.csv'))
        expect([path, bytes.toString().trim().split('\n').length > 1]).toEqual([path, true]);
      if (file.endsWith('.pdf')) expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
      if (file.endsWith('.json'))
        expect(() => JSON.parse(bytes.toString()) as unknown).not.toThrow();
    }
  }
}, 240_000);

test('the demo is made new after an import, as it was; one that fails leaves it as it stood', async () => {
  const before = (await records('/api/book', 'teas')).length;
  const text = 'tea,style\nBrought In,white\n';
  const file = { name: 'teas.csv', text, table: null, answers: {} };
  const preview = await lead.post('/api/exchange/preview', file);
  expect([preview.status, JSON.stringify(preview.body).slice(0, 300)]).toEqual([
    200,
    expect.any(String),
  ]);
  const id = '01890000-0000-7000-8000-00000000abcd';
  const done = await lead.post('/api/exchange/imports', { ...file, id });
  expect([done.status, JSON.stringify(done.body).slice(0, 300)]).toEqual([200, expect.any(String)]);
  expect((await records('/api/book', 'teas')).length).toBe(before + 1);
  const broken = resetDemo(fresh.db, { now: Number.NaN, days: 2 });
  await expect(broken).rejects.toThrow();
  expect((await records('/api/book', 'teas')).length).toBe(before + 1);
  await resetDemo(fresh.db, { now: TEST_INSTANT, days: 2 });
  lead = await signedInLead(fresh.app);
  expect((await records('/api/book', 'teas')).length).toBe(before);
}, 120_000);
