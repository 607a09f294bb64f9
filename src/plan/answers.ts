import {
  chillOf,
  type ColdFill,
  type ColdSteep,
  coldYield,
  courseAt,
  forecastOf,
  type Glass,
  glassesLeft,
  glassOf,
  hours,
  inHours,
  keepingOf,
  mendGlass,
  sameBodyAt,
  strengthMeant,
  waterToWeaken,
} from '#core/cold';
import { type Merit, pinsRefused, type PlanProblem, planWeek, type Pour } from '#core/coldPlan';
import { characterOf } from '#core/styles';
import {
  dayAndTime,
  handMoments,
  MINUTE_MS,
  servicesFrom,
  type SiteWeek,
  USUAL_REGION,
  wallMoment,
  type Week,
} from '#core/time';
import { celsius, type EpochMs, epochMs, grams, millilitres, seconds } from '#core/units';
import { answerCases, type Answered, type Kinds } from '../cases';
import { CASE_INPUTS, type CaseInput, type CaseKind } from './schema';

const at = (iso: string): EpochMs => epochMs(Date.parse(iso));
/** As the cases write it: to the second, without a fraction. */
const iso = (t: EpochMs): string => new Date(t).toISOString().replace('.000Z', 'Z');

type FillInput = Omit<CaseInput<'chill'>, 'airC' | 'limitC' | 'withinHours' | 'waterC'>;
const fillOf = (i: FillInput, waterC: number): ColdFill => ({
  water: millilitres(i.waterMl),
  leaf: grams(i.leafGrams),
  material: i.material,
  capacity: millilitres(i.capacityMl),
  wallAt: celsius(i.wallC),
  leafAt: celsius(i.leafC),
  waterAt: celsius(waterC),
});
const steepOf = (
  i: FillInput & { style: CaseInput<'course'>['style'] },
  around: { airC: number; waterC: number },
): ColdSteep => ({
  ...fillOf(i, around.waterC),
  character: characterOf(i.style),
  air: celsius(around.airC),
});

function chill(i: CaseInput<'chill'>) {
  const c = chillOf(fillOf(i, i.waterC), celsius(i.airC), celsius(i.limitC), hours(i.withinHours));
  return {
    startC: c.start,
    tauHours: inHours(c.tau),
    coldAfterHours: c.coldAfter === null ? null : inHours(c.coldAfter),
    inTime: c.inTime,
    waterAtMostC: c.waterAtMost,
    iceGrams: c.ice,
  };
}
function course(i: CaseInput<'course'>) {
  const steep = steepOf(i, i);
  const { start, tau } = chillOf(steep, steep.air, celsius(5), hours(4));
  return {
    startC: start,
    tauHours: inHours(tau),
    liquorMl: coldYield(
      { ...steep, held: steep.character.held },
      { squeeze: i.squeeze, dead: i.deadMl },
    ),
    at: i.hours.map((h) => {
      const { water, cup } = courseAt(steep, hours(h));
      const { strength, bitterness, astringency, sweetness, aroma, colour } = cup.taste;
      return {
        hours: h,
        waterC: water,
        strength,
        bitterness,
        astringency,
        sweetness,
        aroma,
        colour,
        tds: cup.tds,
      };
    }),
  };
}
function window(i: CaseInput<'window'>) {
  const [here, reference] = [steepOf(i, i.here), steepOf(i, i.reference)];
  return {
    hours: i.windowHours.map((h) => {
      const found = sameBodyAt(here, reference, hours(h));
      return found === null ? null : inHours(found);
    }),
  };
}
function dilute(i: CaseInput<'dilute'>) {
  const add = waterToWeaken(millilitres(i.liquorMl), i.strength, i.targetStrength);
  if (add === null) return { addMl: null };
  const finalMl = i.liquorMl + add;
  return { addMl: add, finalMl, dilutedTimes: finalMl / i.liquorMl };
}
const glassSaid = (glass: Glass | null) =>
  glass && {
    extractMl: glass.extract,
    waterMl: glass.water,
    temperatureC: glass.temperature,
  };
function serve(i: CaseInput<'serve'>) {
  const asked = {
    extractStrength: i.extractStrength,
    glass: millilitres(i.glassMl),
    target: i.targetStrength,
    extractAt: celsius(i.extractC),
    waterAt: celsius(i.waterC),
  };
  const now = glassOf(asked);
  if (!now) return { now: null, servingsLeft: null, next: null, inHand: null };
  const servingsLeft = glassesLeft(millilitres(i.leftMl), now.extract);
  if (i.mark === 0)
    return { now: glassSaid(now), servingsLeft, next: glassSaid(now), inHand: null };
  const meant = strengthMeant(i.targetStrength, i.mark);
  const next = glassSaid(glassOf({ ...asked, target: meant }));
  const inHand = mendGlass(asked, meant, millilitres(i.brimMl));
  return {
    now: glassSaid(now),
    servingsLeft,
    next: next && { targetStrength: meant, ...next },
    inHand: inHand && {
      pourOffMl: inHand.pourOff,
      extractMl: inHand.extract,
      waterMl: inHand.water,
    },
  };
}
const times = (i: CaseInput<'times'>) => ({
  walls: i.walls.map(({ date, time }) => {
    const moment = wallMoment(i.zone, date, time);
    return { at: iso(moment.at), said: moment.said };
  }),
  elapsed: i.elapsed.map(({ from, minutes }) => {
    const then = epochMs(at(from) + minutes * MINUTE_MS);
    return { at: iso(then), label: dayAndTime({ zone: i.zone, region: USUAL_REGION }, then) };
  }),
});
const weekOf = (w: CaseInput<'calendar'>['open']): Week => [
  w.mon,
  w.tue,
  w.wed,
  w.thu,
  w.fri,
  w.sat,
  w.sun,
];
function calendar(i: CaseInput<'calendar'>) {
  const week: SiteWeek = {
    open: weekOf(i.open),
    preferred: weekOf(i.preferred),
    services: weekOf(i.services),
  };
  const now = at(i.now);
  const minutes = (t: number) => Math.round((t - now) / MINUTE_MS);
  const asked = { now, from: i.from, days: i.days };
  return {
    hands: handMoments(i.zone, week, { ...asked, stepMinutes: i.stepMin }).map((h) => [
      minutes(h.at),
      h.preferred ? 1 : 0,
    ]),
    slots: servicesFrom(i.zone, week, asked).map((s) => [minutes(s.from), minutes(s.to)]),
  };
}
function discard(i: CaseInput<'discard'>) {
  const kept = keepingOf(
    {
      method: i.method,
      startAt: at(i.startAt),
      start: celsius(i.startC),
      liftAt: at(i.liftAt),
      tau: seconds(i.tauMin * 60),
      fridge: celsius(i.fridgeC),
      readings: i.readings.map(([t, c]) => ({ at: at(t), celsius: celsius(c) })),
    },
    {
      keepHours: i.keepHours,
      limit: celsius(i.limitC),
      warmHours: i.warmHours,
      coolHours: i.coolHours,
      counterHours: i.counterHours,
      gapMinutes: i.gapMin,
      unknown: celsius(i.unknownC),
    },
  );
  return {
    discardAt: iso(kept.discardAt),
    because: kept.because,
    coldAt: kept.coldAt === null ? null : iso(kept.coldAt),
    ifStays: kept.ifStays && {
      discardAt: iso(kept.ifStays.discardAt),
      because: kept.ifStays.because,
    },
    label: dayAndTime({ zone: i.zone, region: USUAL_REGION }, kept.discardAt),
  };
}
const forecast = ({ history, plan, ...learning }: CaseInput<'forecast'>) =>
  forecastOf(history, plan, learning) ?? { days: null };

const spanOf = ([from, to]: readonly [number, number]) => ({ from, to });
const problemOf = (i: CaseInput<'plan'>): PlanProblem => ({
  wash: i.washMin,
  fridge: { places: i.fridge.places, water: i.fridge.ml },
  hands: i.hands.map(([at, preferred]) => ({ at, preferred: preferred === 1 })),
  services: i.slots.map(spanOf),
  kinds: i.kinds,
  vessels: i.vessels.map((v) => ({ ...v, out: (v.out ?? []).map(spanOf) })),
  lines: i.lines.map(({ servingMl, fills, ...line }) => ({
    ...line,
    serving: servingMl,
    fills: Object.fromEntries(
      Object.entries(fills).map(([kind, list]) => [
        kind,
        list.map(([water, glasses]) => ({ water, glasses })),
      ]),
    ),
  })),
  standing: i.here.map(({ waterMl, fridge, ...h }) => ({
    ...h,
    water: waterMl,
    inFridge: fridge ?? true,
  })),
  pins: i.pins.map(({ waterMl, ...pin }) => ({ ...pin, water: waterMl })),
});
const vectorOf = (m: Merit) => [m.unmet, m.thrown, m.off, m.batches, m.hands];
const served = (pours: readonly Pour[]) => pours.map((p) => [p.service, p.glasses]);
function plan(i: CaseInput<'plan'>) {
  const problem = problemOf(i);
  const refused = pinsRefused(problem);
  if (refused) return { refused };
  const found = planWeek(problem);
  return {
    vector: vectorOf(found.merit),
    bound: vectorOf(found.bound),
    proven: found.proven,
    batches: found.batches.map(({ pin, water, pours, ...b }) => ({
      ...(pin === null ? {} : { pin }),
      line: b.line,
      vessel: b.vessel,
      waterMl: water,
      glasses: b.glasses,
      start: b.start,
      lift: b.lift,
      serves: served(pours),
    })),
    here: found.standing.map((s) => ({ id: s.id, serves: served(s.pours), thrown: s.thrown })),
    unmet: found.unmet.map((u) => ({ line: u.line, slot: u.service, glasses: u.glasses })),
  };
}

/** How each kind of case is answered, by the core alone. */
const ANSWERS: { readonly [K in CaseKind]: (i: CaseInput<K>) => unknown } = {
  chill,
  course,
  window,
  dilute,
  serve,
  times,
  calendar,
  discard,
  forecast,
  plan,
};
/** Every kind of case of the plan command. */
export const KINDS: Kinds = Object.fromEntries(
  (Object.keys(CASE_INPUTS) as CaseKind[]).map((kind) => [
    kind,
    (input, read) => (ANSWERS[kind] as (i: unknown) => unknown)(read(CASE_INPUTS[kind], input)),
  ]),
);
export const answerPlanCases = (document: unknown): Answered => answerCases(document, KINDS);
/** The problem of a plan case, as the core has it. */
export const planProblemOf = (input: unknown): PlanProblem =>
  problemOf(CASE_INPUTS.plan.parse(input));
