import { type BaseQueryFn, createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { ErrorBody } from '#contracts/errors';
import { fetchEarly } from './earlyRequests';
import { diskTold } from './serverState';

/** Every failure is one of these: the server's own words, or no answer at all. */
export type ApiFailure =
  (ErrorBody & { kind: 'answer'; status: number }) | { kind: 'away'; message: string };
export type Call = {
  url: string;
  method?: string;
  body?: unknown;
  params?: Record<string, string | undefined>;
  headers?: Record<string, string>;
};

const raw = fetchBaseQuery({
  baseUrl: '/',
  credentials: 'same-origin',
  timeout: 8000,
  fetchFn: fetchEarly,
});
const diskLeftIn = (headers: Headers): number | null => {
  const left = headers.get('x-limnos-disk-left');
  return left === null ? null : Number(left);
};
const AWAY = 'No connection to the house’s server.';

const baseQuery: BaseQueryFn<Call, unknown, ApiFailure> = async (call, api, extra) => {
  const answer = await raw(call, api, extra);
  const headers = answer.meta?.response?.headers;
  if (headers) api.dispatch(diskTold(diskLeftIn(headers)));
  if (!answer.error) return { data: answer.data };
  const { status, data } = answer.error;
  if (typeof status === 'number' && data && typeof data === 'object' && 'code' in data)
    return { error: { kind: 'answer', status, ...(data as ErrorBody) } };
  return { error: { kind: 'away', message: AWAY } };
};

/** What a query provides and a mutation makes stale. */
export const TAGS = [
  'House',
  'Book',
  'Shelf',
  'Bar',
  'Log',
  'People',
  'History',
  'Imports',
  'Table',
  'Cold',
  'Training',
  'Backups',
  'Devices',
  'Programs',
  'Printers',
] as const;
export type Tag = (typeof TAGS)[number];
/** One API; each entity injects its endpoints. */
export const api = createApi({
  baseQuery,
  tagTypes: TAGS,
  endpoints: () => ({}),
  refetchOnReconnect: true,
});

/** The failure of a query or mutation, whatever threw it. */
export const failureOf = (error: unknown): ApiFailure =>
  error && typeof error === 'object' && 'kind' in error
    ? (error as ApiFailure)
    : { kind: 'away', message: AWAY };
/** The server has answered that there is no such record. */
export const isMissing = (error: unknown): boolean => {
  const failure = error ? failureOf(error) : null;
  return failure?.kind === 'answer' && failure.status === 404;
};
/** Faults by field, for a form. */
export const fieldFaults = (error: unknown): Record<string, string> => {
  const f = failureOf(error);
  return f.kind === 'answer' ? (f.fields ?? {}) : {};
};

/** A request that is on its way, as the store gives it out. */
type Running = PromiseLike<unknown> & { abort: () => void; refetch: () => unknown };
/**
 * Before the answer to a write takes its place: what is being read may not know of the write, so it is given up, and
 * asked for again, because it may bring what others did.
 */
export function readAgain(running: Running | undefined): void {
  if (!running) return;
  running.abort();
  void running.then(() => running.refetch());
}
