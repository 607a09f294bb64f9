import { z } from 'zod';
import { MATERIAL_NAMES } from '#core/heat';
import { STYLE_IDS } from '#core/styles';
import { FACTS, FAULT_NAMES } from '#core/training';
import { INFUSER_KINDS } from '#core/vessels';
import { documentOf, leafGrams, number, oneOf, waterMl } from '../cases';

// The cases the school command reads: what skills come to, and cups that are diagnosed. Units are in the names.

const share = number(0, 1);
const level = z.int().min(1).max(5);
const day = z.iso.date();
const instant = z.iso.datetime();
const credit = share;
const guess = number(0, 0.9);

const wilson = z.strictObject({
  credit: number(0, 1e6),
  n: z.int().min(1).max(1e6),
  z: z.number().gt(0).lt(6).optional(),
});
const evidence = z.strictObject({
  now: instant,
  answers: z.array(z.strictObject({ at: instant, day, level, credit, guess })).max(10_000),
});
const signOff = z.strictObject({
  events: z
    .array(
      z.strictObject({
        kind: oneOf(['begun', 'asked', 'signed', 'withdrawn'] as const, 'event'),
        day,
        until: day.nullable().optional(),
      }),
    )
    .max(1000),
  today: day,
  months: z.int().min(1).max(120).optional(),
});
const block = z.strictObject({
  credits: z.array(credit).max(1000),
  pace: z.number().gt(0).max(100),
  level,
});
const fsrs = z.strictObject({
  begun: instant,
  reviews: z.array(z.strictObject({ at: instant, rating: z.int().min(1).max(4) })).max(1000),
});
const levels = z.strictObject({
  guess,
  answers: z
    .array(z.strictObject({ level, credit, pauseDays: number(0, 10_000).optional() }))
    .max(10_000),
});
const airC = number(-10, 50);
const house = z.strictObject({
  style: oneOf(STYLE_IDS, 'style'),
  leafGrams,
  waterMl,
  temperatureC: number(20, 100),
  seconds: number(5, 7200),
  warm: z.boolean(),
  vessel: z.strictObject({
    material: oneOf(MATERIAL_NAMES, 'material'),
    capacityMl: waterMl,
    infuser: oneOf(INFUSER_KINDS, 'infuser'),
    basketMl: waterMl.nullable(),
    lid: z.boolean(),
  }),
  site: z.strictObject({ ambientC: airC, boilingC: number(60, 101), pourLoss: number(0, 0.5) }),
});
const lever = oneOf(['leaf', 'heat', 'time', 'water', 'vessel'] as const, 'lever');
const fault = oneOf(FAULT_NAMES, 'fault');
const diagnose = z.strictObject({
  house,
  faults: z
    .array(z.strictObject({ id: fault, size: number(0, 100) }))
    .min(1)
    .max(2),
  known: z.array(oneOf(FACTS, 'fact')).max(FACTS.length),
  level,
  answer: z
    .strictObject({
      faults: z.array(fault).min(1).max(2),
      turns: z
        .array(
          z.strictObject({
            lever,
            size: z.union([
              number(-2000, 2000),
              oneOf(['warm', 'lid', 'basket', 'drain'] as const, 'act'),
            ]),
          }),
        )
        .max(2),
    })
    .optional(),
});

const letters = z.array(z.int().min(0).max(7)).min(2).max(8);
const order = z.strictObject({
  style: oneOf(STYLE_IDS, 'style'),
  apart: z.number().gt(0).max(30),
  cups: z.int().min(2).max(8),
  shuffle: letters,
  answer: letters.optional(),
});

const knownLeaf = z.strictObject({ leafGrams, waterMl });
const scale = z.strictObject({
  reference: knownLeaf,
  second: knownLeaf.optional(),
  vessel: z.strictObject({ brimMl: waterMl, fillLineMl: waterMl, namedMl: waterMl.optional() }),
  heldMlPerG: number(0, 10),
  ask: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('fillLine') }),
    z.strictObject({ kind: z.literal('water'), ml: waterMl }),
    z.strictObject({ kind: z.literal('liquor'), ml: waterMl }),
    z.strictObject({ kind: z.literal('pints'), count: number(0.1, 40), uk: z.boolean() }),
  ]),
  answer: z.number().gt(0).lt(10_000).optional(),
});
const spoonMl = z.number().gt(0).max(100);
const spoons = z.strictObject({
  leafGrams,
  waterMl,
  weighing: z.strictObject({
    spoonMl,
    spoons: number(0.25, 100),
    grams: z.number().gt(0).max(1000),
  }),
  spoonMl,
  otherGramsPerMl: z.number().gt(0).max(2).nullable().optional(),
});

const material = oneOf(MATERIAL_NAMES, 'material');
const water = z.strictObject({
  waterMl,
  targetC: number(20, 100),
  leafGrams,
  warmed: z.boolean(),
  material,
  capacityMl: waterMl,
  site: z.strictObject({
    altitudeM: number(-400, 5000),
    measuredBoilingC: number(60, 101).nullable(),
    ambientC: airC,
    coldC: number(0, 40),
    pourLoss: number(0, 0.5),
  }),
  kettle: z.strictObject({ ml: waterMl, material, lid: z.boolean() }),
  ask: oneOf(['splash', 'wait', 'set', 'landing'] as const, 'ask'),
  answer: number(0, 100_000).optional(),
});
const pour = z.strictObject({
  liquorMl: waterMl,
  cups: z.int().min(2).max(12),
  g: number(0, 1.9),
  pours: z.array(z.strictObject({ cup: z.int().min(1).max(12), ml: number(0, 20_000) })).max(500),
});

const moment = number(0, 86_400).nullable();
const shift = z.strictObject({
  brews: z
    .array(
      z.strictObject({
        house,
        window: z.strictObject({
          earliest: number(5, 7200),
          best: number(5, 7200),
          latest: number(5, 7200),
        }),
        orderedS: number(0, 86_400),
        pouredS: moment,
        pulledS: moment,
        servedS: moment,
      }),
    )
    .min(1)
    .max(50),
});

export const CASE_INPUTS = {
  wilson,
  evidence,
  signOff,
  block,
  fsrs,
  levels,
  scale,
  spoons,
  water,
  order,
  pour,
  diagnose,
  shift,
};
export type CaseKind = keyof typeof CASE_INPUTS;
export type CaseInput<K extends CaseKind> = z.infer<(typeof CASE_INPUTS)[K]>;
export const SchoolDocument = documentOf('school', CASE_INPUTS);
