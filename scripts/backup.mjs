// npm run backup [-- file]: the house in one file, while it runs or not. --demo: the demo's.
import { mkdirSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { writeBackup } from './lib/backup.mjs';
import { needModules, needPackages } from './lib/prepare.mjs';
import { houseHere, withRecords } from './lib/records.mjs';
import { giveUp, say } from './lib/say.mjs';

needPackages({ mariadbd: 'mariadb-server', 'mariadb-dump': 'mariadb-client' });
needModules();
const args = process.argv.slice(2);
const house = houseHere({ demo: args.includes('--demo') });
const named = args.find((a) => !a.startsWith('--'));
const when = new Date().toISOString().slice(0, 16).replace(':', '');
const file = resolve(named ?? join(house.folder, 'backups', `limnos-${when}.sql.gz`));
mkdirSync(dirname(file), { recursive: true });
try {
  await withRecords(house, (at) => writeBackup(at, house.name, file));
} catch (error) {
  giveUp(`No backup was made. ${error.message}`);
}
say(
  `The ${house.real ? 'house' : 'demo'} is kept in ${file}, ${Math.ceil(statSync(file).size / 1024)} kB.`,
);
say(
  'The file holds everything, also names and hashes of secrets. Keep the file where only its owner can read it, and keep a copy on another machine.',
);
