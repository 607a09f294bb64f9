import { z } from 'zod';
import type { Access, Route } from './routes';

/**
 * The most bytes a request may bring. Open: from somebody who has not signed in. Usual: a record. Book: a whole book as
 * JSON. Picture: the bytes of a picture, as they are.
 */
export const MOST_BYTES = { open: 4_000, usual: 100_000, book: 12_000_000, picture: 16_000_000 };
export type Brings = keyof typeof MOST_BYTES;

export type Endpoint<
  P extends z.ZodType = z.ZodType,
  Q extends z.ZodType = z.ZodType,
  B extends z.ZodType = z.ZodType,
  R extends z.ZodType = z.ZodType,
> = {
  readonly method: 'GET' | 'POST' | 'PATCH' | 'DELETE';
  readonly path: string;
  readonly access: Access;
  readonly whenLocked?: true;
  readonly brings: Brings;
  readonly params: P;
  readonly query: Q;
  readonly body: B;
  readonly response: R;
};

/** An answer that is a file or a stream: bytes, not JSON. */
export const Bytes = z.unknown();

const nothing = z.strictObject({});
type Nothing = typeof nothing;
type Given<P, Q, B, R> = {
  params?: P;
  query?: Q;
  body?: B;
  response: R;
  brings?: Brings;
};

/** A contract is a value: its route with its schemas, for both sides. */
export function endpoint<
  R extends z.ZodType,
  P extends z.ZodType = Nothing,
  Q extends z.ZodType = Nothing,
  B extends z.ZodType = Nothing,
>(route: Route, given: Given<P, Q, B, R>): Endpoint<P, Q, B, R> {
  return {
    ...route,
    brings: route.access === 'public' || route.access === 'key' ? 'open' : 'usual',
    ...given,
    params: (given.params ?? nothing) as P,
    query: (given.query ?? nothing) as Q,
    body: (given.body ?? nothing) as B,
  };
}

export type BodyOf<E> = E extends { body: infer B extends z.ZodType } ? z.infer<B> : never;
export type QueryOf<E> = E extends { query: infer Q extends z.ZodType } ? z.infer<Q> : never;
export type ResponseOf<E> = E extends { response: infer R extends z.ZodType } ? z.infer<R> : never;
