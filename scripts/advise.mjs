// npm run -s advise < cases.json > out.json: what judged cups together say of a recipe, without database or
// build. Sets up the modules when they are missing.
import { spawnSync } from 'node:child_process';
import { needModules, ROOT } from './lib/prepare.mjs';

process.env.LIMNOS_SAY = 'stderr'; // standard output is for the answer alone
needModules();
const done = spawnSync(
  process.execPath,
  ['--import', 'tsx', 'src/advise/main.ts', ...process.argv.slice(2)],
  { cwd: ROOT, stdio: 'inherit' },
);
process.exit(done.status ?? 1);
