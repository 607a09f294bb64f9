import type { BrewState } from '#core/brews';
import type { BrewRow } from './queries';

// How a brew's state lies in its row, and how a row is put back.

/** The columns a state is kept in. */
export function columnsOf(state: BrewState) {
  const waterOn = 'waterOn' in state ? new Date(state.waterOn) : undefined;
  const pulled = 'pulled' in state ? new Date(state.pulled) : null;
  const ended =
    state.kind === 'judged'
      ? new Date(state.judged)
      : state.kind === 'abandoned'
        ? new Date(state.at)
        : null;
  return {
    state: state.kind,
    open: state.kind !== 'judged' && state.kind !== 'abandoned',
    ...(waterOn ? { waterOn } : {}),
    ...(state.kind === 'abandoned' ? {} : { pulled }),
    ended,
  };
}

const DATES = ['waterOn', 'pulled', 'ended'] as const;
/** What an event can change of a brew, as it is: kept with the event, to take it back with. */
export function snapshotOf(b: BrewRow) {
  const {
    state,
    open,
    waterOn,
    pulled,
    pulledBy,
    pulledDevice,
    ended,
    judgedBy,
    timing,
    error,
    crowded,
    plan,
    marks,
    readings,
    verdictKind,
    verdict,
    proposal,
    accepted,
    correction,
    remark,
    pairedId,
  } = b;
  return {
    state,
    open,
    waterOn,
    pulled,
    pulledBy,
    pulledDevice,
    ended,
    judgedBy,
    timing,
    error,
    crowded,
    plan,
    marks,
    readings,
    verdictKind,
    verdict,
    proposal,
    accepted,
    correction,
    remark,
    pairedId,
  };
}
/** A snapshot as it was kept, in JSON, as columns again. */
export const restored = (kept: Record<string, unknown>) =>
  Object.fromEntries(
    Object.entries(kept).map(([k, v]) => [
      k,
      v !== null && (DATES as readonly string[]).includes(k) ? new Date(v as string) : v,
    ]),
  ) as ReturnType<typeof snapshotOf>;
