import { type SiteDate, wallMoment, type Zone } from '#core/time';
import { type EpochMs, epochMs } from '#core/units';
import { type BatchNow, windowOf } from './batch';
import { labelTime } from './keeping';
import type { BatchPlan } from './planBatch';

export const CALENDAR_STATUSES = ['tentative', 'confirmed', 'cancelled'] as const;
type CalendarStatus = (typeof CALENDAR_STATUSES)[number];

/** One thing to do for a batch, as a calendar shows it. */
export type CalendarEntry = {
  /** The same for ever, whatever moves. */
  readonly uid: string;
  readonly from: EpochMs;
  readonly to: EpochMs;
  /** When a calendar may ring; null: it should not. */
  readonly alarm: EpochMs | null;
  readonly status: CalendarStatus;
  /** What to do, with tea and vessel; no person's name: calendars are shared. */
  readonly summary: string;
};
/** An entry as it was said: how often it moved, and when last. */
export type SaidEntry = CalendarEntry & { readonly sequence: number; readonly changed: EpochMs };

/** A batch whose leaf is in, or was. */
export type CalendarBatch = {
  readonly id: string;
  readonly tea: { readonly name: string };
  readonly vesselName: string;
  readonly leafIn: EpochMs;
  readonly plan: BatchPlan;
  readonly now: BatchNow;
  readonly discardAt: EpochMs;
};
/** A batch that is to be begun. */
export type CalendarPlanned = {
  readonly id: string;
  readonly tea: { readonly name: string };
  readonly vesselName: string;
  readonly start: EpochMs;
  readonly lift: EpochMs;
};

const MINUTE_MS = 60_000;
/** Things that take no time of their own are shown so long. */
const SHOWN_MS = 15 * MINUTE_MS;
const HOUR_MS = 60 * MINUTE_MS;
/** What was called off is said so long, that calendars which look seldom hear of it. */
export const CANCELLED_SAID_MS = 14 * 24 * HOUR_MS;

const uidOf = (batchId: string, what: 'leaf-in' | 'lift' | 'discard') =>
  `${batchId}-${what}@limnos`;
type Named = { readonly tea: { readonly name: string }; readonly vesselName: string };
const summaryOf = (what: string, { tea, vesselName }: Named) =>
  `${what} ${tea.name}, ${vesselName}`;
const shortFrom = (at: EpochMs) => ({ from: at, to: epochMs(at + SHOWN_MS) });

/** Leaf in and lift of a batch that is to be begun. */
function plannedEntries(b: CalendarPlanned): CalendarEntry[] {
  return [
    {
      uid: uidOf(b.id, 'leaf-in'),
      ...shortFrom(b.start),
      alarm: b.start,
      status: 'tentative',
      summary: summaryOf('Start', b),
    },
    {
      uid: uidOf(b.id, 'lift'),
      ...shortFrom(b.lift),
      alarm: b.lift,
      status: 'tentative',
      summary: summaryOf('Lift', b),
    },
  ];
}

/** How sure each hand of a batch is: still to come, done, or called off. */
function statusesOf({ state, ledger }: BatchNow): {
  lift: CalendarStatus;
  discard: CalendarStatus;
} {
  switch (state.kind) {
    case 'infusing':
      return { lift: 'confirmed', discard: 'tentative' };
    case 'drawn':
      return { lift: 'confirmed', discard: 'confirmed' };
    case 'finished':
    case 'discarded':
      return { lift: ledger.yield > 0 ? 'confirmed' : 'cancelled', discard: 'cancelled' };
    case 'cancelled':
    case 'void':
      return { lift: 'cancelled', discard: 'cancelled' };
  }
}
/** Lift and discard of a batch that was begun; its leaf-in too where the calendar had it planned. */
function batchEntries(b: CalendarBatch, said: ReadonlySet<string>): CalendarEntry[] {
  const { earliest, best, latest } = windowOf(b.plan.window, b.leafIn);
  const statuses = statusesOf(b.now);
  const out = labelTime(b.discardAt);
  const never = b.now.state.kind === 'cancelled' || b.now.state.kind === 'void';
  const leafIn: CalendarEntry = {
    uid: uidOf(b.id, 'leaf-in'),
    ...shortFrom(b.leafIn),
    alarm: null,
    status: never ? 'cancelled' : 'confirmed',
    summary: summaryOf('Start', b),
  };
  return [
    ...(said.has(leafIn.uid) ? [leafIn] : []),
    {
      uid: uidOf(b.id, 'lift'),
      from: earliest,
      to: latest,
      alarm: best,
      status: statuses.lift,
      summary: summaryOf('Lift', b),
    },
    {
      uid: uidOf(b.id, 'discard'),
      ...shortFrom(out),
      alarm: epochMs(out - HOUR_MS),
      status: statuses.discard,
      summary: summaryOf('Throw out', b),
    },
  ];
}

/** A water filter is changed in the morning, before the first pot. */
const FILTER_TIME = '09:00';
/** The day a site's water filter is due; it moves when the filter is changed. */
export const filterEntry = (site: {
  readonly id: string;
  readonly zone: Zone;
  readonly due: SiteDate;
}): CalendarEntry => {
  const { at } = wallMoment(site.zone, site.due, FILTER_TIME);
  return {
    uid: `${site.id}-filter@limnos`,
    ...shortFrom(at),
    ...{ alarm: at, status: 'confirmed', summary: 'Change the water filter' },
  };
};

/** What a site's calendar has to say of its batches. `said`: the ids it has said before. */
export const calendarOf = (
  batches: readonly CalendarBatch[],
  planned: readonly CalendarPlanned[],
  said: ReadonlySet<string>,
): CalendarEntry[] => [
  ...batches.flatMap((b) => batchEntries(b, said)),
  ...planned.filter((p) => !batches.some((b) => b.id === p.id)).flatMap(plannedEntries),
];

const moved = (a: CalendarEntry, b: CalendarEntry) =>
  a.from !== b.from || a.to !== b.to || a.status !== b.status || a.summary !== b.summary;

/**
 * What the calendar says now, over what it said before: an entry that moved is one sequence newer, one that is gone is
 * called off, and is forgotten a fortnight later (RFC 5545, 3.8.7.4).
 */
export function saidNow(
  entries: readonly CalendarEntry[],
  before: readonly SaidEntry[],
  now: EpochMs,
): SaidEntry[] {
  const old = new Map(before.map((e) => [e.uid, e]));
  const there = new Set(entries.map((e) => e.uid));
  const current = entries.flatMap((e): SaidEntry[] => {
    const last = old.get(e.uid);
    if (!last) return e.status === 'cancelled' ? [] : [{ ...e, sequence: 0, changed: now }];
    if (!moved(last, e)) return [{ ...last, alarm: e.alarm }];
    return [{ ...e, sequence: last.sequence + 1, changed: now }];
  });
  const gone = before
    .filter((e) => !there.has(e.uid))
    // What is long over was not called off: it is only no longer looked at.
    .filter((e) => e.status === 'cancelled' || e.to > now)
    .map((e): SaidEntry =>
      e.status === 'cancelled'
        ? e
        : { ...e, alarm: null, status: 'cancelled', sequence: e.sequence + 1, changed: now },
    );
  return [...current, ...gone].filter(
    (e) => e.status !== 'cancelled' || e.changed > now - CANCELLED_SAID_MS,
  );
}
