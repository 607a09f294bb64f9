// npm run bench:advice [-- --seeds 40]: recipes corrected cup by cup, by advice from each cup alone and from all cups together,
// the model being the truth. Prints a table with its seeds, and how long a belief takes.
import { needModules } from '../lib/prepare.mjs';

process.env.LIMNOS_SAY = 'stderr';
needModules();
const { runBench } = await import('../lib/benchRun.mjs');
await runBench('scripts/bench/advice.ts');
