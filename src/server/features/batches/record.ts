import { unparse } from 'papaparse';
import {
  batchCode,
  DISCARD_REASONS,
  type HouseLimits,
  keptUntil,
  LIMIT_NAMES,
  nowOf,
  placeOf,
  readyAt,
  USUAL_HOUSE_LIMITS,
} from '#core/cold';
import { METHODS } from '#core/recipes';
import { isoAt, type Zone } from '#core/time';
import { epochMs } from '#core/units';
import type { Batch } from '#contracts/batches';
import type { FridgeGap, FridgeReading } from '#contracts/fridge';

/** What a period of a site comes to, as it was found. */
export type ColdPeriod = {
  readonly site: string;
  readonly limits: HouseLimits;
  /** The local food code, as a lead typed it. */
  readonly code: { readonly codeName: string; readonly codeLink: string } | null;
  readonly limitChanges: readonly {
    readonly at: number;
    readonly by: string;
    readonly limits: HouseLimits | null;
  }[];
  readonly from: number;
  readonly to: number;
  readonly batches: readonly Batch[];
  readonly readings: readonly FridgeReading[];
  readonly gaps: readonly FridgeGap[];
};

/** One batch as a row; empty is unknown, never nothing. */
function batchRow(b: Batch, period: ColdPeriod, zone: Zone) {
  const iso = (at: number | null) => (at === null ? '' : isoAt(zone, epochMs(at)));
  const now = nowOf(b);
  const { state, ledger, undone } = now;
  const events = b.events.filter((e) => !undone.has(e.id));
  const lift = events.find((e) => e.kind === 'lift');
  const discard = events.findLast((e) => e.kind === 'discard');
  const last = events.findLast(
    (e) => e.kind === 'pour' || e.kind === 'discard' || e.kind === 'count',
  );
  const ended = 'at' in state ? state.at : null;
  const lifted = lift?.at ?? null;
  const kept = keptUntil(b, now, period, period.limits);
  const ready =
    lifted === null ? null : readyAt(b.plan, { kind: 'drawn', leafIn: b.leafIn, lifted });
  return {
    code: batchCode(b.id),
    id: b.id,
    site: period.site,
    tea: b.tea.name,
    lot: b.lot?.name ?? '',
    version: b.versionNumber,
    method: METHODS[b.plan.method].label,
    vessel: b.vesselName,
    where: placeOf(b.plan, now),
    waterMl: b.plan.water,
    leafGrams: b.plan.leaf,
    leafIn: iso(b.leafIn),
    lifted: iso(lifted),
    yieldMl: lift ? Math.round(ledger.yield) : '',
    readyAt: iso(ready),
    discardAt: iso(kept.discardAt),
    because: kept.because,
    endedAt: iso(ended),
    end: ended === null ? '' : state.kind,
    discardedMl: Math.round(ledger.discarded),
    reason: discard ? DISCARD_REASONS[discard.reason] : '',
    warmMinutes: kept.warmMinutes,
    coldAt: iso(kept.coldAt),
    keepHours: b.plan.keeping.keepHours,
    limitC: b.plan.keeping.limit,
    madeBy: b.startedBy.name,
    liftedBy: lift?.by ?? '',
    endedBy: ended === null ? '' : (last?.by ?? ''),
    flags: events.flatMap((e) => (e.flag === null ? [] : [e.flag])).join('; '),
  };
}
/** What a lead said of the stretch without readings that this one ended. */
const answerTo = (r: FridgeReading, gaps: readonly FridgeGap[]): string =>
  gaps
    .filter((g) => g.to === r.at)
    .map((g) => `no reading before: ${g.reason} (${g.by})`)
    .join('; ');
const temperatureRow = (r: FridgeReading, { site, gaps }: ColdPeriod, zone: Zone) => ({
  at: isoAt(zone, epochMs(r.at)),
  site,
  fridge: 'fridge',
  celsius: r.celsius,
  source: r.source,
  by: r.by,
  note: answerTo(r, gaps),
});
/** Every event of the period's batches, those that were taken back with it said so. */
const eventRows = (b: Batch, zone: Zone) => {
  const { undone } = nowOf(b);
  return b.events.map(({ at, ...e }) => ({
    batch: batchCode(b.id),
    at: isoAt(zone, epochMs(at)),
    ...e,
    undone: undone.has(e.id),
  }));
};

/** What each limit was from when on: as is usual until somebody typed another. */
function limitRows({ from, limitChanges }: ColdPeriod, zone: Zone) {
  const oldestFirst = [...limitChanges].reverse();
  const rows = [{ at: null, by: '', limits: USUAL_HOUSE_LIMITS }, ...oldestFirst].flatMap(
    ({ at, by, limits }) =>
      LIMIT_NAMES.map((setting) => ({
        from: at === null ? '' : isoAt(zone, epochMs(at)),
        setting,
        value: (limits ?? USUAL_HOUSE_LIMITS)[setting],
        by,
        at: at ?? from,
      })),
  );
  return rows
    .filter((r, i) => rows.slice(0, i).findLast((b) => b.setting === r.setting)?.value !== r.value)
    .map(({ at: _, ...row }) => row);
}

/** What the record says of itself. */
export function noteOf(code: ColdPeriod['code']): string {
  const decides = 'Guidance and house limits; the local food code decides';
  if (!code || code.codeName === '') return `${decides}.`;
  return `${decides}: ${code.codeName}${code.codeLink ? ` (${code.codeLink})` : ''}.`;
}

/** A period as tables. Instants with the offset of the zone. */
export function recordOf(period: ColdPeriod, zone: Zone) {
  const within = period.readings.filter((r) => r.at >= period.from && r.at < period.to);
  return {
    site: period.site,
    from: isoAt(zone, epochMs(period.from)),
    to: isoAt(zone, epochMs(period.to)),
    batches: period.batches.map((b) => batchRow(b, period, zone)),
    temperatures: within.map((r) => temperatureRow(r, period, zone)),
    limits: limitRows(period, zone),
    events: period.batches.flatMap((b) => eventRows(b, zone)),
    /** As they are kept: this is what comes in again (`recordIn.ts`). */
    begun: period.batches,
    note: noteOf(period.code),
  };
}
export type ColdRecord = ReturnType<typeof recordOf>;
type Table = 'batches' | 'temperatures' | 'limits' | 'record';

/** One table as RFC 4180 text: lines end in CR LF. */
export const recordCsv = (record: ColdRecord, table: Table): string =>
  table === 'record'
    ? ''
    : unparse<object>(record[table], { newline: '\r\n', escapeFormulae: true });
export const recordJson = (record: ColdRecord, table: Table): string =>
  JSON.stringify(table === 'record' ? record : record[table], null, 1);
