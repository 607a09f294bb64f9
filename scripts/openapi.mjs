// npm run openapi: what of the requests would break a program that calls them as the last release did.
//   --release   makes today's requests the ones that later changes are held against
import { spawnSync } from 'node:child_process';
import { needModules, ROOT } from './lib/prepare.mjs';

needModules();
const done = spawnSync(
  process.execPath,
  ['--import', 'tsx', 'src/server/openApiCheck.ts', ...process.argv.slice(2)],
  { cwd: ROOT, stdio: 'inherit' },
);
process.exit(done.status ?? 1);
