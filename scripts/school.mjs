// npm run -s school < cases.json > out.json: what practice comes to, and cups that are diagnosed, without database or
// build. Sets up the modules when they are missing.
import { spawnSync } from 'node:child_process';
import { needModules, ROOT } from './lib/prepare.mjs';

process.env.LIMNOS_SAY = 'stderr'; // standard output is for the answer alone
needModules();
const done = spawnSync(
  process.execPath,
  ['--import', 'tsx', 'src/school/main.ts', ...process.argv.slice(2)],
  { cwd: ROOT, stdio: 'inherit' },
);
process.exit(done.status ?? 1);
