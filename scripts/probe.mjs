// npm run probe -- --to http://127.0.0.1:4870 --key <key> [--story normal|door|power|stuck] [--every 900]
//   [--minutes 15] [--count 0]
// A simulated fridge probe: sends what a real one would, by the same endpoint, until it is stopped.
import { spawnSync } from 'node:child_process';
import { needModules, ROOT } from './lib/prepare.mjs';

needModules();
const done = spawnSync(
  process.execPath,
  ['--import', 'tsx', 'scripts/probe.ts', ...process.argv.slice(2)],
  { cwd: ROOT, stdio: 'inherit' },
);
process.exit(done.status ?? 1);
