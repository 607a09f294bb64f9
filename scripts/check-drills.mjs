// npm run check:drills [-- --each 10000]: draws that many questions of each figure and pick drill at each level, of the
// sample house, and says which are not fair. Without database or build.
import { spawnSync } from 'node:child_process';
import { needModules, ROOT } from './lib/prepare.mjs';

needModules();
const done = spawnSync(
  process.execPath,
  ['--import', 'tsx', 'scripts/bench/drills.ts', ...process.argv.slice(2)],
  { cwd: ROOT, stdio: 'inherit' },
);
process.exit(done.status ?? 1);
