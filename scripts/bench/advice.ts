import {
  ATTRIBUTE_NAMES,
  type Belief,
  beliefMoved,
  CupFigures,
  type Evidence,
  gathered,
  JUDGED,
  type Marks,
  metCup,
  nearestMark,
  NO_UNITS,
  predict,
  preparedCup,
  PRIOR_SD,
  priorOf,
  recipeAdvice,
  searchCorrection,
  SURE_ENOUGH,
  turned,
  unitsBetween,
  USUAL_TASTER,
} from '#core/corrections';
import type { Brewing } from '#core/cup';
import { normal, type Random, seeded } from '#core/numeric';
import { houseBrew, startingRecipe } from '#core/recipes';
import { STYLE_IDS, type StyleId } from '#core/styles';
import { MARK } from '#core/taste';
import { celsius, grams, seconds } from '#core/units';

// Recipes that are right, and recipes that are off, corrected cup by cup in two ways on the same cups. The model is the truth; a
// cup's leaf, heat and marks err as people do.

const numberAfter = (name: string, usual: number): number => {
  const at = process.argv.indexOf(name);
  return at > 0 ? Number(process.argv[at + 1]) : usual;
};
const SEEDS = numberAfter('--seeds', 20);
const CUPS = 12;
/** Wrong starts are so far off, marks (root mean square of the five). */
const OFF = [0.4, 0.8] as const;

type Errors = { readonly leaf: number; readonly heatC: number; readonly taster: number };
const USUAL: Errors = { leaf: 0.06, heatC: 2.5, taster: 0.5 };

/** Marks by which a recipe is off the right one, root mean square of the five taste indices. */
function offBy(recipe: Brewing, right: Brewing): number {
  const [now, meant] = [predict(recipe), predict(right)];
  const squares = ATTRIBUTE_NAMES.map((a) => ((now[a] - meant[a]) / MARK) ** 2);
  return Math.sqrt(squares.reduce((sum, x) => sum + x, 0) / squares.length);
}
/** A cup of a recipe as it is really brewed, and what is marked of it: all six, the colour too. */
function judged(recipe: Brewing, right: Brewing, errors: Errors, random: Random): Marks {
  const made: Brewing = {
    ...recipe,
    leaf: grams(recipe.leaf * Math.exp(normal(random, 0, errors.leaf))),
    temperature: celsius(Math.min(99, recipe.temperature + normal(random, 0, errors.heatC))),
  };
  const [cup, meant] = [predict(made), predict(right)];
  return Object.fromEntries(
    JUDGED.map((index) => {
      const mark = nearestMark(
        (cup[index] - meant[index]) / MARK + normal(random, 0, errors.taster),
      );
      return [index, mark];
    }),
  );
}
const doseOf = (b: Brewing) => ({
  gPer100ml: (100 * b.leaf) / b.water,
  temperatureC: b.temperature,
  seconds: b.time,
});
const evidence = (id: string, plan: Brewing, marks: Marks): Evidence => ({
  ...{ id, plan, done: plan, leafWeighed: false, heatRead: false, moved: NO_UNITS, marks },
  taster: USUAL_TASTER,
});

type Way = { recipe: Brewing; changes: number };
/** The next recipe by advice from this cup alone; the levers of a recipe only. */
function bySingle(way: Way, style: StyleId, start: Brewing, marks: Marks): void {
  const { best } = searchCorrection({
    ...{ style, brew: way.recipe, marks },
    levers: ['leafGrams', 'temperatureC', 'seconds'],
    recipe: {
      ...{ leafGrams: start.leaf, temperatureC: start.temperature, seconds: start.time },
    },
  });
  if (best.levers.length === 0) return;
  way.recipe = turned(way.recipe, style, best.turns);
  way.changes += 1;
}
/** The next recipe by what all cups together say. */
function byBelief(way: Way, belief: Belief, style: StyleId, marks: Marks, seed: number): Belief {
  const next = metCup(belief, preparedCup(evidence('', way.recipe, marks))).belief;
  const { change, chance } = recipeAdvice(next, { brew: way.recipe, style, seed });
  // What is not clear yet waits for more cups.
  if (!change || (chance ?? 0) < SURE_ENOUGH) return next;
  const { gPer100ml, temperatureC, seconds: time } = change.rounded;
  const before = doseOf(way.recipe);
  way.recipe = {
    ...way.recipe,
    leaf: grams((gPer100ml * way.recipe.water) / 100),
    ...{ temperature: celsius(temperatureC), time: seconds(time) },
  };
  way.changes += 1;
  return beliefMoved(next, unitsBetween(before, doseOf(way.recipe)));
}

type Row = { readonly single: readonly number[]; readonly belief: readonly number[] };
type Ended = Row & { readonly changes: readonly [single: number, belief: number] };
/** One recipe, twelve cups, both ways. */
function corrected(style: StyleId, isWrong: boolean, errors: Errors, seed: number): Ended | null {
  const random = seeded(seed);
  const right = houseBrew({ style, fitted: null }, startingRecipe(style, 'pot'));
  const start = isWrong ? wrongStart(right, style, random) : right;
  if (!start) return null;
  const single: Way = { recipe: start, changes: 0 };
  const all: Way = { recipe: start, changes: 0 };
  let belief = priorOf(PRIOR_SD);
  const off: { single: number[]; belief: number[] } = {
    single: [offBy(start, right)],
    belief: [offBy(start, right)],
  };
  for (let cup = 0; cup < CUPS; cup++) {
    const chance = 1000 * seed + cup;
    bySingle(single, style, start, judged(single.recipe, right, errors, seeded(chance)));
    const marks = judged(all.recipe, right, errors, seeded(chance));
    belief = byBelief(all, belief, style, marks, seed);
    off.single.push(offBy(single.recipe, right));
    off.belief.push(offBy(all.recipe, right));
  }
  return { ...off, changes: [single.changes, all.changes] };
}
/** A recipe that is off by as much as wrong starts are; null: none was drawn. */
function wrongStart(right: Brewing, style: StyleId, random: Random): Brewing | null {
  for (let i = 0; i < 200; i++) {
    const start = turned(right, style, {
      ...{ leafGrams: normal(random, 0, 1.5), temperatureC: normal(random, 0, 1.5) },
      seconds: normal(random, 0, 1.5),
    });
    const off = offBy(start, right);
    if (off >= OFF[0] && off <= OFF[1]) return start;
  }
  return null;
}
const mean = (list: readonly number[]): number => list.reduce((sum, x) => sum + x, 0) / list.length;
function table(name: string, isWrong: boolean, errors: Errors): void {
  const ended = STYLE_IDS.flatMap((style, i) =>
    Array.from({ length: SEEDS }, (_, k) =>
      corrected(style, isWrong, errors, 1000 * (i + 1) + k),
    ).filter((one) => one !== null),
  );
  const row = (of: 'single' | 'belief', place: 0 | 1) => {
    const after = [0, 1, 2, 6, 12].map((cups) =>
      mean(ended.map((one) => one[of][cups] ?? 0)).toFixed(2),
    );
    const changes = mean(ended.map((one) => one.changes[place])).toFixed(1);
    return `  ${of.padEnd(7)} ${after.map((x) => x.padStart(5)).join(' ')}   ${changes} changes`;
  };
  console.log(`${name}: ${ended.length} recipes, off by (marks) after 0, 1, 2, 6, 12 cups`);
  console.log(row('single', 0));
  console.log(row('belief', 1));
}

console.log(`Seeds 1000 x style + 0 to ${SEEDS - 1}, ${STYLE_IDS.length} styles.`);
table('Right recipes', false, USUAL);
table('Wrong starts', true, USUAL);
table('Wrong starts, a taster of 0.9 mark', true, { ...USUAL, taster: 0.9 });
table('Wrong starts, leaf off by 12 %, heat by 4 °C', true, { ...USUAL, leaf: 0.12, heatC: 4 });

/** How long a belief of a thousand cups takes, and one more cup, ms; the median of some runs after warming up. */
function timed(): void {
  const plans = ([300, 450, 500, 600, 800] as const).map((water) => {
    const brew = houseBrew({ style: 'black-whole', fitted: null }, startingRecipe('black-whole'));
    return { ...brew, water: brew.water, leaf: grams((brew.leaf * water) / brew.water) } as Brewing;
  });
  const random = seeded(5);
  const cups = Array.from({ length: 1000 }, (_, i): Evidence => {
    const plan = plans[i % plans.length] as Brewing;
    const time = seconds(Math.round(plan.time + normal(random, 0, 15)));
    const marks = judged(plan, plan, USUAL, random);
    return { ...evidence(String(i), plan, marks), done: { ...plan, time } };
  });
  const [whole, one]: [number[], number[]] = [[], []];
  for (let run = 0; run < 40; run++) {
    const begun = performance.now();
    const figures = new CupFigures();
    const { belief } = gathered(
      priorOf(PRIOR_SD),
      cups.map((cup) => preparedCup(cup, figures)),
    );
    const then = performance.now();
    metCup(belief, preparedCup(cups[0] as Evidence));
    whole.push(then - begun);
    one.push(performance.now() - then);
  }
  const middle = (list: number[]) => (list.sort((a, b) => a - b)[list.length / 2] ?? 0).toFixed(2);
  console.log(
    `A belief of 1000 cups: ${middle(whole)} ms; one more cup: ${middle(one)} ms (medians).`,
  );
}
timed();
