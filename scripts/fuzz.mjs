// npm run fuzz [requests] [seed]: the tests' own requests out of the contracts, very many of them.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { cleanEnv, needBuild, needModules, ROOT } from './lib/prepare.mjs';

needModules();
needBuild();
const [requests = '25000', seed = String(Math.floor(Math.random() * 2 ** 31))] =
  process.argv.slice(2);
const done = spawnSync(
  process.execPath,
  [
    '--experimental-vm-modules',
    '--no-warnings',
    join(ROOT, 'node_modules/jest/bin/jest.js'),
    'test/fuzz.api.test.ts',
  ],
  {
    cwd: ROOT,
    stdio: 'inherit',
    env: cleanEnv({ LIMNOS_FUZZ_REQUESTS: requests, LIMNOS_FUZZ_SEED: seed }),
  },
);
process.exit(done.status ?? 1);
