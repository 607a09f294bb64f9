// npm run e2e -- e2e/specs/brew.spec.ts:12: browser tests alone, on a private MariaDB of their own.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM_PACKAGE } from './lib/chromium.mjs';
import { FOR_TESTS, startMariadb } from './lib/mariadb.mjs';
import { cleanEnv, needBuild, needModules, needPackages, ROOT } from './lib/prepare.mjs';

needPackages({ mariadbd: 'mariadb-server', ...CHROMIUM_PACKAGE, certutil: 'libnss3-tools' });
needModules();
needBuild();
const running = process.env.LIMNOS_TEST_DATABASE;
const folder = mkdtempSync(join(tmpdir(), 'limnos-e2e-'));
const database = running ? null : await startMariadb(folder, ['limnos_test'], { extra: FOR_TESTS });
const tests = spawn(
  join(ROOT, 'node_modules/.bin/playwright'),
  ['test', ...process.argv.slice(2)],
  {
    cwd: ROOT,
    env: cleanEnv({ LIMNOS_TEST_DATABASE: running ?? database.url('limnos_test') }),
    stdio: 'inherit',
  },
);
tests.once('exit', async (code) => {
  await database?.stop();
  rmSync(folder, { recursive: true, force: true });
  process.exit(code ?? 1);
});
