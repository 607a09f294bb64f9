import { deltaE00, hexOf, type Lab, labOf, liquorAt, standardCup } from '#core/colour';
import { type Answer, searchCorrection } from '#core/corrections';
import { brewAgain, brewCup, type Brewing, brewInStages, type Cup } from '#core/cup';
import { at, SOLUTES } from '#core/extraction';
import {
  afterPour,
  boilingAt,
  cooled,
  coolingRate,
  firstContact,
  mixWater,
  planWater,
  pressureAt,
  splitWater,
  waitUntil,
} from '#core/heat';
import { type PacketWater, readPacket, type TimeRange } from '#core/packets';
import { matchCup, matchStrength, type Pour } from '#core/scaling';
import { characterOf } from '#core/styles';
import { celsius, type Grams, grams, metres, millilitres, seconds } from '#core/units';
import type { CaseInput, CaseKind, ColourSteepInput } from './schema';

const maybe = <T, U>(v: T | undefined, make: (v: T) => U): U | undefined =>
  v === undefined ? undefined : make(v);
const whole = (c: Cup) => ({
  liquorMl: c.liquor,
  gramsPerLitre: Object.fromEntries(SOLUTES.map((s, i) => [s, at(c.gramsPerLitre, i)])),
  tds: c.tds,
  ...c.taste,
  caffeineMg: c.caffeineMg,
  yieldPercent: c.yieldPercent,
});
type Common = { material?: Brewing['material']; lid?: boolean; ambientC?: number };
const room = (i: Common) => ({
  material: i.material,
  lid: i.lid,
  ambient: maybe(i.ambientC, celsius),
});
const answer = (a: Answer) => ({ levers: a.levers, cost: a.cost });
const colourOf = (lab: Lab) => ({ lab, srgb: hexOf(lab) });

function scaled(i: CaseInput<'scaling'>) {
  const ambient = celsius(i.ambientC ?? 20);
  const pour = (water: number): Pour => ({
    character: characterOf(i.style),
    water: millilitres(water),
    ...room(i),
    ambient,
    onLeaf: (leaf: Grams) =>
      firstContact({
        water: grams(water),
        waterAt: afterPour(celsius(i.kettleC), ambient, i.pourLoss),
        material: i.material ?? 'porcelain',
        wallAt: celsius(i.vesselC),
        leaf,
        leafAt: ambient,
      }),
  });
  const leaf = grams(i.reference.leafGrams);
  const known = { ...pour(i.reference.waterMl), leaf, time: seconds(i.seconds) };
  const [strength, both] = [
    matchStrength(known, pour(i.waterMl)),
    matchCup(known, pour(i.waterMl)),
  ];
  return {
    referenceSlurryC: known.onLeaf(leaf),
    referenceStrength: brewCup({ ...known, temperature: known.onLeaf(leaf) }).taste.strength,
    matchLeafGrams: strength.kind === 'matched' ? strength.leaf : null,
    matchBoth: both.kind === 'matched' ? { leafGrams: both.leaf, seconds: both.time } : null,
  };
}

function planned(i: CaseInput<'plans'>) {
  const boiling = boilingAt(metres(i.altitudeM));
  const plan = planWater({
    water: grams(i.waterGrams),
    target: celsius(i.targetSlurryC),
    boiling,
    wallAt: celsius(i.vesselC),
    material: i.material,
    leaf: grams(i.leafGrams),
    cold: celsius(i.coldC),
    ambient: celsius(i.ambientC),
    pourLoss: i.pourLoss,
    kettle: { volume: millilitres(i.kettle.ml), material: i.kettle.material, lid: i.kettle.lid },
  });
  const there = plan.kind === 'reachable' ? plan : null;
  return {
    boilingC: boiling,
    arriveC: plan.arrive,
    reachable: there !== null,
    splash: there?.splash ? { hotGrams: there.splash.hot, coldGrams: there.splash.cold } : null,
    waitSeconds: there?.wait ?? null,
  };
}

const pair = (time: TimeRange | null) => time && [time.from, time.to];
function readWords(text: string) {
  const { leaf, water, heat, wait, time } = readPacket(text);
  return {
    leaf: leaf && { low: leaf.low, high: leaf.high, unit: leaf.unit, heaped: leaf.heaped },
    water: water && waterOf(water),
    heatC: heat && [heat.low, heat.high],
    waitSeconds: pair(wait),
    steepSeconds: pair(time),
  };
}

/** The water a packet means. */
function waterOf(water: PacketWater) {
  if (water.kind === 'ml') return { ml: water.ml };
  if (water.kind === 'cups') return { cups: water.cups };
  return { vessels: water.vessels };
}

/** How each kind of case is answered, by the core alone. */
export const ANSWERS: { readonly [K in CaseKind]: (i: CaseInput<K>) => unknown } = {
  steep: (i) =>
    whole(
      brewCup({
        character: characterOf(i.style, i.grade),
        leaf: grams(i.leafGrams),
        water: millilitres(i.waterMl),
        temperature: celsius(i.temperatureC),
        time: seconds(i.seconds),
        ...room(i),
        cosy: i.cosy,
        agitation: i.agitation,
        infuser: i.infuser,
        basket: maybe(i.basketMl, millilitres),
        squeeze: i.squeeze,
        milk: i.milkMlPerMl,
      }),
    ),
  resteeps: (i) =>
    brewAgain(
      {
        character: characterOf(i.style),
        leaf: grams(i.leafGrams),
        water: millilitres(i.fillMl),
        temperature: celsius(i.temperatureC),
        time: seconds(0),
        ...room(i),
      },
      i.seconds.map((s) => ({ time: seconds(s), kept: i.keepFraction })),
    ).map(({ liquor, tds, taste }) => ({
      liquorMl: liquor,
      strength: taste.strength,
      bitterness: taste.bitterness,
      sweetness: taste.sweetness,
      stewed: taste.stewed,
      tds,
    })),
  cold: (i) =>
    whole(
      brewCup({
        character: characterOf(i.style),
        leaf: grams(i.leafGrams),
        water: millilitres(i.waterMl),
        temperature: celsius(i.temperatureC),
        time: seconds(i.hours * 3600),
        ...room(i),
        squeeze: i.squeeze,
        constant: i.constantTemperature,
      }),
    ),
  hybrid: (i) => {
    const { cup, endsAt } = brewInStages(
      {
        character: characterOf(i.style),
        leaf: grams(i.leafGrams),
        material: i.material ?? 'none',
        ambient: maybe(i.ambientC, celsius),
      },
      i.stages.map((s) => ({
        add: millilitres(s.addMl),
        temperature: celsius(s.temperatureC),
        time: seconds(s.seconds),
        lid: s.lid,
      })),
    );
    return {
      endC: endsAt,
      strength: cup.taste.strength,
      bitterness: cup.taste.bitterness,
      sweetness: cup.taste.sweetness,
      liquorMl: cup.liquor,
    };
  },
  scaling: scaled,
  corrections: (i) => {
    const s = searchCorrection({
      style: i.style,
      recipe: i.recipe,
      marks: i.marks,
      brew: {
        character: characterOf(i.style),
        leaf: grams(i.leafGrams),
        water: millilitres(i.waterMl),
        temperature: celsius(i.temperatureC),
        time: seconds(i.seconds),
      },
    });
    return {
      before: s.before,
      costNone: s.costNone,
      best: { ...answer(s.best), predicted: s.best.predicted },
      bestSingle: answer(s.bestSingle),
      partlyMet: s.partlyMet,
    };
  },
  boiling: (i) => ({
    kPa: pressureAt(metres(i.altitudeM)),
    boilingC: boilingAt(metres(i.altitudeM)),
  }),
  mix: (i) => {
    const m = mixWater(
      i.parts.map((p) => ({ volume: millilitres(p.ml), temperature: celsius(p.temperatureC) })),
    );
    return { grams: m.mass, temperatureC: m.temperature };
  },
  split: (i) => {
    const s = splitWater(grams(i.grams), celsius(i.hotC), celsius(i.coldC), celsius(i.targetC));
    return s && { hotGrams: s.hot, coldGrams: s.cold };
  },
  contact: (i) => ({
    slurryC: firstContact({
      water: grams(i.waterGrams),
      waterAt: celsius(i.waterC),
      material: i.material,
      capacity: maybe(i.capacityMl, millilitres),
      wallAt: celsius(i.vesselC),
      leaf: grams(i.leafGrams),
      leafAt: celsius(i.leafC),
    }),
  }),
  cooling: (i) => ({
    temperatureC: cooled(
      celsius(i.startC),
      celsius(i.ambientC),
      coolingRate({ volume: millilitres(i.ml), material: i.material, lid: i.lid, cosy: i.cosy }),
      seconds(i.seconds),
    ),
  }),
  wait: (i) => ({
    seconds: waitUntil(
      celsius(i.startC),
      celsius(i.targetC),
      celsius(i.ambientC),
      coolingRate({ volume: millilitres(i.ml), material: i.material, lid: i.lid, cosy: i.cosy }),
    ),
  }),
  plans: planned,
  strength: (i) => colourOf(labOf(standardCup(i.style, i.strength), i.depthMm / 10)),
  difference: (i) => ({ deltaE00: deltaE00(i.a, i.b) }),
  packets: (i) => readWords(i.text),
};
export const answerColourSteep = (i: ColourSteepInput): unknown =>
  colourOf(
    labOf(
      liquorAt(i.style, {
        time: seconds(i.seconds),
        temperature: celsius(i.temperatureC),
        leafRatio: i.leafRatio,
      }),
      i.depthMm / 10,
    ),
  );
