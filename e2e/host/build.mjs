// Before the browser tests: the host of their shops, bundled as the server is.
import { build } from 'esbuild';
import { serverBundle } from '../../scripts/lib/serverBundle.mjs';

export default async function buildHost() {
  await build({
    ...serverBundle,
    entryPoints: { shops: 'e2e/host/main.ts' },
    outdir: 'dist/tests',
  });
}
