import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from 'esbuild';
import { ROOT } from './prepare.mjs';

/**
 * Bundles a bench as the product is built, runs it with the arguments of this process, and ends with its code: a loader
 * that keeps the names of functions takes a third of the time of hot loops.
 */
export async function runBench(script) {
  const folder = mkdtempSync(join(tmpdir(), 'limnos-bench-'));
  const outfile = join(folder, 'bench.mjs');
  await build({
    absWorkingDir: ROOT,
    entryPoints: [script],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'warning',
  });
  const done = spawnSync(process.execPath, [outfile, ...process.argv.slice(2)], {
    cwd: ROOT,
    stdio: 'inherit',
  });
  rmSync(folder, { recursive: true, force: true });
  process.exit(done.status ?? 1);
}
