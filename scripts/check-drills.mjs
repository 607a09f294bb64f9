// npm run check:drills [-- --each 10000 --tries 200 --drill order]: draws that many questions of each drill at each level,
// of the sample house, and says which are not fair; then how many cups to diagnose are taken of each style. Without
// database or build. Ten thousand of each take about two and a half hours.
import { spawnSync } from 'node:child_process';
import { needModules, ROOT } from './lib/prepare.mjs';

needModules();
const done = spawnSync(
  process.execPath,
  ['--import', 'tsx', 'scripts/bench/drills.ts', ...process.argv.slice(2)],
  { cwd: ROOT, stdio: 'inherit' },
);
process.exit(done.status ?? 1);
