// npm run bench:plan [-- weeks]: how soon weeks of a shop are planned, and how many are proven. Prints a table.
import { spawnSync } from 'node:child_process';
import { needModules, ROOT } from '../lib/prepare.mjs';

process.env.LIMNOS_SAY = 'stderr';
needModules();
const done = spawnSync(
  process.execPath,
  ['--import', 'tsx', 'scripts/bench/plan.ts', ...process.argv.slice(2)],
  { cwd: ROOT, stdio: 'inherit' },
);
process.exit(done.status ?? 1);
