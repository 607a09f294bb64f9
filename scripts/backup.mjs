// npm run backup [-- file]: the house in one file, while it runs or not, and restored once to see that it comes back.
//   --demo          the demo's
//   --keep=7,5,12   afterwards older ones go, but for the newest of so many days, weeks and months
// LIMNOS_BACKUP_PASSPHRASE seals the file. LIMNOS_KEEPER_DATABASE_URL: of a database that Limnos did not start.
import { mkdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { writeBackup } from './lib/backup.mjs';
import { checkBackup, glance } from './lib/backupCheck.mjs';
import { backupName, rotate, writeNote } from './lib/backupFolder.mjs';
import { historyOf } from './lib/changes.mjs';
import { onlyOne } from './lib/onlyOne.mjs';
import { needModules, needPackages } from './lib/prepare.mjs';
import { houseHere, withRecords } from './lib/records.mjs';
import { giveUp, say } from './lib/say.mjs';

needPackages({ mariadbd: 'mariadb-server', 'mariadb-dump': 'mariadb-client' });
needModules();
const args = process.argv.slice(2);
const house = houseHere({ demo: args.includes('--demo') });
const passphrase = process.env.LIMNOS_BACKUP_PASSPHRASE ?? '';
const instant = new Date();
const named = args.find((a) => !a.startsWith('--'));
const folder = join(house.folder, 'backups');
const file = resolve(named ?? join(folder, backupName(instant, passphrase !== '')));
const keep = /^--keep=(\d+),(\d+),(\d+)$/.exec(args.find((a) => a.startsWith('--keep')) ?? '');

mkdirSync(folder, { recursive: true, mode: 0o700 });
mkdirSync(dirname(file), { recursive: true });
const leave =
  onlyOne(join(folder, '.running')) ?? giveUp('A backup of this house is being made now.');
process.once('exit', leave);
/** How it ended stands in the folder: the house's own page says so. */
const ended = (failed) =>
  writeFileSync(
    join(folder, 'last.json'),
    `${JSON.stringify({ at: new Date().toISOString(), failed })}\n`,
    { mode: 0o600 },
  );
function fail(why) {
  ended(why);
  giveUp(why);
}
const began = Date.now();
try {
  const head = await withRecords(house, (at) =>
    writeBackup(at.keeper, house.name, file, {
      instant,
      passphrase,
      history: house.elsewhere ? '' : historyOf(house.folder),
    }),
  );
  const note = { at: head.at, sealed: passphrase !== '', bytes: statSync(file).size };
  writeNote(file, { ...note, checked: null, faults: [] });
  const check = await checkBackup(file, { passphrase, look: glance });
  writeNote(file, {
    ...note,
    checked: new Date().toISOString(),
    faults: check.faults,
    took: Date.now() - began,
    holds: check.seen,
    tables: check.found,
  });
  if (check.faults.length > 0)
    fail(`The backup ${file} does not come back as it was: ${check.faults.join('; ')}.`);
  const rows = Object.values(check.found).reduce((sum, t) => sum + t.rows, 0);
  say(
    `The ${house.real ? 'house' : 'demo'} is kept in ${file}, ${Math.ceil(note.bytes / 1024)} kB.\nIt was restored into a database of its own: ${Object.keys(check.found).length} tables, ${rows} rows, every checksum the same.`,
  );
} catch (error) {
  fail(`No backup was made. ${error.message}`);
}
ended(null);
if (keep) {
  const [days, weeks, months] = keep.slice(1).map(Number);
  const gone = rotate(folder, Date.now(), { days, weeks, months });
  if (gone.length > 0) say(`Taken away, as newer ones stand for them: ${gone.join(', ')}.`);
}
say(
  passphrase
    ? 'The file is under the passphrase: nobody reads it without, you neither. Keep a copy on another machine.'
    : 'The file holds everything, also names and hashes of secrets. Keep the file where only its owner can read it, and keep a copy on another machine.',
);
