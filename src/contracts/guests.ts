import { z } from 'zod';
import { endpoint } from './endpoint';
import { Id, Instant, Text } from './primitives';
import { ROUTES } from './routes';
import { BlindTasting, Code, SheetBody, TastingView } from './tastings';

/** The code for guests, good for an hour from now: a new one, and those who sit there stay. */
export const openForGuests = endpoint(ROUTES.openForGuests, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({}),
  response: TastingView,
});

/** A code as it is read out: capitals and figures that nobody mixes up. */
const GuestCode = z
  .string()
  .trim()
  .toUpperCase()
  .regex(/^[A-HJ-NP-Z2-9]{6}$/, 'A code has six letters or figures.');
/** What a guest sees: a name, bowls in an order, and nothing of how the cups were made. */
const GuestSheet = BlindTasting.pick({
  ...{ kind: true, way: true, asks: true, compares: true, stage: true },
  ...{ codes: true, out: true, sheets: true, order: true, choice: true, handedIn: true },
}).extend({
  tastingId: Id,
  seat: z.strictObject({ id: Id, name: z.string() }),
  /** Until when the guest may write. */
  until: z.number(),
  tea: z.strictObject({ name: z.string() }),
  /** The house's words for teas. */
  words: z.array(z.string()).readonly(),
  /** What to ask before tasting; empty: none is named. */
  allergens: z.string(),
});
export type GuestSheet = z.infer<typeof GuestSheet>;
/** A guest sits down by the code of a table and a name; the pass is shown with whatever follows. */
export const joinAsGuest = endpoint(ROUTES.joinAsGuest, {
  body: z.strictObject({
    code: GuestCode,
    name: Text(30).min(1, 'Type your name, or any word to be called by.'),
  }),
  response: z.strictObject({ pass: z.string(), sheet: GuestSheet }),
});
export const getGuestSheet = endpoint(ROUTES.getGuestSheet, { response: GuestSheet });
const GuestActBody = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('keep'), code: Code, sheet: SheetBody }),
  z.strictObject({
    kind: z.literal('handIn'),
    order: z.array(Code).max(12).readonly().nullable(),
    choice: Code.nullable(),
  }),
]);
export type GuestAct = z.infer<typeof GuestActBody>;
/** One thing a guest wrote. A repeated id gets the sheet as it is now. */
export const addGuestEvent = endpoint(ROUTES.addGuestEvent, {
  body: z.strictObject({ id: Id, at: Instant, act: GuestActBody }),
  response: GuestSheet,
});
