import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import mysql from 'mysql2/promise';
// @ts-expect-error -- plain JavaScript of the start command
import { startMariadb } from '../scripts/lib/mariadb.mjs';
import { migrateDb, openDb, openPool } from '../src/server/db/pool';
import * as t from '../src/server/db/schema/index';
import { seedDemo } from '../src/server/demo';
import { hashSecret, secretMatches } from '../src/server/features/people/secrets';
import { TEST_INSTANT } from './clock';

// A real house in a folder of its own, with everything of the demo in it.
const folder = mkdtempSync(join(tmpdir(), 'limnos-backup-'));
const NAME = 'limnos_house';
type Started = { url: (name: string) => string; stop: () => Promise<void> };
let database: Started | null = null;
const up = async (): Promise<Started> => (database = await startMariadb(folder, [NAME]));
const down = async () => {
  await database?.stop();
  database = null;
};
const run = (script: string, ...args: string[]) => {
  const done = spawnSync(process.execPath, [`scripts/${script}.mjs`, ...args], {
    encoding: 'utf8',
    env: { ...process.env, LIMNOS_DATA: folder },
  });
  return { code: done.status, said: `${done.stdout}${done.stderr}` };
};
/** Rows and a checksum of every table. */
async function counted(url: string): Promise<Record<string, string>> {
  const db = await mysql.createConnection({ uri: url, dateStrings: true });
  const names = (await db.query<mysql.RowDataPacket[]>('show tables'))[0].map((r) =>
    String(Object.values(r)[0]),
  );
  const found: Record<string, string> = {};
  for (const name of names) {
    const [rows] = await db.query<mysql.RowDataPacket[]>(`select * from \`${name}\` order by 1, 2`);
    found[name] =
      `${rows.length} ${createHash('sha256').update(JSON.stringify(rows)).digest('hex')}`;
  }
  await db.end();
  return found;
}

let before: Record<string, string>;
const file = join(folder, 'kept.sql.gz');
beforeAll(async () => {
  const { url } = await up();
  const pool = openPool(url(NAME));
  const db = openDb(pool);
  await migrateDb(pool, db, 'drizzle');
  await seedDemo(db, { now: TEST_INSTANT, days: 2 });
  const [tea] = await db.select({ id: t.teas.id }).from(t.teas).limit(1);
  await db.insert(t.photos).values({
    id: tea?.id ?? '',
    teaId: tea?.id ?? '',
    body: Buffer.from([0, 255, 39, 92, 10, 26]),
  });
  await pool.end();
  before = await counted(url(NAME));
  writeFileSync(join(folder, 'real-house'), '');
}, 120_000);
afterAll(async () => {
  await down();
  rmSync(folder, { recursive: true, force: true });
});

test('a running house is kept in one file that only its owner reads; nothing of it is changed', async () => {
  const { code, said } = run('backup', file);
  expect([code, said]).toEqual([0, expect.stringMatching(/The house is kept in .*kept\.sql\.gz/)]);
  expect(statSync(file).mode & 0o077).toBe(0);
  expect(await counted(database?.url(NAME) ?? '')).toEqual(before);
  expect(Object.keys(before).length).toBeGreaterThan(20);
}, 60_000);
test('it is restored to the same rows in every table; what stood there is kept first', async () => {
  const db = await mysql.createConnection(database?.url(NAME) ?? '');
  await db.query('delete from brew_photos');
  await db.query("update teas set name = 'spoilt'");
  await db.query('create table left_over (n int)');
  await db.end();
  await down();
  const { code, said } = run('restore', file);
  expect([code, said]).toEqual([0, expect.stringContaining('is back')]);
  expect(readdirSync(join(folder, 'backups'))).toEqual([
    expect.stringMatching(/^before-restore-.*\.sql\.gz$/),
  ]);
  const { url } = await up();
  expect(await counted(url(NAME))).toEqual(before);
}, 120_000);
test('a stopped house is kept as well, in its own folder when none is named', async () => {
  await down();
  expect(run('backup').code).toBe(0);
  expect(readdirSync(join(folder, 'backups')).some((f) => f.startsWith('limnos-'))).toBe(true);
  expect(existsSync(join(folder, 'mariadb.json'))).toBe(false);
}, 60_000);
test('what is no backup, or one of a newer program, or none at all, is said; nothing is changed', async () => {
  const other = join(folder, 'other.gz');
  writeFileSync(other, 'no gzip');
  expect(run('restore', other)).toMatchObject({
    code: 1,
    said: expect.stringMatching(/is no backup/),
  });
  writeFileSync(other, gzipSync('-- MariaDB dump\ncreate table x (n int);'));
  expect(run('restore', other)).toMatchObject({
    code: 1,
    said: expect.stringMatching(/is no backup/),
  });
  writeFileSync(
    other,
    gzipSync('-- {"format":"limnos-backup","version":1,"at":"2026-01-01","migrations":9999}\n'),
  );
  expect(run('restore', other)).toMatchObject({
    code: 1,
    said: expect.stringMatching(/newer Limnos/),
  });
  expect(run('restore')).toMatchObject({ code: 1, said: expect.stringMatching(/Which file/) });
  const { url } = await up();
  expect(await counted(url(NAME))).toEqual(before);
}, 60_000);

test('a forgotten passphrase: a new one on the machine itself, for a lead by name; what was open ends', async () => {
  const url = database?.url(NAME) ?? '';
  const pool = openPool(url);
  const db = openDb(pool);
  expect(run('new-passphrase').said).toMatch(/Whose\?.*\n.*Ilsa V\./);
  expect(run('new-passphrase', 'Tam O.').said).toMatch(/Whose\?/);
  const [ilsa] = (await db.select().from(t.people)).filter((p) => p.name === 'Ilsa V.');
  const [site] = await db.select().from(t.sites);
  await db.insert(t.sessions).values({
    tokenHash: 'x'.repeat(64),
    personId: ilsa?.id ?? '',
    siteId: site?.id ?? '',
    begun: new Date(),
    expires: new Date(Date.now() + 1e6),
  });
  const { code, said } = run('new-passphrase', 'ilsa v.');
  expect(code).toBe(0);
  const secret = /is now: (\S+)/.exec(said)?.[1] ?? '';
  const [after] = (await db.select().from(t.people)).filter((p) => p.name === 'Ilsa V.');
  expect(await secretMatches(after?.secretHash ?? '', secret)).toBe(true);
  expect(await db.$count(t.sessions)).toBe(0);
  // A house whose leads have all gone: anybody is made one, by who owns the machine.
  await db.update(t.people).set({ role: 'brewer', secretHash: await hashSecret('2468') });
  expect(run('new-passphrase', 'Tam O.').code).toBe(0);
  const tam = (await db.select().from(t.people)).find((p) => p.name === 'Tam O.');
  expect([tam?.role, tam?.active]).toEqual(['lead', true]);
  await pool.end();
}, 90_000);
