import { z } from 'zod';
import {
  type Attribute,
  ATTRIBUTE_NAMES,
  type Circumstance,
  CIRCUMSTANCES,
} from '#core/corrections';
import {
  type CausesGiven,
  FAIR_FACTS,
  type FairFact,
  type FairGiven,
  type HoldingGiven,
  type PickAnswer,
  type PickDrillName,
  type WhichGiven,
} from '#core/training';
import { DrillCup, Figure, Level, Name, Seconds, taskBody, Water } from './drillParts';
import { oneOf } from './primitives';
import { VerdictBody } from './verdicts';

// Drills in which something is picked: questions as they were drawn, with their answers.

const PickAnswerBody = z.strictObject({
  picks: z
    .array(z.array(z.string().max(40)).max(12).readonly())
    .min(1)
    .max(6)
    .readonly(),
}) satisfies z.ZodType<PickAnswer>;
const CausesGivenBody = z.strictObject({
  verdict: VerdictBody,
  circumstance: oneOf<Circumstance>(CIRCUMSTANCES).nullable(),
  saidRight: z.array(oneOf<Attribute>(ATTRIBUTE_NAMES)).max(6).readonly(),
  rows: z.array(z.string().max(40)).min(2).max(8).readonly(),
  level: Level,
}) satisfies z.ZodType<CausesGiven>;
const WhichGivenBody = z.strictObject({
  cup: DrillCup,
  kind: oneOf<WhichGiven['kind']>(['hotter', 'longer']),
  by: Figure(1, 40),
  pairs: z
    .array(
      z.strictObject({ temperatureC: Figure(20, 100), seconds: Seconds, isFirst: z.boolean() }),
    )
    .min(1)
    .max(6)
    .readonly(),
  level: Level,
}) satisfies z.ZodType<WhichGiven>;
/** Minutes of a week. */
const Minutes = z.number().int().min(-100_000).max(100_000);
const HoldingGivenBody = z.strictObject({
  tea: Name,
  now: Minutes,
  limits: z.strictObject({
    keepHours: Figure(1, 120),
    counterHours: Figure(0.25, 24).nullable(),
    limitC: Figure(0, 15),
    warmHours: Figure(0.25, 24),
  }),
  jugs: z
    .array(
      z.strictObject({
        name: Name,
        place: oneOf<HoldingGiven['jugs'][number]['place']>(['fridge', 'counter']),
        madeAt: Minutes.nullable(),
        until: Minutes,
        fridgeC: Figure(-10, 50),
        warmHours: Figure(0, 500),
        onTopOf: Minutes.nullable(),
      }),
    )
    .min(1)
    .max(4)
    .readonly(),
  level: Level,
}) satisfies z.ZodType<HoldingGiven>;
const FairGivenBody = z.strictObject({
  tea: Name,
  planned: oneOf<FairFact>(FAIR_FACTS),
  cups: z
    .array(
      z.strictObject({
        leaf: Figure(0.1, 500),
        water: Water,
        heat: Figure(20, 100),
        time: Seconds,
        warmed: z.boolean(),
        stirred: z.boolean(),
      }),
    )
    .min(2)
    .max(8)
    .readonly(),
  level: Level,
}) satisfies z.ZodType<FairGiven>;

const pickTask = <D extends PickDrillName, G extends z.ZodType>(drill: D, given: G) =>
  taskBody(drill, given, PickAnswerBody);
export const PICK_TASKS = [
  pickTask('words', CausesGivenBody),
  pickTask('which', WhichGivenBody),
  pickTask('holding', HoldingGivenBody),
  pickTask('fair', FairGivenBody),
] as const;
