import { z } from 'zod';
import type { Millilitres } from '#core/units';
import { endpoint } from './endpoint';
import { Id, Instant, Name, quantity, Text } from './primitives';
import { ROUTES } from './routes';

/** What a program may do at its site. */
export const PROGRAM_RIGHTS = ['orders', 'bar', 'book'] as const;
export type ProgramRight = (typeof PROGRAM_RIGHTS)[number];

/** A program with a key: a till, a screen, a menu. */
export const Program = z.strictObject({
  id: Id,
  siteId: Id,
  name: z.string(),
  rights: z.array(z.enum(PROGRAM_RIGHTS)),
  /** Where it hears that an order is ready; null: it asks. */
  hook: z.string().nullable(),
  made: z.number(),
  madeBy: z.string(),
  /** When its key was used last; null: not yet. */
  used: z.number().nullable(),
  /** Its key opens nothing any more since then. */
  ended: z.number().nullable(),
  /** Messages to its address that wait to be taken, and that were given up. */
  waiting: z.number(),
  lost: z.number(),
});
export type Program = z.infer<typeof Program>;

export const listPrograms = endpoint(ROUTES.listPrograms, {
  response: z.strictObject({ programs: z.array(Program) }),
});
/** Key and secret are said in this answer and never again; sent again, the answer has none. */
export const addProgram = endpoint(ROUTES.addProgram, {
  body: z.strictObject({
    id: Id,
    siteId: Id,
    name: Name,
    rights: z.array(z.enum(PROGRAM_RIGHTS)).min(1, 'Choose what it may do.'),
    hook: z
      .url({ protocol: /^https?$/, error: 'An address begins with http:// or https://.' })
      .max(300)
      .nullable(),
  }),
  response: z.strictObject({
    program: Program,
    key: z.string().nullable(),
    /** Signs what is sent to its address. */
    secret: z.string().nullable(),
  }),
});
export const endProgram = endpoint(ROUTES.endProgram, {
  params: z.strictObject({ id: Id }),
  response: Program,
});

/** The teas that can be ordered at the site. */
export const readProgramBook = endpoint(ROUTES.readProgramBook, {
  response: z.strictObject({
    teas: z.array(
      z.strictObject({ id: Id, name: z.string(), style: z.string(), allergens: z.string() }),
    ),
  }),
});
/** What is brewing at the site, and how many wait. */
export const readProgramBar = endpoint(ROUTES.readProgramBar, {
  response: z.strictObject({
    now: z.number(),
    brews: z.array(
      z.strictObject({
        id: Id,
        tea: z.string(),
        place: z.number().int(),
        state: z.string(),
        /** When its steep is best ended; null: the water is not on yet. */
        ready: z.number().nullable(),
      }),
    ),
    waiting: z.number(),
  }),
});

export const PROGRAM_ORDER_STATES = ['waiting', 'brewing', 'ready', 'dropped'] as const;
export const ProgramOrder = z.strictObject({
  id: Id,
  teaId: Id,
  forWhom: z.string(),
  at: z.number(),
  state: z.enum(PROGRAM_ORDER_STATES),
  /** When its steep was ended. */
  ready: z.number().nullable(),
});
export type ProgramOrder = z.infer<typeof ProgramOrder>;
/** Puts an order up next. A repeated id is the same order. */
export const addProgramOrder = endpoint(ROUTES.addProgramOrder, {
  body: z.strictObject({
    id: Id,
    teaId: Id,
    /** Null: as the bar decides. */
    water: quantity<Millilitres>({ min: 1, max: 20_000 }).nullable().default(null),
    forWhom: Text(60),
    at: Instant.optional(),
  }),
  response: ProgramOrder,
});
/** The program's own orders of the last day, the newest first. */
export const listProgramOrders = endpoint(ROUTES.listProgramOrders, {
  response: z.strictObject({ orders: z.array(ProgramOrder) }),
});

/** What is sent to a program's address when an order is ready. */
export const ReadyMessage = z.strictObject({
  id: Id,
  event: z.literal('order.ready'),
  at: z.number(),
  order: ProgramOrder,
});
export type ReadyMessage = z.infer<typeof ReadyMessage>;
