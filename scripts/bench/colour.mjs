// npm run bench:colour: how true strengths are that are read from made-up photos. Prints JSON.
import { spawnSync } from 'node:child_process';
import { needModules, ROOT } from '../lib/prepare.mjs';

process.env.LIMNOS_SAY = 'stderr';
needModules();
const done = spawnSync(
  process.execPath,
  ['--import', 'tsx', 'scripts/bench/colour.ts', ...process.argv.slice(2)],
  { cwd: ROOT, stdio: 'inherit' },
);
process.exit(done.status ?? 1);
