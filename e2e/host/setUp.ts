import { build } from 'esbuild';
// @ts-expect-error -- plain JavaScript of the scripts
import { serverBundle } from '../../scripts/lib/serverBundle.mjs';
import { layOtherNetwork } from '../fixtures/otherNetwork';

/** Before the browser tests: the host of their shops, bundled as the server is, and a second machine's network. */
export default async function setUp(): Promise<() => void> {
  await build({
    ...serverBundle,
    entryPoints: { shops: 'e2e/host/main.ts' },
    outdir: 'dist/tests',
  });
  return layOtherNetwork();
}
