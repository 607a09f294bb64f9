// npm run -s book-schema > docs/formats/book.schema.json: the schema of the exchanged book, from the contract in use.
import { spawnSync } from 'node:child_process';
import { needModules, ROOT } from './lib/prepare.mjs';

process.env.LIMNOS_SAY = 'stderr';
needModules();
const done = spawnSync(
  process.execPath,
  [
    '--import',
    'tsx',
    '-e',
    "import('./src/server/features/exchange/fromJson.ts').then((m) => console.log(JSON.stringify(m.exchangeSchema(), null, 1)))",
  ],
  { cwd: ROOT, stdio: 'inherit' },
);
process.exit(done.status ?? 1);
