// Builds the page (Vite), the server and the threads that help it (a file each).
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { build as bundle } from 'esbuild';
import { build } from 'vite';
import { BAR_ROUTE_BYTES, barRoute } from './lib/bundle.mjs';
import { serverBundle } from './lib/serverBundle.mjs';

await build({ logLevel: 'warn' });
await bundle({
  entryPoints: [
    'src/server/main.ts',
    'src/server/worker.ts',
    'src/server/newPassphrase.ts',
    'src/server/wholeHouse.ts',
  ],
  outdir: 'dist/server',
  ...serverBundle,
});

// Packed here, once; the server only hands them out. Fonts and pictures are packed already.
for (const name of readdirSync('dist/web', { recursive: true, encoding: 'utf8' })) {
  if (!/\.(js|css|html|webmanifest|svg)$/.test(name)) continue;
  const path = join('dist/web', name);
  const text = readFileSync(path);
  writeFileSync(`${path}.br`, brotliCompressSync(text));
  writeFileSync(`${path}.gz`, gzipSync(text, { level: 9 }));
}

const { bytes } = barRoute('dist/web');
if (bytes > BAR_ROUTE_BYTES)
  throw new Error(
    `The Bar's route loads ${Math.round(bytes / 1000)} kB gzip, over ${BAR_ROUTE_BYTES / 1000} kB: load what it does not need at once later.`,
  );
