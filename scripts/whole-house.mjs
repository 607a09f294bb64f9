// npm run whole-house -- out file.zip: everything of the house in open forms (JSON Lines, CSV, pictures, JSON Schema).
// npm run whole-house -- in file.zip: shows what such a file holds, and changes nothing; with --yes it goes into the
// empty house of this machine (npm start -- --empty). --demo takes the demo for the house.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { cleanEnv, needBuild, needModules, needPackages, ROOT } from './lib/prepare.mjs';
import { houseHere, withRecords } from './lib/records.mjs';
import { giveUp, say } from './lib/say.mjs';

const args = process.argv.slice(2);
const [what, given] = args.filter((a) => !a.startsWith('--'));
if (!given || !['out', 'in'].includes(what))
  giveUp(
    'npm run whole-house -- out limnos-house.zip   or   npm run whole-house -- in limnos-house.zip',
  );
const file = resolve(given);
if (what === 'out' && existsSync(file)) giveUp(`${file} is there already: give another name.`);
needPackages({ mariadbd: 'mariadb-server' });
needModules();
needBuild();

const ask = (act) =>
  withRecords(houseHere({ demo: args.includes('--demo') }), (at) => {
    const done = spawnSync(
      process.execPath,
      [join(ROOT, 'dist/server/wholeHouse.mjs'), act, file],
      {
        cwd: ROOT,
        encoding: 'utf8',
        env: cleanEnv({ DATABASE_URL: at.url }),
      },
    );
    if (done.status !== 0) throw new Error(done.stderr.trim().split('\n')[0]);
    return JSON.parse(done.stdout);
  }).catch((error) => giveUp(`Nothing was changed. ${error.message}`));
const holds = ({ sites, rows, made }) =>
  `${sites.join(', ') || 'No site'}, as of ${made}: ${rows.people} people, ${rows.teas} teas, ${rows.vessels} vessels, ` +
  `${rows.brews} brews, ${rows.batches} cold batches, ${rows.tastings} tastings; ` +
  `${Object.values(rows).reduce((a, b) => a + b, 0)} records in all.`;

if (what === 'out') {
  say(holds(await ask('out')));
  say(
    `${file} holds the house, read through once more. Names of people are in it: only you can read it.`,
  );
} else if (!args.includes('--yes')) {
  say(holds(await ask('look')));
  say('Nothing was changed. With --yes it goes into the empty house of this machine.');
} else {
  say(holds(await ask('in')));
  say('It is in. PINs, passphrases, keys and paired devices are not in such a file.');
  say(
    'Give a lead a passphrase: npm run new-passphrase -- "Name". The lead gives the others theirs in House, People.',
  );
}
