// A backup is a backup when it comes back: it is restored into a private database of its own, and every table counted.
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import mysql from 'mysql2/promise';
import { loadBackup } from './backup.mjs';
import { countTables } from './counts.mjs';
import { FOR_TESTS, startMariadb } from './mariadb.mjs';
import { rowsOf } from './rows.mjs';

const NAME = 'limnos_check';
/** Tables whose rows or checksum are not those that the file says, in words. */
export function differences(said, found) {
  const names = [...new Set([...Object.keys(said), ...Object.keys(found)])].sort();
  return names.flatMap((name) => {
    const [a, b] = [said[name], found[name]];
    if (!a) return [`${name} is not in the file’s own list`];
    if (!b) return [`${name} is missing`];
    if (a.rows !== b.rows) return [`${name} has ${b.rows} rows instead of ${a.rows}`];
    if (a.checksum !== b.checksum) return [`${name} has other contents`];
    return [];
  });
}

/**
 * Restores a file into a database of its own, on the disk that the file lies on, and counts it. Gives the tables that
 * were found, what differs from what the file says (nothing, when all is well), and what `look` read of them.
 * A file of before there were checksums has `said` null.
 */
export async function checkBackup(file, { passphrase = '', look = async (_db) => null } = {}) {
  mkdirSync(dirname(file), { recursive: true });
  const folder = mkdtempSync(join(dirname(file), '.check-'));
  // Its data is thrown away: nothing of it need outlive a power cut.
  const database = await startMariadb(folder, [NAME], { extra: FOR_TESTS });
  try {
    const said = await loadBackup(database.keeper, NAME, file, passphrase);
    const db = await mysql.createConnection(database.url(NAME));
    try {
      const found = await countTables(db);
      return { said, found, faults: said ? differences(said, found) : [], seen: await look(db) };
    } finally {
      await db.end();
    }
  } finally {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** What a lead knows a house by: its sites, how many of what, and the last brew. Old tables may lack some. */
export async function glance(db) {
  const there = new Set(
    (await rowsOf(db, 'show tables')).map((row) => String(Object.values(row)[0])),
  );
  const count = async (table) => {
    if (!there.has(table)) return 0;
    const [{ n }] = await rowsOf(db, 'select count(*) as n from ??', [table]);
    return Number(n);
  };
  const newest = async () => {
    const [row] = await rowsOf(db, 'select max(started_at) as at from brews');
    return row.at ? new Date(row.at).toISOString() : null;
  };
  return {
    sites: there.has('sites')
      ? (await rowsOf(db, 'select name from sites order by name')).map((s) => s.name)
      : [],
    people: await count('people'),
    teas: await count('teas'),
    vessels: await count('vessels'),
    brews: await count('brews'),
    batches: await count('batches'),
    tastings: await count('tastings'),
    newest: there.has('brews') ? await newest() : null,
  };
}
