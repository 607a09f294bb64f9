import { z } from 'zod';
import type { Brew, Order } from './brews';
import { Bytes, endpoint } from './endpoint';
import { ROUTES } from './routes';

/** What every open page of a site is told of: a brew, the queue, or records to be read again. */
export const FEED_KINDS = ['brew', 'queue', 'records', 'table', 'batch'] as const;
export type FeedKind = (typeof FEED_KINDS)[number];

/** What comes down the stream, each under the name of its kind; the number of an event is its id. */
export type LiveEvent =
  | { readonly kind: 'hello'; readonly now: number; readonly seq: number }
  | { readonly kind: 'brew'; readonly brew: Brew }
  | { readonly kind: 'queue'; readonly orders: readonly Order[] }
  | { readonly kind: 'records' }
  /** Something happened at a tasting. */
  | { readonly kind: 'table'; readonly id: string }
  /** Something happened to what is cold: a batch, or a reading of the fridge. */
  | { readonly kind: 'batch'; readonly id: string }
  /** Too much was missed to tell it one by one: read the bar again. */
  | { readonly kind: 'reread'; readonly seq: number };

/** A stream of server-sent events; `after` as `Last-Event-ID`, for those that cannot send the header. */
export const getLive = endpoint(ROUTES.getLive, {
  query: z.strictObject({ after: z.coerce.number().int().min(0).optional() }),
  response: Bytes,
});
