// npm run new-passphrase -- "Name": a new passphrase for a lead who has forgotten theirs. On the machine itself only.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { cleanEnv, needBuild, needModules, needPackages, ROOT } from './lib/prepare.mjs';
import { houseHere, withRecords } from './lib/records.mjs';
import { giveUp, say } from './lib/say.mjs';
import { passphrase } from './lib/words.mjs';

needPackages({ mariadbd: 'mariadb-server' });
needModules();
needBuild();
const args = process.argv.slice(2);
const name = args.find((a) => !a.startsWith('--')) ?? '';
const secret = passphrase();
const said = await withRecords(houseHere({ demo: args.includes('--demo') }), (at) => {
  const done = spawnSync(
    process.execPath,
    [join(ROOT, 'dist/server/newPassphrase.mjs'), name, secret],
    { cwd: ROOT, encoding: 'utf8', env: cleanEnv({ DATABASE_URL: at.url }) },
  );
  if (done.status !== 0) throw new Error(done.stderr.split('\n')[0]);
  return JSON.parse(done.stdout);
}).catch((error) => giveUp(`Nothing was changed. ${error.message}`));
if (said.kind === 'nobody') giveUp('Nobody is in this house yet: begin it on its first page.');
if (said.kind === 'which')
  giveUp(
    `Whose? npm run new-passphrase -- "${said.names[0]}"\nThere are: ${said.names.join(', ')}.`,
  );
say(`The passphrase of ${said.names[0]} is now: ${secret}`);
say(
  'This passphrase is shown once. All sessions of this person have ended. Sign in with the passphrase, then choose your own in House, People.',
);
