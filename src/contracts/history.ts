import { z } from 'zod';
import { endpoint } from './endpoint';
import { Id, Who } from './primitives';
import { ROUTES } from './routes';

/** What a lead can change, and whose changes are kept. */
export const THINGS = [
  'tea',
  'lot',
  'vessel',
  'spoon',
  'kettle',
  'site',
  'probe',
  'person',
  'house',
  'device',
  'program',
  'printer',
] as const;
export type Thing = (typeof THINGS)[number];

/** One field of any record, before and after, whatever its kind; null where there was nothing. */
const Line = z.strictObject({ field: z.string(), before: z.unknown(), after: z.unknown() });
export const Change = z.strictObject({ id: Id, at: z.number(), by: Who, lines: z.array(Line) });
export type Change = z.infer<typeof Change>;

export const getHistory = endpoint(ROUTES.getHistory, {
  params: z.strictObject({ thing: z.enum(THINGS), id: z.string().max(36) }),
  response: z.strictObject({ changes: z.array(Change) }),
});
