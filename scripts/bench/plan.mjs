// npm run bench:plan [-- weeks]: how soon weeks of a shop are planned, and how many are proven. Prints a table.
import { needModules } from '../lib/prepare.mjs';

process.env.LIMNOS_SAY = 'stderr';
needModules();
const { runBench } = await import('../lib/benchRun.mjs');
await runBench('scripts/bench/plan.ts');
