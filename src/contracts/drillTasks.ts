import { z } from 'zod';
import {
  CURE_LEVERS,
  type DiagnosisAnswer,
  type DiagnosisGiven,
  type DrillTask,
  FACTS,
  FAULT_NAMES,
  type OrderAnswer,
  type OrderGiven,
  PAIR_NAMES,
  type TurnsAnswer,
  type TurnsGiven,
} from '#core/training';
import { FIGURE_TASKS } from './drillFigures';
import { DrillCup, Figure, Level, Name, taskBody, Water } from './drillParts';
import { PICK_TASKS } from './drillPicks';
import { SHIFT_TASK } from './drillShift';

// Questions of every drill as they were drawn, with their answers.

/** A question as it was drawn: it can be shown again exactly. */
const DiagnosisGivenBody = z.strictObject({
  cup: DrillCup,
  faults: z
    .array(z.strictObject({ id: z.enum(FAULT_NAMES), size: Figure(0, 100) }))
    .min(1)
    .max(2)
    .readonly(),
  known: z.array(z.enum(FACTS)).max(FACTS.length).readonly(),
  level: Level,
}) satisfies z.ZodType<DiagnosisGiven>;
const [LEAF, HEAT, TIME, VESSEL, WATER] = CURE_LEVERS;
const DiagnosisAnswerBody = z.strictObject({
  cause: z.enum([...FAULT_NAMES, ...PAIR_NAMES]),
  turns: z
    .array(
      z.union([
        z.strictObject({ lever: z.enum([LEAF, HEAT, TIME, WATER]), size: Figure(-2000, 2000) }),
        z.strictObject({
          lever: z.literal(VESSEL),
          act: z.enum(['warm', 'lid', 'basket', 'drain']),
        }),
      ]),
    )
    .min(1)
    .max(2)
    .readonly(),
}) satisfies z.ZodType<DiagnosisAnswer>;

const Letters = z.array(z.number().int().min(0).max(7)).min(5).max(8).readonly();
const OrderGivenBody = z.strictObject({
  cup: DrillCup,
  apart: Figure(1, 20),
  shuffle: Letters,
  level: Level,
}) satisfies z.ZodType<OrderGiven>;
const OrderAnswerBody = z.strictObject({ letters: Letters }) satisfies z.ZodType<OrderAnswer>;
const TurnsGivenBody = z.strictObject({
  tea: Name,
  vesselName: Name,
  level: Level,
  liquorMl: Water,
  cups: z.number().int().min(2).max(12),
  gradient: Figure(0, 1.9),
}) satisfies z.ZodType<TurnsGiven>;
const TurnsAnswerBody = z.strictObject({
  pours: z
    .array(z.strictObject({ cup: z.number().int().min(0).max(11), ml: Figure(0, 20_000) }))
    .max(200)
    .readonly(),
}) satisfies z.ZodType<TurnsAnswer>;

/** A question of a drill with its answer. */
export const DrillTaskBody = z.discriminatedUnion('drill', [
  taskBody('diagnose', DiagnosisGivenBody, DiagnosisAnswerBody),
  taskBody('order', OrderGivenBody, OrderAnswerBody),
  taskBody('turns', TurnsGivenBody, TurnsAnswerBody),
  SHIFT_TASK,
  ...FIGURE_TASKS,
  ...PICK_TASKS,
]) satisfies z.ZodType<DrillTask>;
