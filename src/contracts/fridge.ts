import { z } from 'zod';
import { fridgeReadingFault } from '#core/cold';
import type { Celsius } from '#core/units';
import { At } from './batchPlan';
import { endpoint } from './endpoint';
import { Id, Instant, quantity, Text } from './primitives';
import { ROUTES } from './routes';

/** How the fridge stood. */
export const FridgeReading = z.strictObject({
  id: Id,
  at: At,
  celsius: quantity<Celsius>({ min: -30, max: 60 }),
  source: z.enum(['typed', 'probe']),
  /** Who typed it, or the probe that sent it. */
  by: z.string(),
});
export type FridgeReading = z.infer<typeof FridgeReading>;
/** A stretch without readings that a lead answered: the warmer reading of both ends holds for it. */
export const FridgeGap = z.strictObject({
  id: Id,
  from: At,
  to: At,
  reason: z.string(),
  at: At,
  by: z.string(),
});
export type FridgeGap = z.infer<typeof FridgeGap>;
export const addFridgeReading = endpoint(ROUTES.addFridgeReading, {
  body: z.strictObject({
    id: Id,
    siteId: Id,
    at: Instant,
    celsius: z.number().superRefine((c, found) => {
      const message = fridgeReadingFault(c);
      if (message) found.addIssue({ code: 'custom', message });
    }),
  }),
  response: FridgeReading,
});
/** What is wrong with one cell of a file of readings. */
const ReadingsFault = z.strictObject({
  row: z.number().int(),
  column: z.string(),
  why: z.string(),
});
export type ReadingsFault = z.infer<typeof ReadingsFault>;
/**
 * Readings from the file of another thermometer: looked at first; added when that is confirmed and nothing is wrong. A
 * second that has a reading already gets no other.
 */
export const takeFridgeReadings = endpoint(ROUTES.takeFridgeReadings, {
  body: z.strictObject({ siteId: Id, text: z.string().max(1_500_000), confirmed: z.boolean() }),
  brings: 'book',
  response: z.strictObject({
    taken: z.boolean(),
    /** Readings that are not here yet, and those that are. */
    fresh: z.number().int(),
    known: z.number().int(),
    from: At.nullable(),
    to: At.nullable(),
    /** The first of them. */
    faults: z.array(ReadingsFault),
    faultCount: z.number().int(),
  }),
});
export type ReadingsTaken = z.infer<typeof takeFridgeReadings.response>;
/** What was it, where nothing was read? A lead answers for the stretch. A repeated id is the same answer. */
export const answerFridgeGap = endpoint(ROUTES.answerFridgeGap, {
  body: z.strictObject({
    id: Id,
    siteId: Id,
    from: Instant,
    to: Instant,
    reason: Text(200).min(1, 'Say what you know.'),
  }),
  response: FridgeGap,
});
