import type { BrewState } from '#core/brews';
import type { BrewRow } from './repository';

// How a brew's state lies in its row, and how a row is put back.

/** When a brew left the bar; null while it is there. */
function endOf(state: BrewState): Date | null {
  if (state.kind === 'judged') return new Date(state.judged);
  return state.kind === 'abandoned' ? new Date(state.at) : null;
}
/** Since when the leaf is out to be tasted, or was when the steep was ended. */
function leafOutOf(state: BrewState): Date | null {
  if (state.kind === 'tasting') return new Date(state.out);
  return state.kind === 'pulled' && state.wasTasting ? new Date(state.pulled) : null;
}
/** The columns a state is kept in. */
export function columnsOf(state: BrewState) {
  const waterOn = 'waterOn' in state ? new Date(state.waterOn) : undefined;
  const pulled = 'pulled' in state ? new Date(state.pulled) : null;
  return {
    leafOut: leafOutOf(state),
    state: state.kind,
    open: state.kind !== 'judged' && state.kind !== 'abandoned',
    ...(waterOn ? { waterOn } : {}),
    ...(state.kind === 'abandoned' ? {} : { pulled }),
    ended: endOf(state),
  };
}

const DATES = ['waterOn', 'leafOut', 'pulled', 'ended'] as const;
/** The columns an event can change. */
const CHANGED_BY_EVENTS = [
  'state',
  'open',
  ...DATES,
  'pulledBy',
  'pulledDevice',
  'judgedBy',
  'timing',
  'seen',
  'error',
  'crowded',
  'plan',
  'marks',
  'readings',
  'outs',
  'tastes',
  'pours',
  'verdictKind',
  'verdict',
  'proposal',
  'accepted',
  'correction',
  'remark',
  'observed',
  'pairedId',
] as const satisfies readonly (keyof BrewRow)[];
type Snapshot = Pick<BrewRow, (typeof CHANGED_BY_EVENTS)[number]>;
/** What an event can change of a brew, as it is: kept with the event, to take it back with. */
export const snapshotOf = (row: BrewRow): Snapshot =>
  Object.fromEntries(CHANGED_BY_EVENTS.map((column) => [column, row[column]])) as Snapshot;
/** A snapshot as it was kept, in JSON, as columns again. */
export const restored = (kept: Record<string, unknown>) =>
  Object.fromEntries(
    Object.entries(kept).map(([k, v]) => [
      k,
      v !== null && (DATES as readonly string[]).includes(k) ? new Date(v as string) : v,
    ]),
  ) as Snapshot;
