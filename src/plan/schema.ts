import { z } from 'zod';
import { MATERIAL_NAMES } from '#core/heat';
import { STYLE_IDS } from '#core/styles';
import { isZone } from '#core/time';
import { documentOf, leafGrams, mark, number, oneOf, waterMl } from '../cases';

// The cases the plan command reads: cold batches. Units are in the names, instants are ISO 8601 with Z, times of a site
// are as its clock shows them.

const style = oneOf(STYLE_IDS, 'style');
const material = oneOf(MATERIAL_NAMES, 'material');
const celsius = number(-5, 100);
const airC = number(-5, 40);
const hours = number(0, 240);
const ml = number(0, 100_000);
const instant = z.iso.datetime();
const date = z.iso.date();
const wall = z.iso.time({ precision: -1 });
const zone = z
  .string()
  .refine(isZone, { error: (i) => `${JSON.stringify(i.input)} is not a zone known here` });
const strength = z.number().gt(0).lt(10);

const fill = { style, waterMl, leafGrams, material, capacityMl: waterMl, wallC: airC, leafC: airC };
const { style: _, ...plainFill } = fill;
const chill = z.strictObject({
  ...plainFill,
  waterC: celsius,
  airC,
  limitC: number(0, 15),
  withinHours: z.number().gt(0).max(48),
});
const course = z.strictObject({
  ...fill,
  waterC: celsius,
  airC,
  hours: z.array(hours).min(1).max(100),
  squeeze: z.boolean(),
  deadMl: ml,
});
const around = z.strictObject({ airC, waterC: celsius });
const window = z.strictObject({
  ...fill,
  windowHours: z.tuple([hours, hours, hours]),
  reference: around,
  here: around,
});
const dilute = z.strictObject({ liquorMl: ml, strength, targetStrength: strength });
const serve = z.strictObject({
  extractStrength: strength,
  glassMl: waterMl,
  brimMl: waterMl,
  targetStrength: strength,
  extractC: airC,
  waterC: celsius,
  leftMl: ml,
  mark,
});
const times = z.strictObject({
  zone,
  walls: z.array(z.strictObject({ date, time: wall })).max(1000),
  elapsed: z.array(z.strictObject({ from: instant, minutes: number(0, 1e6) })).max(1000),
});
const ranges = z.array(z.tuple([wall, wall])).max(10);
const week = z.strictObject({
  mon: ranges,
  tue: ranges,
  wed: ranges,
  thu: ranges,
  fri: ranges,
  sat: ranges,
  sun: ranges,
});
const calendar = z.strictObject({
  zone,
  now: instant,
  from: date,
  days: number(1, 60),
  stepMin: number(5, 1440),
  open: week,
  preferred: week,
  services: week,
});
const discard = z.strictObject({
  method: oneOf(['fridge', 'counter'] as const, 'method'),
  startAt: instant,
  startC: celsius,
  liftAt: instant,
  tauMin: number(0, 10_000),
  keepHours: z.number().gt(0).max(120),
  limitC: number(3, 8),
  warmHours: z.number().gt(0).max(24),
  coolHours: number(0, 24),
  counterHours: number(0, 24),
  fridgeC: airC,
  gapMin: number(1, 10_000),
  unknownC: airC,
  readings: z.array(z.tuple([instant, airC])).max(20_000),
  zone,
});
const forecast = z.strictObject({
  history: z
    .array(
      z.strictObject({
        date,
        served: z.array(number(0, 10_000)).min(1).max(24),
        soldOut: z.boolean(),
      }),
    )
    .max(2000),
  plan: z.array(date).max(60),
  halfLifeDays: z.number().gt(0).max(1000),
  kappa: number(0, 1000),
  kappaShare: z.number().gt(0).max(1000),
  missed: z.number().gt(0).max(1000),
  thrown: z.number().gt(0).max(1000),
  nearDays: number(0, 60),
});

const minute = z.int().min(0).max(100_000);
const moment = z.int().min(-20_000).max(100_000);
const glasses = z.int().min(0).max(10_000);
const name = z.string().min(1);
const span = z.tuple([moment, moment]);
const fills = z.array(z.tuple([z.int().gt(0).max(100_000), z.int().gt(0).max(1000)])).max(10);
const line = z.strictObject({
  id: name,
  servingMl: z.int().gt(0).max(5000),
  earliest: minute,
  latest: minute,
  goodFrom: minute,
  goodTo: minute,
  chill: minute,
  keep: minute,
  keepFrom: oneOf(['lift', 'start'] as const, 'beginning of its keep'),
  fresh: minute,
  fridge: oneOf(['all', 'afterLift', 'never'] as const, 'time in the fridge'),
  fills: z.record(name, fills),
  demand: z.array(glasses).max(500),
});
const plan = z.strictObject({
  washMin: minute,
  fridge: z.strictObject({ places: glasses.nullable(), ml: minute.nullable() }),
  hands: z.array(z.tuple([minute, z.union([z.literal(0), z.literal(1)])])).max(5000),
  slots: z.array(span).max(500),
  kinds: z.record(name, z.strictObject({ places: glasses })),
  vessels: z
    .array(z.strictObject({ id: name, kind: name, out: z.array(span).optional() }))
    .max(100),
  lines: z.array(line).max(50),
  here: z
    .array(
      z.strictObject({
        id: name,
        line: name,
        vessel: name,
        glasses,
        waterMl: minute,
        readyAt: moment,
        discardAt: moment,
        fridge: z.boolean().optional(),
      }),
    )
    .max(100),
  pins: z
    .array(
      z.strictObject({
        id: name,
        line: name,
        vessel: name,
        waterMl: minute,
        start: moment,
        lift: moment,
      }),
    )
    .max(40),
});

/** What goes in by kind of case. */
export const CASE_INPUTS = {
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
} as const;
export type CaseKind = keyof typeof CASE_INPUTS;
export type CaseInput<K extends CaseKind> = z.infer<(typeof CASE_INPUTS)[K]>;

/** The whole document, for its JSON Schema. */
export const PlanDocument = documentOf('plan', CASE_INPUTS);
