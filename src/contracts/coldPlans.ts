import { z } from 'zod';
import { type Method, METHOD_NAMES } from '#core/recipes';
import type { Millilitres } from '#core/units';
import { At, Poured } from './batchPlan';
import { endpoint } from './endpoint';
import { Id, Instant, oneOf, quantity } from './primitives';
import { ROUTES } from './routes';

const Glasses = z.number().int().min(0).max(2000);
const Day = z.iso.date();
/** What is wanted of one cold tea, in glasses, service by service. */
export const ColdDemand = z.strictObject({
  teaId: Id,
  method: oneOf<Method>(METHOD_NAMES),
  glass: quantity<Millilitres>({ min: 20, max: 1000 }),
  /** Of each weekday, Monday first. */
  week: z.array(z.array(Glasses).max(12)).length(7),
  /** Days that are otherwise. */
  days: z.record(Day, z.array(Glasses).max(12)),
});
export type ColdDemand = z.infer<typeof ColdDemand>;
/** A batch that is to be begun: by the planner, or put there by hand, and then it stays when all else is planned again. */
export const PlannedCold = z.strictObject({
  id: Id,
  teaId: Id,
  method: oneOf<Method>(METHOD_NAMES),
  vesselId: Id,
  water: Poured,
  glasses: z.number().int().min(1).max(1000),
  start: Instant,
  lift: Instant,
  /** Poured until then; null: for nobody. */
  until: Instant.nullable(),
  pinned: z.boolean(),
});
export type PlannedCold = z.infer<typeof PlannedCold>;
/** A pitcher that a plan is to leave free for a while. */
const LeftFree = z.strictObject({ vesselId: Id, from: Instant, to: Instant });
export type LeftFree = z.infer<typeof LeftFree>;
const ColdPlanFields = {
  demand: z.array(ColdDemand).max(40),
  batches: z.array(PlannedCold).max(300),
  /** Pitchers the fridge has room for; null: as many as there are. */
  places: z.number().int().min(0).max(500).nullable(),
  leftFree: z.array(LeftFree).max(100).default([]),
};
/** What a site wants of its cold teas, and the batches it means to begin for it. */
export const ColdPlan = z.strictObject({
  ...ColdPlanFields,
  rev: z.number().int(),
  changed: z.strictObject({ at: At, by: z.string() }).nullable(),
});
export type ColdPlan = z.infer<typeof ColdPlan>;
/** Glasses that were poured of a tea, for what is learnt from them. */
export const ColdPoured = z.strictObject({
  teaId: Id,
  method: oneOf<Method>(METHOD_NAMES),
  at: At,
  glasses: z.number().int(),
});
export type ColdPoured = z.infer<typeof ColdPoured>;
export const getColdPlan = endpoint(ROUTES.getColdPlan, {
  response: z.strictObject({ plan: ColdPlan, poured: z.array(ColdPoured) }),
});
export type ColdPlanAnswer = z.infer<typeof getColdPlan.response>;
/** Kept over the revision it was made from; two at once: the second sees both. */
export const changeColdPlan = endpoint(ROUTES.changeColdPlan, {
  body: z.strictObject({ ...ColdPlanFields, rev: z.number().int().min(0) }),
  response: ColdPlan,
});
