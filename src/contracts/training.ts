import { z } from 'zod';
import {
  EXERCISE_KINDS,
  type ExerciseKind,
  LEAF_LESSON_IDS,
  type LeafLessonId,
} from '#core/tastings';
import {
  COURSE_IDS,
  type CourseId,
  type CourseLists,
  type Drill,
  DRILL_NAMES,
  LESSON_IDS,
  type LessonId,
  lessonsTwice,
  LOOKED_AT_NAMES,
  type LookedAt,
  type Seen,
  type Skill,
  SKILL_NAMES,
  SPOONS_WEIGHED,
  type TableDone,
} from '#core/training';
import type { Grams } from '#core/units';
import { DrillTaskBody } from './drillTasks';
import { Bytes, endpoint } from './endpoint';
import { Person, Role } from './people';
import { Id, Instant, oneOf, quantity, Text, Who } from './primitives';
import { SpoonId } from './recipes';
import { ROUTES } from './routes';

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

/** What was seen in the shop itself: so many of the last so many were good. */
const SeenBody = z.strictObject({
  of: oneOf<LookedAt>(LOOKED_AT_NAMES),
  good: z.number().int().min(0),
  n: z.number().int().min(1),
  holds: z.boolean(),
}) satisfies z.ZodType<Seen>;
/** A table that was revealed, as one person had part in it. */
const TableDoneBody = z.strictObject({
  id: Id,
  day: Day,
  kind: oneOf<ExerciseKind>(EXERCISE_KINDS),
  lesson: oneOf<LeafLessonId>(LEAF_LESSON_IDS).nullable(),
  led: z.boolean(),
  sat: z.boolean(),
}) satisfies z.ZodType<TableDone>;
/** What one person answered, what was seen in the shop, and what was signed. */
const Practice = z.strictObject({
  person: z.strictObject({ ...Who.shape, role: Role }),
  answers: z.array(DrillAnswer),
  seen: z.array(SeenBody),
  /** The last tables first. */
  tables: z.array(TableDoneBody),
  signs: z.array(SignEventBody),
});
export type Practice = z.infer<typeof Practice>;
const LessonList = z.array(oneOf<LessonId>(LESSON_IDS)).readonly();
/** What a house teaches, in which order, and what a trainee is signed for before becoming a brewer. */
export const SchoolSettings = z.strictObject({
  courses: z
    .record(oneOf<CourseId>(COURSE_IDS), LessonList)
    .refine((lists) => lessonsTwice(lists).length === 0, 'Each lesson can be in one course only.'),
  brewerSkills: z.array(SkillName).min(1, 'Choose at least one skill.'),
}) satisfies z.ZodType<{ courses: CourseLists; brewerSkills: Skill[] }>;
export type SchoolSettings = z.infer<typeof SchoolSettings>;
export const getTraining = endpoint(ROUTES.getTraining, {
  response: Practice.extend({
    school: SchoolSettings,
    /** From the first to the last drop of a pot at this site, as its tables found it; null: none tasted it yet. */
    potGradient: z.number().min(0).max(1.9).nullable(),
  }),
});
/** By a lead, for the whole house. */
export const setSchool = endpoint(ROUTES.setSchool, {
  body: SchoolSettings,
  response: SchoolSettings,
});
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
/** Everything that one person answered and what was signed, as a table; its person and leads of the site read it. */
export const exportTraining = endpoint(ROUTES.exportTraining, {
  params: z.strictObject({ personId: Id }),
  response: Bytes,
});
/** The same on a page. */
export const printTraining = endpoint(ROUTES.printTraining, {
  params: z.strictObject({ personId: Id }),
  response: Bytes,
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
/** Spoons of one tea that somebody weighed one by one. */
export const SpoonWeighing = z.strictObject({
  id: Id,
  at: Instant,
  teaId: Id,
  spoon: SpoonId,
  singles: z
    .array(quantity<Grams>({ min: 0.05, max: 200 }))
    .min(SPOONS_WEIGHED)
    .max(12),
});
export type SpoonWeighing = z.infer<typeof SpoonWeighing>;
/** A repeated id is the same weighing. */
export const addSpoonWeighing = endpoint(ROUTES.addSpoonWeighing, {
  body: SpoonWeighing.extend({ siteId: Id }),
  response: SpoonWeighing,
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
/** A trainee whose skills are signed becomes a brewer. Sent again, nothing more happens. */
export const makeBrewer = endpoint(ROUTES.makeBrewer, {
  params: z.strictObject({ personId: Id }),
  body: z.strictObject({}),
  response: Person,
});
/** Of somebody who is no longer here: sign-offs are deleted, answers stay without person, site and hour. */
export const removeTraining = endpoint(ROUTES.removeTraining, {
  params: z.strictObject({ personId: Id }),
  response: z.strictObject({ answers: z.number().int().min(0), signs: z.number().int().min(0) }),
});
