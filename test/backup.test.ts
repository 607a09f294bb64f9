import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import mysql from 'mysql2/promise';
// @ts-expect-error -- plain JavaScript of the start command
import { keepChanges } from '../scripts/lib/changes.mjs';
// @ts-expect-error -- plain JavaScript of the start command
import { startMariadb } from '../scripts/lib/mariadb.mjs';
import { keepAppendOnly } from '../src/server/db/appendOnly';
import { migrateDb, openDb, openPool } from '../src/server/db/pool';
import * as t from '../src/server/db/schema/index';
import { seedDemo } from '../src/server/demo';
import { backupPlaceOf, createBackupService } from '../src/server/features/backups';
import { hashSecret, secretMatches } from '../src/server/features/people/secrets';
import { TEST_INSTANT } from './clock';

// A real house in a folder of its own, with everything of the demo in it.
const folder = mkdtempSync(join(tmpdir(), 'limnos-backup-'));
const NAME = 'limnos_house';
/** A disk that another machine keeps busy has held one backup up for a minute. */
const SLOW_MACHINE_MS = 240_000;
type Started = {
  url: (name: string) => string;
  appUrl: (name: string) => string;
  stop: () => Promise<void>;
};
let database: Started | null = null;
const up = async (): Promise<Started> =>
  (database = await startMariadb(folder, [NAME], { extra: keepChanges(folder) }));
const down = async () => {
  await database?.stop();
  database = null;
};
const runWith = (env: Record<string, string>, script: string, ...args: string[]) => {
  const done = spawnSync(process.execPath, [`scripts/${script}.mjs`, ...args], {
    encoding: 'utf8',
    env: { ...process.env, LIMNOS_DATA: folder, ...env },
  });
  return { code: done.status, said: `${done.stdout}${done.stderr}` };
};
const run = (script: string, ...args: string[]) => runWith({}, script, ...args);
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
}, SLOW_MACHINE_MS);
afterAll(async () => {
  await down();
  rmSync(folder, { recursive: true, force: true });
});

/** Statements on the running house. */
async function change(...statements: string[]): Promise<void> {
  const db = await mysql.createConnection(database?.url(NAME) ?? '');
  for (const statement of statements) await db.query(statement);
  await db.end();
}
const teaNames = async (): Promise<string[]> => {
  const db = await mysql.createConnection(database?.url(NAME) ?? '');
  const [rows] = await db.query<mysql.RowDataPacket[]>('select distinct name from teas');
  await db.end();
  return rows.map((r) => String(r.name));
};

test(
  'a running house is kept in one file that only its owner reads; nothing of it is changed',
  async () => {
    const { code, said } = run('backup', file);
    expect([code, said]).toEqual([
      0,
      expect.stringMatching(/The house is kept in .*kept\.sql\.gz/),
    ]);
    expect(said).toMatch(
      /restored into a database of its own: \d+ tables, \d+ rows, every checksum/,
    );
    expect(statSync(file).mode & 0o077).toBe(0);
    expect(await counted(database?.url(NAME) ?? '')).toEqual(before);
    expect(Object.keys(before).length).toBeGreaterThan(20);
    const note = JSON.parse(readFileSync(`${file}.json`, 'utf8'));
    expect(note).toMatchObject({ faults: [], sealed: false, holds: { sites: expect.any(Array) } });
    const rows = Object.fromEntries(
      Object.entries(before).map(([name, text]) => [name, Number(text.split(' ')[0])]),
    );
    expect(
      Object.fromEntries(
        Object.entries(note.tables as Record<string, { rows: number }>).map(([n, t]) => [
          n,
          t.rows,
        ]),
      ),
    ).toEqual(rows);
  },
  SLOW_MACHINE_MS,
);
test(
  'while somebody writes all the time, the file and its checksums are of one instant',
  async () => {
    await change('create table written (n int primary key auto_increment, at bigint)');
    const db = await mysql.createConnection(database?.url(NAME) ?? '');
    let over = false;
    const writing = (async () => {
      for (let n = 0; !over; n++) await db.query('insert into written (at) values (?)', [n]);
    })();
    const at = join(folder, 'while.sql.gz');
    const { code, said } = await new Promise<{ code: number | null; said: string }>((resolve) => {
      const child = spawn(process.execPath, ['scripts/backup.mjs', at], {
        env: { ...process.env, LIMNOS_DATA: folder },
      });
      let text = '';
      child.stdout.on('data', (d) => (text += d));
      child.stderr.on('data', (d) => (text += d));
      child.once('close', (status) => resolve({ code: status, said: text }));
    });
    over = true;
    await writing;
    expect([code, said]).toEqual([0, expect.stringContaining('every checksum the same')]);
    const { tables } = JSON.parse(readFileSync(`${at}.json`, 'utf8'));
    expect(tables.written.rows).toBeGreaterThan(0);
    const [[last]] = await db.query<mysql.RowDataPacket[][]>('select count(*) as n from written');
    expect(Number((last as unknown as { n: number }).n)).toBeGreaterThan(tables.written.rows);
    await db.end();
    await change('drop table written');
  },
  SLOW_MACHINE_MS,
);
test(
  'a preview says what the file and the house hold, and changes nothing',
  async () => {
    const { code, said } = run('restore', file);
    expect(code).toBe(0);
    expect(said).toMatch(/The backup of .* holds: .*Harbour room.*; \d+ people, \d+ teas/);
    expect(said).toMatch(/This machine’s house holds: .*Harbour room/);
    expect(said).toContain('Nothing was changed.');
    expect(await counted(database?.url(NAME) ?? '')).toEqual(before);
  },
  SLOW_MACHINE_MS,
);
test(
  'it is restored to the same rows in every table; what stood there is kept first',
  async () => {
    await change(
      'delete from photos',
      "update teas set name = 'spoilt'",
      'create table left_over (n int)',
    );
    await down();
    const { code, said } = run('restore', file, '--yes');
    expect([code, said]).toEqual([0, expect.stringContaining('is back')]);
    expect(readdirSync(join(folder, 'backups'))).toEqual(
      expect.arrayContaining([expect.stringMatching(/^before-restore-.*\.sql\.gz$/)]),
    );
    const { url } = await up();
    expect(await counted(url(NAME))).toEqual(before);
  },
  SLOW_MACHINE_MS,
);
test(
  'where the copy of the house as it was does not come back, nothing is changed',
  async () => {
    await down();
    // Writes everything out but the pictures, as a full disk or a faulty program might.
    const programs = mkdtempSync(join(tmpdir(), 'limnos-programs-'));
    const { stdout: real } = spawnSync('which', ['mariadb-dump'], { encoding: 'utf8' });
    writeFileSync(
      join(programs, 'mariadb-dump'),
      `#!/bin/sh\n${real.trim()} "$@" | sed '/^INSERT INTO .photos. /,/;$/d'\n`,
      { mode: 0o755 },
    );
    const PATH = `${programs}:${process.env.PATH ?? ''}`;
    const { code, said } = runWith({ PATH }, 'restore', file, '--yes');
    rmSync(programs, { recursive: true, force: true });
    expect(code).toBe(1);
    expect(said).toMatch(/does not come back as it was: photos has 0 rows instead of 1/);
    expect(said).toContain('Nothing was changed.');
    const { url } = await up();
    expect(await counted(url(NAME))).toEqual(before);
  },
  SLOW_MACHINE_MS,
);
test(
  'to a minute: the backup, and what was changed after it, but not what came later',
  async () => {
    const at = join(folder, 'minute.sql.gz');
    expect(run('backup', at).code).toBe(0);
    await change("update teas set name = 'renamed at noon'");
    // The log of changes counts in seconds.
    await new Promise((r) => setTimeout(r, 2100));
    const noon = new Date();
    await new Promise((r) => setTimeout(r, 1100));
    await change("update teas set name = 'spoilt at one'", 'delete from photos');
    const spoilt = await counted(database?.url(NAME) ?? '');
    expect(run('restore', at, '--yes', '--until=yesterday').said).toMatch(/is no instant/);
    expect(run('restore', at, '--yes', '--until=2020-01-01T00:00Z').said).toMatch(/an earlier one/);
    await down();
    const { code, said } = run('restore', at, '--yes', `--until=${noon.toISOString()}`);
    expect([code, said]).toEqual([0, expect.stringContaining('is back')]);
    await up();
    expect(await teaNames()).toEqual(['renamed at noon']);
    const now = await counted(database?.url(NAME) ?? '');
    expect(now.photos).toBe(before.photos);
    expect(now.photos).not.toBe(spoilt.photos);
    // What came after the restore is another course: that backup's changes are not mixed with it.
    await down();
    const again = run('restore', at, '--yes', `--until=${new Date().toISOString()}`);
    expect([again.code, again.said]).toEqual([1, expect.stringContaining('are not kept here')]);
    expect(run('restore', file, '--yes').code).toBe(0);
    const { url } = await up();
    expect(await counted(url(NAME))).toEqual(before);
  },
  SLOW_MACHINE_MS,
);
test(
  'sealed: nobody reads it without the passphrase, and a changed byte is seen',
  async () => {
    const sealed = join(folder, 'kept.sealed');
    const secret = { LIMNOS_BACKUP_PASSPHRASE: 'nine quiet kettles' };
    expect(runWith(secret, 'backup', sealed).said).toContain('under the passphrase');
    const bytes = readFileSync(sealed);
    expect(bytes.includes(Buffer.from('limnos-backup'))).toBe(false);
    expect(run('restore', sealed)).toMatchObject({
      code: 1,
      said: expect.stringMatching(/set LIMNOS_BACKUP_PASSPHRASE/),
    });
    expect(runWith({ LIMNOS_BACKUP_PASSPHRASE: 'another' }, 'restore', sealed)).toMatchObject({
      code: 1,
      said: expect.stringMatching(/another one, or the file was changed/),
    });
    expect(runWith(secret, 'restore', sealed)).toMatchObject({
      code: 0,
      said: expect.stringMatching(/Harbour room/),
    });
    bytes[bytes.length - 400] = (bytes[bytes.length - 400] ?? 0) ^ 1;
    writeFileSync(sealed, bytes);
    expect(runWith(secret, 'restore', sealed)).toMatchObject({
      code: 1,
      said: expect.stringMatching(/does not come back/),
    });
  },
  SLOW_MACHINE_MS,
);
test(
  'a stopped house is kept as well, in its own folder when none is named',
  async () => {
    await down();
    expect(run('backup').code).toBe(0);
    expect(readdirSync(join(folder, 'backups')).some((f) => f.startsWith('limnos-'))).toBe(true);
    expect(existsSync(join(folder, 'mariadb.json'))).toBe(false);
    await up();
  },
  SLOW_MACHINE_MS,
);
test(
  'the application makes one by the same program, and reads what it left',
  async () => {
    process.env.LIMNOS_DATA = folder;
    const pool = openPool(database?.url(NAME) ?? '');
    const deps = { db: openDb(pool), now: () => Date.now(), work: null as never };
    const place = backupPlaceOf(join(folder, 'backups'), 'scripts/backup.mjs', false);
    const service = createBackupService(deps, place);
    expect((await service.make()).running).toBe(true);
    await service.settled();
    const { running, failed, backups } = await service.state();
    expect([running, failed]).toEqual([false, null]);
    expect(backups[0]).toMatchObject({ faults: [], tables: Object.keys(before).length });
    expect(backups[0]?.checked).toBeGreaterThan(backups[0]?.at ?? Infinity);
    expect(backups[0]?.holds?.sites).toContain('Harbour room');
    await pool.end();
    delete process.env.LIMNOS_DATA;
  },
  SLOW_MACHINE_MS,
);
test(
  'the application’s own account adds to the audit, and changes or takes away nothing of it',
  async () => {
    const owners = openPool(database?.url(NAME) ?? '');
    await keepAppendOnly(owners);
    await keepAppendOnly(owners);
    await owners.end();
    const app = await mysql.createConnection(database?.appUrl(NAME) ?? '');
    const add =
      "insert into audit (id, at, kind, address, what) values (uuid(), now(), 'refused', '', '')";
    await app.query(add);
    for (const table of ['audit', 'changes'])
      for (const statement of [
        `update ${table} set at = now()`,
        `delete from ${table}`,
        `truncate table ${table}`,
        `drop trigger ${table}_stays`,
        `drop table ${table}`,
        `alter table ${table} drop column at`,
        `create or replace trigger ${table}_stays before delete on ${table} for each row set @n = 1`,
      ])
        await expect(app.query(statement)).rejects.toThrow(/only ever added to|denied/);
    await app.query(add);
    // What runs the house every day it may do.
    await app.query('update teas set rev = rev');
    await app.end();
    // The guards come back with a backup, and are no hindrance to putting one in the place of the house.
    const at = join(folder, 'guarded.sql.gz');
    expect(run('backup', at).code).toBe(0);
    await down();
    expect(run('restore', at, '--yes').code).toBe(0);
    await up();
    const again = await mysql.createConnection(database?.appUrl(NAME) ?? '');
    await expect(again.query('delete from audit')).rejects.toThrow(/only ever added to/);
    await again.end();
    await down();
    expect(run('restore', file, '--yes').code).toBe(0);
    await up();
  },
  SLOW_MACHINE_MS,
);
test(
  'what is no backup, or one of a newer program, or none at all, is said; nothing is changed',
  async () => {
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
    expect(await counted(database?.url(NAME) ?? '')).toEqual(before);
  },
  SLOW_MACHINE_MS,
);

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
