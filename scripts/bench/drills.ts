import { seeded } from '#core/numeric';
import { startingRecipe } from '#core/recipes';
import { STYLE_IDS, type StyleId } from '#core/styles';
import {
  checkDrawn,
  checkDrawnDiagnosis,
  checkDrawnOrder,
  checkDrawnShift,
  checkDrawnTurns,
  drillHouseOf,
  sampleDrillCup,
  sampleDrillFacts,
} from '#core/testing';
import {
  diagnosisTry,
  type Drill,
  DRILL_NAMES,
  DrillHouse,
  faultsFor,
  isFigureDrill,
  isPickDrill,
  type Level,
} from '#core/training';

// Many questions of each drill and level: which are not fair, how often a level gave way to the one below, how long one
// takes with all its checks; then how many cups to diagnose are taken, style by style.

const LEVELS: readonly Level[] = [1, 2, 3, 4, 5];
const numberAfter = (name: string, usual: number): number => {
  const at = process.argv.indexOf(name);
  const given = at > 0 ? Number(process.argv[at + 1]) : usual;
  if (!(given > 0)) throw new RangeError(`${name} takes a number above 0`);
  return given;
};
const each = numberAfter('--each', 10_000);
/** Tries of each style and level. */
const tries = numberAfter('--tries', 200);
const from = process.argv.indexOf('--drill');
const only = from > 0 ? process.argv[from + 1] : undefined;

const facts = sampleDrillFacts();
const house = drillHouseOf(facts);
function check(drill: Drill, level: Level, chance: number) {
  if (isFigureDrill(drill) || isPickDrill(drill)) return checkDrawn(drill, facts, level, chance);
  switch (drill) {
    case 'diagnose':
      return checkDrawnDiagnosis(house, level, chance);
    case 'order':
      return checkDrawnOrder(facts, level, chance);
    case 'turns':
      return checkDrawnTurns(facts, level, chance);
    case 'shift':
      return checkDrawnShift(facts, level, chance);
  }
}

let faults = 0;
for (const drill of DRILL_NAMES.filter((name) => only === undefined || name === only))
  for (const level of LEVELS) {
    const begun = performance.now();
    let gaveWay = 0;
    const found = new Map<string, number>();
    for (let seed = 1; seed <= each; seed++) {
      const chance = 100_000 * level + seed;
      const { fault, level: drawn } = check(drill, level, chance);
      if (drawn !== level) gaveWay += 1;
      if (fault === null) continue;
      faults += 1;
      if (!found.has(fault)) found.set(fault, chance);
    }
    const ms = ((performance.now() - begun) / each).toFixed(2);
    console.log(
      `${drill} ${level}: ${each} drawn and checked, ${ms} ms each, ${gaveWay} a level lower`,
    );
    for (const [fault, chance] of found) console.log(`  chance ${chance}: ${fault}`);
  }

/** The first recipe of a style in a pot, as a cup of a house. */
function cupOf(style: StyleId) {
  const recipe = startingRecipe(style, 'pot');
  return sampleDrillCup({
    ...{ style, tea: style, warm: recipe.warm, lid: recipe.lid },
    ...{ temperatureC: recipe.temperature, seconds: recipe.window.best },
    leafGrams: Number(((recipe.dose * 500) / 100).toFixed(1)),
  });
}
function acceptedPercent(style: StyleId, level: Level): number {
  const random = seeded(7919 * level);
  const one = new DrillHouse([cupOf(style)]);
  let taken = 0;
  for (let i = 0; i < tries; i++)
    if (diagnosisTry(one, level, faultsFor(level, random), random)) taken += 1;
  return Math.round((100 * taken) / tries);
}
if (only === undefined || only === 'diagnose') {
  console.log(`Cups to diagnose that are taken, % of ${tries} tries, levels 1 to 5:`);
  for (const style of STYLE_IDS)
    console.log(
      `${style.padEnd(16)} ${LEVELS.map((level) => String(acceptedPercent(style, level)).padStart(3)).join(' ')}`,
    );
}
console.log(faults === 0 ? 'Every question is fair.' : `${faults} questions are not fair.`);
process.exit(faults === 0 ? 0 : 1);
