// npm run restore -- file: shows what a backup holds beside what the house holds, and changes nothing.
//   --yes                        puts it in the place of the house; what is there is backed up and checked first. Not while
//                                it runs
//   --until=2026-01-31T14:30Z    and does again what was changed after it, up to that minute
// LIMNOS_BACKUP_PASSPHRASE opens a sealed file. LIMNOS_KEEPER_DATABASE_URL: into a database that Limnos did not start, as a
// cluster's.
import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import mysql from 'mysql2/promise';
import { loadBackup, readHead, writeBackup } from './lib/backup.mjs';
import { checkBackup, differences, glance } from './lib/backupCheck.mjs';
import { backupName } from './lib/backupFolder.mjs';
import { changesAfter, endHistory, replayChanges } from './lib/changes.mjs';
import { countTables } from './lib/counts.mjs';
import { folders, isReal, markReal, own } from './lib/folders.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { needModules, needPackages } from './lib/prepare.mjs';
import { houseHere, withRecords } from './lib/records.mjs';
import { rowsOf } from './lib/rows.mjs';
import { giveUp, say } from './lib/say.mjs';

needPackages({ mariadbd: 'mariadb-server', 'mariadb-dump': 'mariadb-client' });
needModules();
const args = process.argv.slice(2);
const given = args.find((a) => !a.startsWith('--'));
if (!given) giveUp('Which file? npm run restore -- limnos-2026-01-31T120000.sql.gz');
const file = resolve(given);
const passphrase = process.env.LIMNOS_BACKUP_PASSPHRASE ?? '';
const minute = args.find((a) => a.startsWith('--until='))?.slice('--until='.length) ?? null;
const until = minute === null ? null : new Date(minute);
if (until && Number.isNaN(until.getTime()))
  giveUp(`${minute} is no instant. Write it so: --until=2026-01-31T14:30Z (Z: Greenwich).`);

const { real: folder } = folders();
const { elsewhere } = houseHere();
const NAME = elsewhere?.name ?? 'limnos_house';
const head = await readHead(file, passphrase).catch((error) => giveUp(error.message));
if (until && until.getTime() < Date.parse(head.at))
  giveUp(
    `That backup is of ${head.at}, which is after ${until.toISOString()}: take an earlier one.`,
  );
if (until && elsewhere)
  giveUp(
    'What was changed in a database that Limnos did not start is not kept here: leave --until.',
  );
if (until)
  try {
    changesAfter(folder, head);
  } catch (error) {
    giveUp(error.message);
  }

const some = (n, one, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;
/** "Harbour room; 5 people, 24 teas, ..." */
function asWords(seen) {
  if (!seen) return 'nothing';
  const newest = seen.newest ? ` (the newest of ${seen.newest})` : '';
  const counts = [
    some(seen.people, 'person', 'people'),
    some(seen.teas, 'tea'),
    some(seen.vessels, 'vessel'),
    `${some(seen.brews, 'brew')}${newest}`,
    some(seen.batches, 'cold batch', 'cold batches'),
    some(seen.tastings, 'tasting'),
  ];
  return `${seen.sites.join(', ') || 'no site'}; ${counts.join(', ')}`;
}

/** What the house holds now; null when there is none. */
async function houseNow() {
  if (!elsewhere && !isReal(folder)) return null;
  return withRecords(houseHere(), async (at) => {
    const db = await mysql.createConnection(at.url);
    const seen = await glance(db);
    await db.end();
    return seen;
  });
}
const check = await checkBackup(file, { passphrase, look: glance }).catch((error) =>
  giveUp(`The file does not come back: ${error.message}`),
);
if (check.faults.length > 0)
  giveUp(`The file does not come back as it was made: ${check.faults.join('; ')}.`);
say(`The backup of ${head.at} holds: ${asWords(check.seen)}.`);
say(`${elsewhere ? 'That database' : 'This machine’s house'} holds: ${asWords(await houseNow())}.`);
if (!args.includes('--yes')) {
  say('Nothing was changed. With --yes the backup takes the place of the house.');
  process.exit(0);
}

/** The house's own database, started for the while, and what a restore does to the folder it lies in. */
async function ownTarget() {
  const leave = await own(folder, null);
  const wasReal = isReal(folder);
  const database = await startMariadb(folder, [NAME]);
  return {
    at: database.keeper,
    url: database.url(NAME),
    mayHoldHouse: wasReal,
    restored(now) {
      endHistory(folder, now.toISOString().slice(0, 19));
      markReal(folder);
    },
    async close() {
      await database.stop();
      leave();
    },
  };
}
/** A database that Limnos did not start. Nobody may write to it meanwhile: of a cluster one server shows its own users. */
async function otherTarget() {
  const target = {
    ...{ at: elsewhere.keeper, url: elsewhere.url, mayHoldHouse: true },
    ...{ restored: () => undefined, close: async () => undefined },
  };
  const looking = await mysql.createConnection(target.url);
  const others = await rowsOf(
    looking,
    'select distinct user from information_schema.processlist where db = ? and id <> connection_id()',
    [NAME],
  );
  await looking.end();
  if (others.length > 0)
    giveUp(
      `The database is in use (by ${others.map((o) => o.user).join(', ')}). Stop Limnos at every server first.`,
    );
  return target;
}
const target = elsewhere ? await otherTarget() : await ownTarget();
const { at } = target;
const db = await mysql.createConnection(target.url);
const tablesOf = async () =>
  (await rowsOf(db, 'show tables')).map((row) => String(Object.values(row)[0]));
/** Nothing but a file's records. */
async function putIn(from) {
  await db.query('set foreign_key_checks = 0');
  for (const table of await tablesOf()) await db.query('drop table ??', [table]);
  await loadBackup(at, NAME, from, passphrase);
}
const now = new Date();
let before = null;
let code = 0;
try {
  if (target.mayHoldHouse && (await tablesOf()).length > 0) {
    const kept = join(folder, 'backups', backupName(now, passphrase !== '', 'before-restore'));
    mkdirSync(join(folder, 'backups'), { recursive: true, mode: 0o700 });
    await writeBackup(at, NAME, kept, { instant: now, passphrase });
    // The records go only when there is something to put back.
    const { faults } = await checkBackup(kept, { passphrase }).catch((e) => ({
      faults: [e.message],
    }));
    if (faults.length > 0)
      throw new Error(
        `its copy ${kept} does not come back as it was: ${faults.join('; ')}. Nothing was changed.`,
      );
    before = kept;
    say(`The house as it was is kept in ${before}, and comes back from there.`);
  }
  await putIn(file);
  const faults = differences(check.found, await countTables(db));
  if (faults.length > 0) throw new Error(`it came back otherwise: ${faults.join('; ')}`);
  if (until) await replayChanges(at, NAME, folder, head, until);
  target.restored(now);
  const instant = (until ?? new Date(head.at)).toISOString();
  say(`The house of ${instant} is back: ${asWords(await glance(db))}.`);
  say(
    'npm start opens the house. The sign-ins of that day are valid again: give people new PINs if that is not wanted.',
  );
} catch (error) {
  say(`The house was not restored: ${error.message}`);
  code = 1;
  if (before)
    await putIn(before).then(
      () => say('The house is as it was.'),
      (e) => say(`It could not be put back as it was: ${e.message}. Restore ${before} by hand.`),
    );
}
await db.end();
await target.close();
process.exit(code);
