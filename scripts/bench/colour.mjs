// npm run bench:colour: how true strengths are that are read from made-up photos. Prints JSON.
import { needModules } from '../lib/prepare.mjs';

process.env.LIMNOS_SAY = 'stderr';
needModules();
const { runBench } = await import('../lib/benchRun.mjs');
await runBench('scripts/bench/colour.ts');
