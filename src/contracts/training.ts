import { z } from 'zod';
import { type Material, MATERIAL_NAMES } from '#core/heat';
import {
  CURE_LEVERS,
  type DiagnosisAnswer,
  type DiagnosisGiven,
  type Drill,
  DRILL_NAMES,
  type DrillTask,
  FACTS,
  FAULT_NAMES,
  type FigureAnswer,
  type OrderAnswer,
  type OrderGiven,
  PAIR_NAMES,
  type ScaleGiven,
  type Skill,
  SKILL_NAMES,
  type SpoonsGiven,
} from '#core/training';
import { INFUSER_KINDS, type InfuserKind } from '#core/vessels';
import { endpoint } from './endpoint';
import { Role } from './people';
import { Id, Instant, oneOf, Text, Who } from './primitives';
import { ROUTES } from './routes';
import { MultipliersBody, Style } from './teas';

const Figure = (min: number, max: number) => z.number().min(min).max(max);
const Level = z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4), z.literal(5)]);
const DrillCup = z.strictObject({
  tea: z.string().max(120),
  vessel: z.string().max(120),
  style: Style,
  fitted: MultipliersBody.nullable(),
  leafGrams: Figure(0.1, 500),
  waterMl: Figure(10, 20_000),
  temperatureC: Figure(20, 100),
  seconds: Figure(5, 7200),
  warm: z.boolean(),
  lid: z.boolean(),
  material: oneOf<Material>(MATERIAL_NAMES),
  capacityMl: Figure(10, 20_000),
  infuser: oneOf<InfuserKind>(INFUSER_KINDS),
  basketMl: Figure(1, 20_000).nullable(),
  ambientC: Figure(-10, 50),
  boilingC: Figure(60, 101),
  pourLoss: Figure(0, 0.5),
});
/** A question as it was drawn: it can be shown again exactly. */
export const DiagnosisGivenBody = z.strictObject({
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
export const DiagnosisAnswerBody = z.strictObject({
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
const FigureAnswerBody = z.strictObject({
  value: Figure(0.01, 10_000),
}) satisfies z.ZodType<FigureAnswer>;
const Name = z.string().max(120);
const Water = Figure(10, 20_000);
const KnownLeafBody = z.strictObject({ leafGrams: Figure(0.1, 500), waterMl: Water });
const ScaleGivenBody = z.strictObject({
  tea: Name,
  vesselName: Name,
  level: Level,
  reference: KnownLeafBody,
  second: KnownLeafBody.nullable(),
  vessel: z.strictObject({ brimMl: Water, fillLineMl: Water, namedMl: Water.nullable() }),
  heldMlPerG: Figure(0, 10),
  ask: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('fillLine') }),
    z.strictObject({ kind: z.literal('water'), ml: Water }),
    z.strictObject({ kind: z.literal('liquor'), ml: Water }),
    z.strictObject({ kind: z.literal('pints'), count: Figure(0.5, 10), uk: z.boolean() }),
  ]),
}) satisfies z.ZodType<ScaleGiven>;
const SpoonMl = Figure(0.5, 100);
const SpoonsGivenBody = z.strictObject({
  tea: Name,
  vesselName: Name,
  level: Level,
  leafGrams: Figure(0.1, 500),
  waterMl: Water,
  weighing: z.strictObject({ spoonMl: SpoonMl, spoons: Figure(1, 100), grams: Figure(0.01, 1000) }),
  weighedName: Name,
  spoonMl: SpoonMl,
  spoonName: Name,
  otherGramsPerMl: Figure(0.001, 2).nullable(),
}) satisfies z.ZodType<SpoonsGiven>;
/** A question of a drill with its answer. */
const DrillTaskBody = z.discriminatedUnion('drill', [
  z.strictObject({
    drill: z.literal('diagnose'),
    given: DiagnosisGivenBody,
    answer: DiagnosisAnswerBody,
  }),
  z.strictObject({ drill: z.literal('order'), given: OrderGivenBody, answer: OrderAnswerBody }),
  z.strictObject({ drill: z.literal('scale'), given: ScaleGivenBody, answer: FigureAnswerBody }),
  z.strictObject({ drill: z.literal('spoons'), given: SpoonsGivenBody, answer: FigureAnswerBody }),
]) satisfies z.ZodType<DrillTask>;

const DrillName = oneOf<Drill>(DRILL_NAMES);
const SkillName = oneOf<Skill>(SKILL_NAMES);
const Day = z.iso.date();
/** An answer as evidence: what it was worth and when. */
export const DrillAnswer = z.strictObject({
  id: Id,
  at: Instant,
  /** The site's day. */
  day: Day,
  drill: DrillName,
  level: z.number().int().min(1).max(5),
  credit: z.number().min(0).max(1),
  guess: z.number().min(0).max(1),
  judged: z.enum(['right', 'near', 'wrong']),
  /** Time on the question, ms; null to everybody but its own person. */
  ms: z.number().int().min(0).nullable(),
  /** Its person says that the question is wrong, and no lead has found it right: no evidence. */
  disputed: z.boolean(),
});
export type DrillAnswer = z.infer<typeof DrillAnswer>;
export const SignEventBody = z.strictObject({
  id: Id,
  skill: SkillName,
  kind: z.enum(['begun', 'asked', 'signed', 'withdrawn']),
  day: Day,
  /** Of a sign-off: the last day it holds. */
  until: Day.nullable(),
  note: z.string(),
  by: z.string(),
});
export type SignEventBody = z.infer<typeof SignEventBody>;

/** What one person answered, and what was signed. */
const Practice = z.strictObject({
  person: z.strictObject({ ...Who.shape, role: Role }),
  answers: z.array(DrillAnswer),
  signs: z.array(SignEventBody),
});
export type Practice = z.infer<typeof Practice>;
export const getTraining = endpoint(ROUTES.getTraining, { response: Practice });
/** Everybody of the site, by name; for leads. */
export const getTrainingBoard = endpoint(ROUTES.getTrainingBoard, {
  response: z.strictObject({
    people: z.array(Practice),
    /** Questions that somebody says are wrong, the newest first. */
    disputed: z.array(
      z.strictObject({
        answerId: Id,
        by: z.string(),
        at: Instant,
        task: DrillTaskBody,
      }),
    ),
  }),
});
/** An answer is worth what the server works out. A repeated id is the same answer. */
export const addDrillAnswer = endpoint(ROUTES.addDrillAnswer, {
  body: z.strictObject({
    id: Id,
    siteId: Id,
    at: Instant,
    task: DrillTaskBody,
    /** Of the chance it was drawn with. */
    seed: z.number().int().min(0).max(4_294_967_295),
    /** Time on the question while the page was seen, ms. */
    ms: z.number().int().min(0).max(86_400_000),
  }),
  response: DrillAnswer,
});
/** “This question is wrong”: by the answer's own person. */
export const disputeAnswer = endpoint(ROUTES.disputeAnswer, {
  params: z.strictObject({ id: Id }),
  response: DrillAnswer,
});
/** What a lead found: a wrong question stays out of evidence. */
export const settleDispute = endpoint(ROUTES.settleDispute, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ isWrong: z.boolean() }),
  response: DrillAnswer,
});
/** Asked for by the person; signed or withdrawn by a lead, never by oneself. A repeated id is the same event. */
export const addSignEvent = endpoint(ROUTES.addSignEvent, {
  body: z.strictObject({
    id: Id,
    siteId: Id,
    personId: Id,
    skill: SkillName,
    kind: z.enum(['asked', 'signed', 'withdrawn']),
    until: Day.nullable(),
    note: Text(300),
  }),
  response: SignEventBody,
});
