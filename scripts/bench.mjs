// npm run bench [-- --json]: measures the core's speed on one thread, and a study in a worker. Never part of the tests.
import { spawnSync } from 'node:child_process';
import { needModules, ROOT } from './lib/prepare.mjs';

process.env.LIMNOS_SAY = 'stderr';
needModules();
const done = spawnSync(
  process.execPath,
  ['--import', 'tsx', 'scripts/bench/main.ts', ...process.argv.slice(2)],
  { cwd: ROOT, stdio: 'inherit' },
);
process.exit(done.status ?? 1);
