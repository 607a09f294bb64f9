import { z } from 'zod';
import type { Grams } from '#core/units';
import { endpoint } from './endpoint';
import { Id, Instant, quantity, Who } from './primitives';
import { ROUTES } from './routes';

/** No lot of a shop is heavier, g. */
const Leaf = quantity<Grams>({ min: 0, max: 200_000 });
/** Three letters of a currency (ISO 4217). */
export const Currency = z
  .string()
  .regex(/^[A-Z]{3}$/, 'Three capital letters, for instance EUR or GBP.');
/** What 100 g of a lot cost. */
export const LeafPrice = z.strictObject({
  per100g: z.number('Write the price as a number.').min(0, 'A price is 0 or more.').max(100_000),
  currency: Currency,
});
export type LeafPrice = z.infer<typeof LeafPrice>;

/** The leaf of one lot that is not finished: what was counted, what was taken since, how fast its tea goes. */
export const LotStock = z.strictObject({
  lotId: Id,
  teaId: Id,
  counted: z.strictObject({ grams: Leaf, at: z.number(), by: Who }).nullable(),
  /** Since the count, by the log, cold batches and pockets. */
  used: quantity<Grams>({ min: 0, max: 10_000_000 }),
  /** Of the tea, in the last days; null: too little is known. */
  perDay: quantity<Grams>({ min: 0, max: 10_000_000 }).nullable(),
  price: LeafPrice.nullable(),
});
export type LotStock = z.infer<typeof LotStock>;

export const MOST_POCKETS = 500;
const Count = z.number().int('Whole pockets.').max(MOST_POCKETS, `At most ${MOST_POCKETS}.`);
/** Bags or pockets that were filled ahead, and how many of them are left. */
export const Pockets = z.strictObject({
  id: Id,
  siteId: Id,
  teaId: Id,
  lotId: Id.nullable(),
  /** In each, g. */
  grams: quantity<Grams>({ min: 0.1, max: 50 }),
  filled: Count.min(1),
  left: Count.min(0),
  at: z.number(),
  by: Who,
  rev: z.number().int(),
});
export type Pockets = z.infer<typeof Pockets>;

export const getStock = endpoint(ROUTES.getStock, {
  response: z.strictObject({ lots: z.array(LotStock), pockets: z.array(Pockets) }),
});
/** What is there of a lot at one moment; an older count than the one that is kept changes nothing. */
export const countLot = endpoint(ROUTES.countLot, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ grams: Leaf, at: Instant }),
  response: LotStock,
});
/** Null: it has no price any more. */
export const priceLot = endpoint(ROUTES.priceLot, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ price: LeafPrice.nullable() }),
  response: LotStock,
});
/** Pockets are filled ahead. A repeated id is the same filling. */
export const fillPockets = endpoint(ROUTES.fillPockets, {
  body: z.strictObject({
    id: Id,
    siteId: Id,
    teaId: Id,
    grams: quantity<Grams>({ min: 0.1, max: 50 }),
    filled: Count.min(1, 'At least one.'),
  }),
  response: Pockets,
});
/** How many are left, by eye. */
export const countPockets = endpoint(ROUTES.countPockets, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ left: Count.min(0, 'None is the fewest.'), rev: z.number().int() }),
  response: Pockets,
});
