// npm run bench:drills: how long a question of each drill and level takes to be drawn and worked out, of the sample house.
import { needModules } from '../lib/prepare.mjs';

process.env.LIMNOS_SAY = 'stderr';
needModules();
const { runBench } = await import('../lib/benchRun.mjs');
await runBench('scripts/bench/drawing.ts');
