import { useSearchParams } from 'react-router';
import type { LogFilters } from '#contracts/log';

// The filters live in the address, so that a view can be sent to somebody, gone back to, and exported.

const NAMES = {
  site: 'siteId',
  tea: 'teaId',
  lot: 'lotId',
  vessel: 'vesselId',
  by: 'personId',
  method: 'method',
  verdict: 'verdict',
  pull: 'pull',
  correction: 'correction',
  noted: 'noted',
} as const;

/** Midnight of a day as this device has it, ms; null when it is no day. */
export function dayStart(day: string | null): number | null {
  if (!day || !/^\d{4}-\d\d-\d\d$/.test(day)) return null;
  const at = new Date(`${day}T00:00:00`).getTime();
  return Number.isFinite(at) ? at : null;
}
/** Midnight of the day after: a day has 23 or 25 hours when the clocks change. */
const dayEnd = (day: string): number => {
  const d = new Date(`${day}T00:00:00`);
  return new Date(d.getFullYear(), d.getMonth(), d.getDate() + 1).getTime();
};
export const dayName = (at: number): string => {
  const d = new Date(at);
  return `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;
};

/** What an address asks of the log; `here` is the site where it names none. `until` counts its whole day. */
export function filtersFrom(params: URLSearchParams, here: string): LogFilters {
  const found: Record<string, unknown> = { siteId: here };
  for (const [short, name] of Object.entries(NAMES)) {
    const v = params.get(short);
    if (v) found[name] = v;
  }
  if (params.get('site') === 'all') delete found.siteId;
  const until = params.get('until');
  const from = dayStart(params.get('since'));
  if (from !== null) found.from = from;
  if (until !== null && dayStart(until) !== null) found.to = dayEnd(until);
  return found as LogFilters;
}
/** As the server reads it. */
export const queryOf = (filters: LogFilters): string =>
  new URLSearchParams(
    Object.entries(filters).flatMap(([k, v]) => (v === undefined ? [] : [[k, String(v)]])),
  ).toString();

/** What the address says, by its short names, and how to change it; an empty value takes a name out. */
export function useAddress() {
  const [params, setParams] = useSearchParams();
  return {
    params,
    of: (name: string): string => params.get(name) ?? '',
    set: (over: Record<string, string>): void =>
      setParams(
        (p) => {
          const next = new URLSearchParams(p);
          for (const [name, value] of Object.entries(over)) {
            if (value) next.set(name, value);
            else next.delete(name);
          }
          return next;
        },
        { replace: true },
      ),
    clear: (): void => setParams({}, { replace: true }),
  };
}
export type Address = ReturnType<typeof useAddress>;
export type PickChoice = { readonly value: string; readonly text: string };
/** The words of a choice; of the first where none is chosen. */
export const wordsOf = (list: readonly PickChoice[], value: string): string =>
  list.find((c) => c.value === value)?.text ?? list[0]?.text ?? '';
export const DAY_MS = 86_400_000;
