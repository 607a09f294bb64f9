// Prints what was measured beside what is wanted. A figure is the median of several runs; machines differ, so the
// nanoseconds of one library exponential are printed with them.
import { cpus } from 'node:os';
import { Worker } from 'node:worker_threads';
import { build } from 'esbuild';
import { colourOfBrew, standardCup, tint } from '#core/colour';
import { type Mark, searchCorrection } from '#core/corrections';
import { brewCup, type Brewing } from '#core/cup';
import { fitToHouse, type Tasted } from '#core/fitting';
import { pick, seeded } from '#core/numeric';
import { newCup, quickCup } from '#core/quick';
import { boardOf, startingRecipe } from '#core/recipes';
import { matchCup, matchStrength, type Pour } from '#core/scaling';
import { characterOf, STYLE_IDS, styleOf } from '#core/styles';
import { celsius, grams, millilitres, seconds, SPOONS } from '#core/units';
import { integrate } from './integrator';

type Row = { name: string; value: number; unit: string; wanted: string; met: boolean | null };
const rows: Row[] = [];
const add = (name: string, value: number, unit: string, wanted: string, met: boolean | null) =>
  rows.push({ name, value: Number(value.toPrecision(4)), unit, wanted, met });
const median = (list: number[]) =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] as number;
/** Milliseconds of one call, median of `rounds` rounds of `times` calls, after warming up. */
function time(work: () => void, times: number, rounds = 7): number {
  for (let i = 0; i < times; i++) work();
  return median(
    Array.from({ length: rounds }, () => {
      const from = performance.now();
      for (let i = 0; i < times; i++) work();
      return (performance.now() - from) / times;
    }),
  );
}

const random = seeded(20260701);
const between = (a: number, b: number) => a + (b - a) * random();
const characters = STYLE_IDS.map((id) => ({ id, character: characterOf(id) }));
/** Brews as a bar has them: a style's own recipe with everything varied. */
const brews: (Brewing & { style: (typeof STYLE_IDS)[number] })[] = Array.from(
  { length: 512 },
  () => {
    const { id, character } = pick(random, characters);
    const { start } = styleOf(id);
    const water = between(120, 1000);
    return {
      style: id,
      character,
      water: millilitres(water),
      leaf: grams((start.dose * between(0.7, 1.4) * water) / 100),
      temperature: celsius(Math.min(98, start.temperature + between(-6, 6))),
      time: seconds(start.best * between(0.6, 1.5)),
      material: pick(random, ['porcelain', 'glass', 'stoneware'] as const),
      lid: random() < 0.8,
      infuser: pick(random, ['free', 'deep', 'shallow'] as const),
      agitation: pick(random, ['still', 'swirl'] as const),
      basket: null,
      ambient: celsius(20),
      cosy: false,
      squeeze: false,
      milk: 0,
    };
  },
);

let sink = 0;
add(
  'one library exponential',
  time(() => {
    for (let i = 0; i < 1e5; i++) sink += Math.exp(-(i & 1023) * 0.003);
  }, 5) * 10,
  'ns',
  'the machine',
  null,
);
const out = newCup();
const quickMs =
  time(() => {
    for (const b of brews) quickCup(b, out);
  }, 40) / brews.length;
const plainMs =
  time(() => {
    for (const b of brews) brewCup(b);
  }, 6) / brews.length;
add(
  'predicted cups, quick',
  1000 / quickMs,
  'per s',
  'at least 300 000',
  1000 / quickMs >= 300_000,
);
add('predicted cups, readable', 1000 / plainMs, 'per s', '', null);
const odeBrews = brews.slice(0, 24);
const odeMs =
  time(
    () => {
      for (const b of odeBrews) integrate(b);
    },
    1,
    3,
  ) / odeBrews.length;
add('general integrator at 1e-4', odeMs * 1000, 'us a cup', '', null);
add('quick against the integrator', odeMs / quickMs, 'times', 'at least 60', odeMs / quickMs >= 60);
const worst = Math.max(...odeBrews.map((b) => Math.abs(integrate(b) / brewCup(b).tds - 1)));
add('they agree on solids within', 100 * worst, '%', 'under 0.5', worst < 0.005);

const cups = STYLE_IDS.map((s) => standardCup(s));
const swatchMs =
  time(() => {
    for (const c of cups) sink += tint(c).length;
  }, 200) / cups.length;
add('exact colour swatch', swatchMs * 1000, 'us', 'under 5', swatchMs * 1000 < 5);
const colourMs =
  time(() => {
    for (const b of brews) colourOfBrew(b, b.time);
  }, 2) / brews.length;
add('pigments of a brew', colourMs * 1000, 'us', '', null);

const questions = brews.slice(0, 60).map((brew) => ({
  brew,
  style: brew.style,
  recipe: {
    leafGrams: (styleOf(brew.style).start.dose * brew.water) / 100,
    temperatureC: styleOf(brew.style).start.temperature,
    seconds: styleOf(brew.style).start.best,
  },
  marks: {
    strength: pick(random, [-1, 0, 1] as Mark[]),
    bitterness: pick(random, [0, 1, 2] as Mark[]),
    astringency: pick(random, [0, 1] as Mark[]),
  },
}));
const correctionMs =
  time(() => {
    for (const q of questions) searchCorrection(q);
  }, 1) / questions.length;
add('one correction', correctionMs, 'ms', 'under 5', correctionMs < 5);

const pourOf = (b: Brewing): Pour => ({ ...b, onLeaf: () => b.temperature });
const matches = brews.slice(0, 100).map((b) => ({
  known: { ...pourOf(b), leaf: b.leaf, time: b.time },
  other: { ...pourOf(b), water: millilitres(b.water * between(0.4, 2.5)) },
}));
const strengthMs =
  time(() => {
    for (const m of matches) matchStrength(m.known, m.other);
  }, 3) / matches.length;
const bothMs =
  time(() => {
    for (const m of matches) matchCup(m.known, m.other);
  }, 3) / matches.length;
add('match the cup, strength', strengthMs, 'ms', 'under 0.3', strengthMs < 0.3);
add('match the cup, strength and bitterness', bothMs, 'ms', 'under 0.3', bothMs < 0.3);

const truth = { rate: 1.25, pool: 0.9, bite: 1.2, sensitivity: 1.05 };
const fitCups: Tasted[] = [
  [45, 94],
  [120, 94],
  [180, 94],
  [300, 94],
  [120, 75],
  [300, 75],
].map(([t, c]) => {
  const brew = {
    leaf: grams(4),
    water: millilitres(300),
    temperature: celsius(c as number),
    time: seconds(t as number),
  };
  const cup = brewCup({ ...brew, character: characterOf('black-whole', undefined, truth) });
  return { brew, tds: cup.tds, strength: cup.taste.strength, bitterness: cup.taste.bitterness };
});
const fitMs = time(() => {
  fitToHouse('black-whole', fitCups);
}, 10);
add('six-cup fit', fitMs, 'ms', 'under 20', fitMs < 20);

const site = {
  altitudeM: 4,
  measuredBoiling: null,
  coldWater: celsius(12),
  ambient: celsius(20),
  pourLoss: 0.07,
  kettle: { volume: millilitres(1700), material: 'stainless' as const, lid: true },
};
const teas = Array.from({ length: 300 }, () => {
  const style = pick(random, STYLE_IDS);
  return {
    tea: {
      style,
      weighing: {
        spoon: SPOONS.dessertSpoon,
        spoons: 5,
        weighed: grams(between(7, 27)),
        singles: [],
      },
      spoon: SPOONS.dessertSpoon,
      fitted: null,
    },
    recipe: startingRecipe(style),
    method: 'pot' as const,
    site,
    warmed: true,
  };
});
const shelf = Array.from({ length: 40 }, (_, i) => {
  const mark = between(120, 1400);
  return {
    id: String(i),
    facts: {
      kind: pick(random, ['pot', 'mug', 'release'] as const),
      brim: millilitres(mark * 1.2),
      mark: millilitres(mark),
      infuser: pick(random, ['deep', 'free'] as const),
      basket: null,
      material: 'porcelain' as const,
      wallGrams: null,
      lid: true,
    },
  };
});
const boardMs = time(() => {
  for (const ask of teas) sink += boardOf(ask, shelf).length;
}, 2);
add('300 teas x 40 vessels, every card', boardMs, 'ms', 'under 50', boardMs < 50);

const bundled = await build({
  entryPoints: ['scripts/bench/toleranceWorker.ts'],
  bundle: true,
  write: false,
  format: 'esm',
  platform: 'node',
});
const worker = new Worker(
  new URL(`data:text/javascript,${encodeURIComponent(bundled.outputFiles[0]?.text ?? '')}`),
);
const study = () =>
  new Promise<{ ms: number; parts: number }>((resolve) => {
    const from = performance.now();
    let parts = 0;
    const hear = (m: { share?: number; done?: boolean }) => {
      if (m.done) {
        worker.off('message', hear);
        resolve({ ms: performance.now() - from, parts });
      } else parts += 1;
    };
    worker.on('message', hear);
    worker.postMessage('run');
  });
await study();
const studies: { ms: number; parts: number }[] = [];
for (let i = 0; i < 5; i++) studies.push(await study());
const studyMs = median(studies.map((s) => s.ms));
add('20 000-draw tolerance study in a worker', studyMs, 'ms', 'under 120', studyMs < 120);
await worker.terminate();

const machine = `${cpus()[0]?.model ?? 'unknown'}, ${cpus().length} cores, node ${process.version}`;
if (process.argv.includes('--json'))
  process.stdout.write(`${JSON.stringify({ machine, rows }, null, 2)}\n`);
else {
  process.stdout.write(`${machine}\n\n`);
  for (const r of rows) {
    const met = r.met ? 'met' : 'NOT MET';
    process.stdout.write(
      `${r.name.padEnd(42)} ${String(r.value).padStart(10)} ${r.unit.padEnd(9)} ${r.wanted.padEnd(18)} ${r.met === null ? '' : met}\n`,
    );
  }
}
if (sink === 0.5) process.stdout.write(' ');
