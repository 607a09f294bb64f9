import { checkDrawn, checkDrawnShift, sampleDrillFacts } from '#core/testing';
import { FIGURE_DRILL_NAMES, type Level, PICK_DRILL_NAMES } from '#core/training';

// Many questions of each drill and level: which are not fair, how often a level gave way to the one below, how long one
// takes with all its checks.

const LEVELS: readonly Level[] = [1, 2, 3, 4, 5];
const at = process.argv.indexOf('--each');
const each = at > 0 ? Number(process.argv[at + 1]) : 10_000;
if (!(each > 0)) throw new RangeError('--each takes a number above 0');
const facts = sampleDrillFacts();
let faults = 0;
for (const drill of [...FIGURE_DRILL_NAMES, ...PICK_DRILL_NAMES, 'shift'] as const)
  for (const level of LEVELS) {
    const begun = performance.now();
    let gaveWay = 0;
    const found = new Map<string, number>();
    for (let seed = 1; seed <= each; seed++) {
      const chance = 100_000 * level + seed;
      const { fault, level: drawn } =
        drill === 'shift'
          ? checkDrawnShift(facts, level, chance)
          : checkDrawn(drill, facts, level, chance);
      if (drawn !== level) gaveWay += 1;
      if (fault === null) continue;
      faults += 1;
      if (!found.has(fault)) found.set(fault, seed);
    }
    const ms = ((performance.now() - begun) / each).toFixed(2);
    console.log(
      `${drill} ${level}: ${each} drawn and checked, ${ms} ms each, ${gaveWay} a level lower`,
    );
    for (const [fault, seed] of found) console.log(`  chance ${seed}: ${fault}`);
  }
console.log(faults === 0 ? 'Every question is fair.' : `${faults} questions are not fair.`);
process.exit(faults === 0 ? 0 : 1);
