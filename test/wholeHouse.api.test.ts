import { createWriteStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Ajv2020 } from 'ajv/dist/2020';
import { parse } from 'csv-parse/sync';
import type { RowDataPacket } from 'mysql2/promise';
import sharp from 'sharp';
import { openPromise } from 'yauzl';
import { ZipFile } from 'yazl';
import { seedDemo } from '../src/server/demo';
import { houseIn, houseOut, lookIn } from '../src/server/features/wholeHouse';
import { ALL_TABLES, BLANKED, LEFT_OUT, TABLES } from '../src/server/features/wholeHouse/tables';
import { TEST_INSTANT } from './clock';
import { cookieOf, type Fresh, freshHouse, from } from './house';

// A whole house out in open forms, and in again on an empty one.

const folder = mkdtempSync(join(tmpdir(), 'limnos-whole-'));
const file = join(folder, 'house.zip');
let old: Fresh;

beforeAll(async () => {
  old = await freshHouse();
  await seedDemo(old.db, { now: TEST_INSTANT, days: 3 });
  const picture = await sharp({
    create: { width: 8, height: 8, channels: 3, background: '#8a5a2b' },
  })
    .webp()
    .toBuffer();
  const [teas] = await old.pool.query<RowDataPacket[]>('select id from teas order by id limit 1');
  await old.pool.query('insert ignore into photos (id, tea_id, body) values (?, ?, ?)', [
    '019e2b41-0000-7000-8000-000000000001',
    teas[0]?.id,
    picture,
  ]);
  await old.pool.query("update teas set note = '=1+1' where id = ?", [teas[0]?.id]);
  await pipeline(await houseOut(old.pool, TEST_INSTANT), createWriteStream(file));
}, 60_000);
afterAll(async () => {
  await old.close();
  rmSync(folder, { recursive: true, force: true });
});

/** Every file of a ZIP by its name. */
async function filesOf(path: string): Promise<Map<string, Buffer>> {
  const zip = await openPromise(path, { lazyEntries: true, autoClose: false });
  const found = new Map<string, Buffer>();
  for await (const entry of zip.eachEntry()) {
    const parts: Buffer[] = [];
    for await (const part of await zip.openReadStreamPromise(entry)) parts.push(part as Buffer);
    found.set(entry.fileName, Buffer.concat(parts));
  }
  zip.close();
  return found;
}
/** The same file with some of it changed; null takes it away. */
async function changed(changes: Record<string, ((text: string) => string) | null>) {
  const files = await filesOf(file);
  const zip = new ZipFile();
  for (const [name, body] of files) {
    const change = changes[name];
    if (change === null) continue;
    zip.addBuffer(change ? Buffer.from(change(String(body))) : body, name);
  }
  zip.end();
  const path = join(folder, 'changed.zip');
  await pipeline(zip.outputStream, createWriteStream(path));
  return path;
}
const checksums = async (of: Fresh, tables: readonly string[]) => {
  const found: Record<string, string> = {};
  for (const t of tables) {
    const [rows] = await of.pool.query<RowDataPacket[]>('checksum table ??', [t]);
    found[t] = String(rows[0]?.Checksum);
  }
  return found;
};
const peopleOf = async (of: Fresh) =>
  (await of.pool.query<RowDataPacket[]>('select count(*) as n from people'))[0][0]?.n;
async function inEmpty(work: (empty: Fresh) => Promise<void>) {
  const empty = await freshHouse();
  try {
    await work(empty);
  } finally {
    await empty.close();
  }
}

test('every table of the database goes along, or is named among what stays behind', async () => {
  const [rows] = await old.pool.query<RowDataPacket[]>('show tables');
  const there = rows.map((r) => String(Object.values(r)[0])).filter((t) => !t.startsWith('__'));
  expect([...ALL_TABLES].sort()).toEqual(there.sort());
  expect(
    TABLES.map((t) => t.name)
      .concat(Object.keys(LEFT_OUT))
      .sort(),
  ).toEqual(there);
});

test('in again on an empty house it is the same: every table, to the last byte', () =>
  inEmpty(async (empty) => {
    const manifest = await houseIn(empty.pool, file);
    expect(manifest.sites).toContain('Harbour room');
    const whole = TABLES.map((t) => t.name).filter((t) => !(t in BLANKED));
    expect(whole).toEqual(expect.arrayContaining(['tea_fits', 'tastings', 'batches', 'photos']));
    expect(await checksums(empty, whole)).toEqual(await checksums(old, whole));
    for (const [table, blank] of Object.entries(BLANKED)) {
      const columns = TABLES.find((t) => t.name === table)?.columns.map((c) => c.name);
      const rows = async (of: Fresh) =>
        (await of.pool.query('select ?? from ?? order by id', [columns, table]))[0];
      expect(await rows(empty)).toEqual(await rows(old));
      expect(columns).not.toContain(Object.keys(blank)[0]);
    }
    for (const t of ['teas', 'brews', 'tea_fits', 'tastings', 'batches', 'drill_answers', 'photos'])
      expect([t, (manifest.rows[t] ?? 0) > 0]).toEqual([t, true]);
    // Out once more it is the same file but for nothing at all.
    const again = join(folder, 'again.zip');
    await pipeline(await houseOut(empty.pool, TEST_INSTANT), createWriteStream(again));
    expect(await filesOf(again)).toEqual(await filesOf(file));
  }));

test('the old PIN opens nothing in the new house, and breaks nothing', () =>
  inEmpty(async (empty) => {
    await houseIn(empty.pool, file);
    const [people] = await empty.pool.query<RowDataPacket[]>(
      "select p.id, s.site_id from people p join person_sites s on s.person_id = p.id where name = 'Dov R.'",
    );
    const body = { personId: people[0]?.id, siteId: people[0]?.site_id, secret: '2718' };
    const refused = await from(empty.app).post('/api/session', body).expect(401);
    expect(refused.body.code).toBe('signin.wrong');
    expect(cookieOf(refused)).toBe('');
  }));

test('records keep to the schemas beside them, sheets have a line for each, secrets are in neither', async () => {
  const files = await filesOf(file);
  const { rows } = JSON.parse(String(files.get('house.json'))) as { rows: Record<string, number> };
  for (const { name } of TABLES) {
    const lines = String(files.get(`records/${name}.jsonl`))
      .split('\n')
      .filter(Boolean);
    const valid = new Ajv2020().compile(
      JSON.parse(String(files.get(`schema/${name}.schema.json`))) as object,
    );
    for (const line of lines) if (!valid(JSON.parse(line))) throw new Error(`${name}: ${line}`);
    expect([name, lines.length]).toEqual([name, rows[name]]);
    const sheet = parse(String(files.get(`sheets/${name}.csv`)), { columns: true });
    expect([name, sheet.length]).toEqual([name, rows[name]]);
  }
  expect(String(files.get('sheets/teas.csv'))).toContain("'=1+1");
  expect(String(files.get('records/teas.jsonl'))).toContain('"note":"=1+1"');
  const [hashes] = await old.pool.query<RowDataPacket[]>(
    'select secret_hash as h from people union select key_hash from probes union select hash from calendar_tokens',
  );
  const all = [...files.values()].map(String).join('\n');
  expect(hashes.length).toBeGreaterThan(5);
  for (const { h } of hashes) expect(all.includes(String(h))).toBe(false);
  const [picture] = [...files.keys()].filter((n) => n.startsWith('pictures/photos/'));
  expect((await sharp(files.get(picture ?? '')).metadata()).format).toBe('webp');
});

describe('what is wrong is said, and nothing is changed', () => {
  const refusedWith = (path: string, words: RegExp) =>
    inEmpty(async (empty) => {
      await expect(houseIn(empty.pool, path)).rejects.toThrow(words);
      expect(await peopleOf(empty)).toBe(0);
    });
  const first = (edit: (row: Record<string, unknown>) => object) => (text: string) => {
    const [line = '', ...rest] = text.split('\n');
    return [JSON.stringify(edit(JSON.parse(line) as Record<string, unknown>)), ...rest].join('\n');
  };
  test('a record that is not as its schema says: file, line and field', async () => {
    const path = await changed({ 'records/teas.jsonl': first((t) => ({ ...t, name: 7 })) });
    await refusedWith(path, /records\/teas\.jsonl, line 1: name must be string/);
  });
  test('a line that is no JSON', async () => {
    const path = await changed({ 'records/brews.jsonl': (t) => t.replace('\n', '}\n') });
    await refusedWith(path, /records\/brews\.jsonl, line 1: this is no JSON/);
  });
  test('fewer records than it says', async () => {
    const path = await changed({ 'records/lots.jsonl': (t) => t.slice(t.indexOf('\n') + 1) });
    await refusedWith(path, /lots has \d+ records; the file says \d+/);
  });
  test('a record that refers to none: all of it stays out', async () => {
    const other = '019e2b41-0000-7000-8000-00000000ffff';
    const path = await changed({ 'records/lots.jsonl': first((l) => ({ ...l, tea_id: other })) });
    await inEmpty(async (empty) => {
      await expect(houseIn(empty.pool, path)).rejects.toThrow();
      expect(await peopleOf(empty)).toBe(0);
    });
  });
  test('a picture, a kind of record, the first file that is not there', async () => {
    const [picture = ''] = [...(await filesOf(file)).keys()].filter((n) =>
      n.startsWith('pictures'),
    );
    await refusedWith(await changed({ [picture]: null }), /The picture .* is not in the file/);
    await refusedWith(
      await changed({ 'records/sites.jsonl': null }),
      /records\/sites\.jsonl is not/,
    );
    await refusedWith(await changed({ 'house.json': null }), /no house that Limnos/);
  });
  test('another version, another program’s file, half a file', async () => {
    const at = (migrations: number) => (text: string) =>
      JSON.stringify({ ...(JSON.parse(text) as object), migrations });
    await refusedWith(await changed({ 'house.json': at(9999) }), /newer Limnos/);
    await refusedWith(await changed({ 'house.json': at(-1) }), /older Limnos/);
    const path = join(folder, 'half.zip');
    writeFileSync(path, readFileSync(file).subarray(0, 20_000));
    await refusedWith(path, /no house that Limnos/);
    writeFileSync(path, 'a letter');
    await refusedWith(path, /no house that Limnos/);
  });
  test('a house that has begun', async () => {
    await expect(houseIn(old.pool, file)).rejects.toThrow('This house has begun');
    await expect(lookIn(old.pool, file)).resolves.toMatchObject({ format: 'limnos-house' });
  });
});
