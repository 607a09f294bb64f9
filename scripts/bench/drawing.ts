import { quantileSorted } from 'simple-statistics';
import { seeded } from '#core/numeric';
import { drillHouseOf, sampleDrillFacts } from '#core/testing';
import {
  drawDiagnosis,
  drawFigure,
  drawOrder,
  drawPick,
  drawShift,
  drawTurns,
  type Drill,
  DRILL_NAMES,
  isFigureDrill,
  isPickDrill,
  type Level,
  workFigure,
  workOrder,
} from '#core/training';

// How long a question of each drill and level takes until somebody can be asked it: drawn, and its answer worked out.

const LEVELS: readonly Level[] = [1, 2, 3, 4, 5];
const EACH = 300;
/** What a house's faults come to is kept from one question to the next: so many are drawn before any is measured. */
const BEFORE = 300;
/** Wanted of nineteen in twenty questions, ms. */
const wantedOf = (drill: Drill): number => (drill === 'diagnose' ? 100 : 20);

const facts = sampleDrillFacts();
const house = drillHouseOf(facts);
function ask(drill: Drill, level: Level, seed: number): void {
  const random = seeded(seed);
  if (isFigureDrill(drill)) {
    workFigure(drawFigure(drill, facts, level, random));
    return;
  }
  if (isPickDrill(drill)) {
    drawPick(drill, facts, level, random);
    return;
  }
  switch (drill) {
    case 'diagnose':
      house.work(drawDiagnosis(house, level, random));
      return;
    case 'order':
      workOrder(drawOrder(facts.cups, level, random));
      return;
    case 'turns':
      drawTurns(facts, level, random);
      return;
    case 'shift':
      drawShift(facts.shift, level, random);
  }
}
/** Milliseconds of each question, the quickest first. */
function times(drill: Drill, level: Level): number[] {
  for (let i = 0; i < BEFORE / LEVELS.length; i++) ask(drill, level, 7_000_000 + i);
  return Array.from({ length: EACH }, (_, i) => {
    const from = performance.now();
    ask(drill, level, 100_000 * level + i + 1);
    return performance.now() - from;
  }).sort((a, b) => a - b);
}

console.log(`Milliseconds of ${EACH} questions of each drill and level, drawn and worked out.\n`);
console.log('drill      level  median  19 in 20  longest  wanted of 19 in 20');
for (const drill of DRILL_NAMES)
  for (const level of LEVELS) {
    const found = times(drill, level);
    const at = (share: number) => quantileSorted(found, share);
    const cells = [at(0.5), at(0.95), at(1)].map((ms) => ms.toFixed(1).padStart(7));
    const met = at(0.95) <= wantedOf(drill) ? 'met' : 'missed';
    const name = `${drill.padEnd(10)} ${level}`.padEnd(16);
    console.log(`${name} ${cells.join('  ')}  ${String(wantedOf(drill)).padStart(6)}  ${met}`);
  }
