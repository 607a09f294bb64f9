// npm run samples: draws the made-up photos that ship, into public/samples. They are committed; run it when the
// camera or the colours change.
import { spawnSync } from 'node:child_process';
import { needModules, ROOT } from './lib/prepare.mjs';

needModules();
const done = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/samples.ts'], {
  cwd: ROOT,
  stdio: 'inherit',
});
process.exit(done.status ?? 1);
