// The build, for the threads of the server, and a private MariaDB for the API tests, unless the test command has
// started one already.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FOR_TESTS, startMariadb } from './scripts/lib/mariadb.mjs';
import { needBuild } from './scripts/lib/prepare.mjs';

export default async function setup() {
  needBuild();
  if (process.env.LIMNOS_TEST_DATABASE) return;
  const folder = mkdtempSync(join(tmpdir(), 'limnos-jest-'));
  const database = await startMariadb(folder, ['limnos_test'], { extra: FOR_TESTS });
  process.env.LIMNOS_TEST_DATABASE = database.url('limnos_test');
  globalThis.__limnosStop = async () => {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
