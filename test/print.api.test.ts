import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import jsqr from 'jsqr';
import { PNG } from 'pngjs';
import { begunHouse, newId, POT, type Begun } from './house';

// Read back by other programs: poppler for text and size, an independent decoder for the code.
const folder = mkdtempSync(join(tmpdir(), 'limnos-print-'));
let h: Begun;
beforeAll(async () => { h = await begunHouse(); });
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await h.close();
});
const card = async (query = '') => {
  const res = await h.callers.trainee.get(`/api/teas/${h.ids.tea}/wall.pdf${query}`).buffer(true).parse((r, done) => {
    const parts: Buffer[] = [];
    r.on('data', (d: Buffer) => parts.push(d));
    r.on('end', () => done(null, Buffer.concat(parts)));
  });
  const path = join(folder, 'card.pdf');
  if (res.status === 200) writeFileSync(path, res.body as Buffer);
  return { res, path };
};
const text = (path: string) => execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' });
const pageSize = (path: string) => (/Page size:\s+([\d.]+) x ([\d.]+)/.exec(execFileSync('pdfinfo', [path], { encoding: 'utf8' })) ?? []).slice(1).map((pt) => Math.round((Number(pt) * 25.4) / 72));
const decode = (path: string) => {
  execFileSync('pdftoppm', ['-r', '200', '-png', '-singlefile', path, join(folder, 'page')]);
  const { data, width, height } = PNG.sync.read(readFileSync(join(folder, 'page.png')));
  const read = jsqr as unknown as (d: Uint8ClampedArray, w: number, hh: number) => { data: string } | null;
  return read(new Uint8ClampedArray(data), width, height)?.data;
};

test('a wall card: heat, time and window, leaf and spoons for the vessel, cautions, who and when', async () => {
  const { res, path } = await card();
  expect([res.status, res.headers['content-type']]).toEqual([200, 'application/pdf']);
  const words = text(path);
  for (const w of ['90', '4:00', '3:00', '5:00', 'White pot', '500 ml', 'dessert', 'Contains caffeine. Boiling water and steam scald.', 'House recipe 1', 'lift at']) expect(words).toContain(w);
  expect(words).toMatch(/6 ?g\s+2½ dessert/);
  expect(words).not.toMatch(/health|cure|detox/i);
});
test('its code opens this brew, ready, and is read by another program', async () => {
  const { path } = await card();
  const url = new URL(decode(path) ?? 'none:');
  expect([url.pathname, url.searchParams.get('tea'), url.searchParams.get('vessel')]).toEqual(['/start', h.ids.tea, h.ids.pot]);
});
test.each([['a4', [210, 297]], ['a5', [148, 210]], ['a6', [105, 148]]] as const)('%s is %j mm', async (size, mm) => expect(pageSize((await card(`?size=${size}`)).path)).toEqual(mm));
test('allergens stand on it; a vessel that is named is the one drawn', async () => {
  const { house: _h, trial: _t, id: _i, ...tea } = (await h.callers.lead.get('/api/book').expect(200)).body.teas[0];
  await h.callers.lead.patch(`/api/teas/${h.ids.tea}`, { ...tea, allergens: 'Almond, milk' }).expect(200);
  const mug = { ...POT, id: newId(), siteId: h.ids.site, name: 'Blue mug', kind: 'mug', brim: 380, mark: 300, basket: 150 };
  await h.callers.lead.post('/api/vessels', mug).expect(200);
  const words = text((await card(`?vessels=${mug.id}`)).path);
  expect(words).toContain('Allergens: Almond, milk');
  expect(words).toContain('Blue mug');
  expect(words).not.toContain('White pot');
});
test('a size unknown, a tea unknown and nothing to print are said', async () => {
  expect((await card('?size=a3')).res.status).toBe(422);
  expect((await h.callers.trainee.get(`/api/teas/${newId()}/wall.pdf`).expect(404)).body.code).toBe('notFound');
  expect((await h.callers.trainee.get(`/api/teas/${h.ids.tea}/wall.pdf?vessels=${newId()}`).expect(422)).body.message).toMatch(/nothing to print/);
});
