// npm run bench [-- --json]: measures the core's speed on one thread, and a study in a worker. Never part of the tests.
import { needModules } from './lib/prepare.mjs';

process.env.LIMNOS_SAY = 'stderr';
needModules();
const { runBench } = await import('./lib/benchRun.mjs');
await runBench('scripts/bench/main.ts');
