import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { pino } from 'pino';
import request from 'supertest';
import { createApp } from '../src/server/app';
import { type Fresh, freshHouse, work } from './house';

// The page as the build leaves it: each file with its packed ones beside it.
const web = mkdtempSync(join(tmpdir(), 'limnos-packed-'));
const PAGE = '<!doctype html><title>Limnos</title>';
const SCRIPT = 'console.log("tea")';
let h: Fresh;
let app: ReturnType<typeof createApp>;
beforeAll(async () => {
  mkdirSync(join(web, 'assets'));
  for (const [name, text] of [
    ['index.html', PAGE],
    ['sw.js', '// kept'],
    ['assets/a.js', SCRIPT],
  ] as const) {
    writeFileSync(join(web, name), text);
    writeFileSync(join(web, `${name}.br`), brotliCompressSync(text));
    writeFileSync(join(web, `${name}.gz`), gzipSync(text));
  }
  writeFileSync(join(web, 'assets/font.woff2'), 'font');
  h = await freshHouse();
  app = createApp({ work, db: h.db, now: h.now, log: pino({ level: 'silent' }), webFolder: web });
});
afterAll(async () => {
  rmSync(web, { recursive: true, force: true });
  await h.close();
});
const get = (path: string, encoding: string) =>
  request(app).get(path).set('accept-encoding', encoding).buffer(true);

test.each([
  ['br, gzip', 'br'],
  ['gzip', 'gzip'],
])(
  'a device that takes %s gets the file packed once, by %s, to be kept for good',
  async (takes, packed) => {
    const res = await get('/assets/a.js', takes).expect(200);
    expect(res.headers['content-encoding']).toBe(packed);
    expect(res.headers['content-type']).toMatch(/javascript/);
    expect(res.headers['cache-control']).toMatch(/immutable/);
  },
);
test('one that takes neither gets it plain; what has no packed one is handed out as it is', async () => {
  const plain = await get('/assets/a.js', 'identity').expect(200);
  expect([plain.headers['content-encoding'], plain.text]).toEqual([undefined, SCRIPT]);
  expect(
    (await get('/assets/font.woff2', 'br, gzip').expect(200)).headers['content-encoding'],
  ).toBeUndefined();
});
test('what names the newest version is never cached; addresses of the page get the page, of the API words', async () => {
  expect((await get('/sw.js', 'identity').expect(200)).headers['cache-control']).not.toMatch(
    /immutable/,
  );
  const page = await get('/table/colour', 'identity').expect(200);
  expect([page.text, page.headers['cache-control']]).toEqual([PAGE, 'no-cache']);
  expect((await get('/api/nothing', 'identity').expect(404)).body.code).toBe('notFound');
});
