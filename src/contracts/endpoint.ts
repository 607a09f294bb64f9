import { z } from 'zod';

/** Who may call: anybody, anybody signed in, or from a role upwards. */
export type Access = 'public' | 'trainee' | 'brewer' | 'lead';

export type Endpoint<P extends z.ZodType = z.ZodType, Q extends z.ZodType = z.ZodType, B extends z.ZodType = z.ZodType, R extends z.ZodType = z.ZodType> = {
  readonly method: 'GET' | 'POST' | 'PATCH' | 'DELETE';
  readonly path: string;
  readonly access: Access;
  readonly params: P;
  readonly query: Q;
  readonly body: B;
  readonly response: R;
};

const nothing = z.strictObject({});
type Nothing = typeof nothing;
type Given<P, Q, B, R> = { method: Endpoint['method']; path: string; access: Access; params?: P; query?: Q; body?: B; response: R };

/** A contract is a value: method, path, who may call and schemas in one place, for both sides. */
export function endpoint<R extends z.ZodType, P extends z.ZodType = Nothing, Q extends z.ZodType = Nothing, B extends z.ZodType = Nothing>(
  given: Given<P, Q, B, R>,
): Endpoint<P, Q, B, R> {
  return {
    ...given,
    params: (given.params ?? nothing) as P,
    query: (given.query ?? nothing) as Q,
    body: (given.body ?? nothing) as B,
  };
}

export type BodyOf<E> = E extends { body: infer B extends z.ZodType } ? z.infer<B> : never;
export type QueryOf<E> = E extends { query: infer Q extends z.ZodType } ? z.infer<Q> : never;
export type ResponseOf<E> = E extends { response: infer R extends z.ZodType } ? z.infer<R> : never;

/** The path with its parameters filled in. */
export const pathOf = (e: { path: string }, params: Record<string, string>): string =>
  e.path.replace(/:(\w+)/g, (_all, name: string) => encodeURIComponent(params[name] ?? ''));
