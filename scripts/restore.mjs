// npm run restore -- file: puts a backup in the place of the house. What is there is backed up first. Not while it
// runs.
import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import mysql from 'mysql2/promise';
import { loadBackup, readHead, writeBackup } from './lib/backup.mjs';
import { folders, isReal, markReal, own } from './lib/folders.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { needModules, needPackages } from './lib/prepare.mjs';
import { rowsOf } from './lib/rows.mjs';
import { giveUp, say } from './lib/say.mjs';

needPackages({ mariadbd: 'mariadb-server', 'mariadb-dump': 'mariadb-client' });
needModules();
const [given] = process.argv.slice(2);
if (!given) giveUp('Which file? npm run restore -- limnos-2026-01-31T1200.sql.gz');
const file = resolve(given);
const head = await readHead(file).catch((error) => giveUp(error.message));

const NAME = 'limnos_house';
const { real: folder } = folders();
mkdirSync(folder, { recursive: true });
const leave = await own(folder, null);
const wasReal = isReal(folder);
const database = await startMariadb(folder, [NAME]);
const at = { port: database.port, user: 'limnos', password: database.password };
const db = await mysql.createConnection(database.url(NAME));
const tablesOf = async () =>
  (await rowsOf(db, 'show tables')).map((row) => String(Object.values(row)[0]));
let code = 0;
try {
  if (wasReal && (await tablesOf()).length > 0) {
    const when = new Date().toISOString().slice(0, 19).replaceAll(':', '');
    const before = join(folder, 'backups', `before-restore-${when}.sql.gz`);
    mkdirSync(join(folder, 'backups'), { recursive: true });
    await writeBackup(at, NAME, before);
    say(`The house as it was is kept in ${before}.`);
  }
  await db.query('set foreign_key_checks = 0');
  for (const table of await tablesOf()) await db.query('drop table ??', [table]);
  await loadBackup(at, NAME, file);
  const counts = [];
  for (const table of await tablesOf()) {
    const [{ n }] = await rowsOf(db, 'select count(*) as n from ??', [table]);
    counts.push(`${table} ${n}`);
  }
  markReal(folder);
  say(`The house of ${head.at} is back: ${counts.join(', ')}.`);
  say(
    'npm start opens the house. The sign-ins of that day are valid again: give people new PINs if that is not wanted.',
  );
} catch (error) {
  say(`The house was not restored: ${error.message}`);
  code = 1;
}
await db.end();
await database.stop();
leave();
process.exit(code);
