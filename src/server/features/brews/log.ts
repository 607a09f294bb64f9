import {
  and,
  desc,
  eq,
  gte,
  inArray,
  isNotNull,
  lt,
  lte,
  ne,
  or,
  type SQL,
  sql,
} from 'drizzle-orm';
import { unparse } from 'papaparse';
import { isRight, offBy, verdictWords } from '#core/corrections';
import { METHODS } from '#core/recipes';
import { type BrewFact, controlChart, correctionRecord, driftsOf, groupRows } from '#core/trends';
import { epochMs, seconds, secondsBetween } from '#core/units';
import type { Brew, LogFilters, LogQuery, Measure, TrendPoint, Trends } from '#contracts/brews';
import { COUNTED } from '#contracts/limits';
import type { Who } from '#contracts/primitives';
import type { Tx } from '../../db/pool';
import { brews, lots, teas, vessels } from '../../db/schema/index';
import type { Signed } from '../../http/route';
import { brewsByIds, idsInOrder } from './queries';

export const PAGE = 50;

/**
 * How many of a thousand brews a filter lets through, about: the index of the rarest is read (from the demo's own
 * share).
 */
const RARITY: readonly (readonly [name: string, given: (q: LogQuery) => boolean])[] = [
  ['log_lot', (q) => q.lotId !== undefined],
  ['log_timing', (q) => q.pull === 'forgotten'],
  ['log_tea', (q) => q.teaId !== undefined],
  ['log_vessel', (q) => q.vesselId !== undefined],
  ['log_correction', (q) => q.correction === 'notTaken' || q.correction === 'taken'],
  ['log_timing', (q) => q.pull === 'late' || q.pull === 'early'],
  ['log_person', (q) => q.personId !== undefined],
  ['log_method', (q) => q.method !== undefined && q.method !== 'pot'],
  ['log_verdict', (q) => q.verdict === 'unjudged' || q.verdict === 'off'],
  ['log_site', (q) => q.siteId !== undefined],
];
/** The index whose entries are read in the log's order; each holds every column that is filtered by. */
export const indexFor = (q: LogQuery): string =>
  RARITY.find(([, given]) => given(q))?.[0] ?? 'log_all';

function filtersOf(q: LogQuery): SQL[] {
  const by: SQL[] = [ne(brews.state, 'abandoned')];
  if (q.siteId) by.push(eq(brews.siteId, q.siteId));
  if (q.teaId) by.push(eq(brews.teaId, q.teaId));
  if (q.lotId) by.push(eq(brews.lotId, q.lotId));
  if (q.vesselId) by.push(eq(brews.vesselId, q.vesselId));
  if (q.personId) by.push(eq(brews.startedBy, q.personId));
  if (q.method) by.push(eq(brews.method, q.method));
  if (q.verdict) by.push(eq(brews.verdictKind, q.verdict));
  if (q.pull)
    by.push(
      q.pull === 'outside'
        ? inArray(brews.timing, ['early', 'late', 'forgotten'])
        : eq(brews.timing, q.pull),
    );
  if (q.correction) by.push(eq(brews.correction, q.correction));
  if (q.from) by.push(gte(brews.startedAt, new Date(q.from)));
  if (q.to) by.push(lt(brews.startedAt, new Date(q.to)));
  if (q.before) {
    const [ms, id] = [
      new Date(Number(q.before.split('_')[0])),
      q.before.slice(q.before.indexOf('_') + 1),
    ];
    by.push(
      lte(brews.startedAt, ms),
      or(lt(brews.startedAt, ms), and(eq(brews.startedAt, ms), lt(brews.id, id))) as SQL,
    );
  }
  return by;
}

/** A page of the log, newest first: ids from one index alone, then their rows. */
export async function logPage(
  tx: Tx,
  q: LogQuery,
  size = PAGE,
): Promise<{ brews: Brew[]; next: string | null }> {
  const found = await idsInOrder(tx, indexFor(q), and(...filtersOf(q)), size + 1);
  const ids = found.slice(0, size).map((r) => r.id);
  const byId = new Map((await brewsByIds(tx, ids)).map((b) => [b.id, b]));
  const last = found[size - 1];
  return {
    brews: ids.flatMap((id) => byId.get(id) ?? []),
    next: found.length > size && last ? `${last.startedAt.getTime()}_${last.id}` : null,
  };
}

/** How the newest brews of a filter were pulled; no more than `COUNTED` are looked at. */
export async function logCounts(tx: Tx, q: LogFilters) {
  const newest = tx
    .select({ timing: brews.timing })
    .from(brews, { forceIndex: indexFor(q) })
    .where(and(...filtersOf(q)))
    .orderBy(desc(brews.startedAt), desc(brews.id))
    .limit(COUNTED)
    .as('newest');
  const found = await tx
    .select({ timing: newest.timing, n: sql<number>`count(*)` })
    .from(newest)
    .groupBy(newest.timing);
  return tally(found.map((r) => [r.timing, Number(r.n)]));
}
/** The same of brews that are at hand. */
export const countsOf = (all: readonly Pick<Brew, 'timing'>[]) =>
  tally(all.map((b) => [b.timing, 1]));
function tally(found: readonly (readonly [Brew['timing'], number])[]) {
  const of = (t: Brew['timing']) => found.reduce((s, [timing, n]) => (timing === t ? s + n : s), 0);
  return {
    all: found.reduce((s, [, n]) => s + n, 0),
    inWindow: of('inWindow'),
    late: of('late'),
    early: of('early'),
    forgotten: of('forgotten'),
  };
}

const EXPORT_PAGE = 400;
const COLUMNS = [
  'started',
  'tea',
  'lot',
  'vessel',
  'method',
  'recipe_version',
  'steep',
  'water_ml',
  'leaf_g',
  'heat_c',
  'earliest_s',
  'best_s',
  'latest_s',
  'steeped_s',
  'from_best_s',
  'pull',
  'started_by',
  'pulled_by',
  'judged_by',
  'verdict',
  'correction',
  'change',
  'remark',
  'id',
] as const;
/** One brew as a row of the exported table. SI units; texts as they are. */
function rowOf(
  b: Brew,
  shown: (p: Who | null) => string,
): Record<(typeof COLUMNS)[number], string | number | null> {
  const { window } = b.plan.recipe;
  const steeped =
    'pulled' in b.state
      ? Math.round(secondsBetween(b.state.waterOn, b.state.pulled) * 10) / 10
      : null;
  return {
    started: new Date(b.startedAt).toISOString(),
    tea: b.tea.name,
    lot: b.lot?.name ?? '',
    vessel: b.plan.vessel.name,
    method: METHODS[b.method].label,
    recipe_version: b.versionNumber,
    steep: b.plan.steep?.number ?? 1,
    water_ml: b.plan.water,
    leaf_g: b.plan.leaf,
    heat_c: b.plan.temperature,
    earliest_s: window.earliest,
    best_s: window.best,
    latest_s: window.latest,
    steeped_s: steeped,
    from_best_s: steeped === null ? null : Math.round((steeped - window.best) * 10) / 10,
    pull: b.timing ?? '',
    started_by: shown(b.startedBy),
    pulled_by: b.pulledBy ? shown(b.pulledBy) : (b.pulledDevice ?? ''),
    judged_by: shown(b.judgedBy),
    verdict: b.verdict ? verdictWords(b.verdict) : '',
    correction:
      b.proposal && b.proposal.lever !== 'keep' ? (b.accepted ? 'taken' : 'not taken') : '',
    change:
      b.proposal && b.proposal.lever !== 'keep'
        ? `${b.proposal.headline}: ${b.proposal.change}`
        : '',
    remark: b.remark,
    id: b.id,
  };
}
/** A cell that a spreadsheet would take for a formula is kept a text. */
const plainCell = (v: string | number | null) =>
  typeof v === 'string' && /^[=+\-@\t\r]/.test(v) ? `'${v}` : v;

/** The filtered log as text, a page of it at a time: nothing but a page is held. */
export async function* exported(
  tx: Tx,
  q: LogFilters,
  form: 'csv' | 'json',
  who: Pick<Signed, 'personId' | 'role'>,
): AsyncGenerator<string> {
  // Somebody's own figures are for them and for their lead: other names are left out.
  const shown = (p: Who | null) =>
    p && (who.role === 'lead' || p.id === who.personId) ? p.name : '';
  yield form === 'csv' ? `\uFEFF${COLUMNS.join(',')}\r\n` : '[\n';
  let before: string | undefined;
  let first = true;
  do {
    const page = await logPage(tx, { ...q, before }, EXPORT_PAGE);
    const rows = page.brews.map((b) => rowOf(b, shown));
    if (rows.length > 0) {
      yield form === 'csv'
        ? `${unparse(
            rows.map((r) => COLUMNS.map((c) => plainCell(r[c]))),
            { newline: '\r\n' },
          )}\r\n`
        : `${first ? '' : ',\n'}${rows.map((r) => JSON.stringify(r)).join(',\n')}`;
      first = false;
    }
    before = page.next ?? undefined;
  } while (before !== undefined);
  if (form === 'json') yield '\n]\n';
}

/** Drift is looked for in so much of the past, and in no more brews. */
const DRIFT_DAYS = 90;
const DRIFT_BREWS = 2000;
const DAY = 86_400_000;
type TrendAsk = {
  siteId: string;
  measure: Measure;
  last: number;
  zone: string;
  teaId?: string;
  lotId?: string;
  vesselId?: string;
  personId?: string;
  kettle?: string;
  hour?: number;
};

/** The last brews in order with their limits, and what drifts at the site. */
export async function trendsOf(tx: Tx, q: TrendAsk, now: number): Promise<Trends> {
  const since = now - DRIFT_DAYS * DAY;
  const rows = await tx
    .select({
      id: brews.id,
      at: brews.startedAt,
      teaId: brews.teaId,
      lotId: brews.lotId,
      vesselId: brews.vesselId,
      kettle: brews.kettle,
      error: brews.error,
      crowded: brews.crowded,
      verdict: brews.verdict,
      by: brews.startedBy,
    })
    .from(brews, { forceIndex: 'log_site' })
    .where(
      and(
        eq(brews.siteId, q.siteId),
        gte(brews.startedAt, new Date(since)),
        ne(brews.state, 'abandoned'),
        isNotNull(brews.timing),
      ),
    )
    .orderBy(desc(brews.startedAt), desc(brews.id))
    .limit(DRIFT_BREWS);
  const names = async (table: typeof teas | typeof lots) =>
    new Map(
      (await tx.select({ id: table.id, name: table.name }).from(table)).map((r) => [r.id, r.name]),
    );
  const [teaNames, lotNames] = [await names(teas), await names(lots)];
  const vesselNames = new Map(
    (await tx.select({ id: vessels.id, facts: vessels.facts }).from(vessels)).map((r) => [
      r.id,
      r.facts.name,
    ]),
  );
  const clock = new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    hourCycle: 'h23',
    timeZone: knownZone(q.zone),
  });
  // Every zone's hours begin at a quarter of ours: one look at the calendar a quarter, not one a brew.
  const hours = new Map<number, number>();
  const hourOf = (at: Date) => {
    const quarter = Math.floor(at.getTime() / 900_000);
    const known = hours.get(quarter) ?? Number(clock.format(at));
    hours.set(quarter, known);
    return known;
  };
  const facts = rows.reverse().map((r) => ({
    id: r.id,
    at: epochMs(r.at.getTime()),
    tea: { id: r.teaId, name: teaNames.get(r.teaId) ?? '' },
    lot: r.lotId ? { id: r.lotId, name: lotNames.get(r.lotId) ?? '' } : null,
    vessel: { id: r.vesselId, name: vesselNames.get(r.vesselId) ?? '' },
    kettle: r.kettle,
    hour: hourOf(r.at),
    error: r.error === null ? null : seconds(r.error),
    crowded: r.crowded,
    colour: r.verdict?.colour ?? null,
    right: r.verdict ? isRight(r.verdict) : null,
    off: r.verdict ? offBy(r.verdict) : null,
    by: r.by,
  }));
  const asked = (f: BrewFact & { by: string }) =>
    (!q.teaId || f.tea.id === q.teaId) &&
    (!q.lotId || f.lot?.id === q.lotId) &&
    (!q.vesselId || f.vessel.id === q.vesselId) &&
    (!q.personId || f.by === q.personId) &&
    (q.kettle === undefined || f.kettle === q.kettle) &&
    (q.hour === undefined || f.hour === q.hour);
  const value = (f: (typeof facts)[number]) => {
    if (q.measure === 'pull') return f.error;
    if (q.measure === 'colour') return f.colour;
    return f.off;
  };
  const points: TrendPoint[] = facts
    .filter(asked)
    .flatMap((f) => {
      const v = value(f);
      return v === null
        ? []
        : [
            {
              id: f.id,
              at: f.at,
              value: v,
              teaId: f.tea.id,
              tea: f.tea.name,
              vessel: f.vessel.name,
            },
          ];
    })
    .slice(-q.last);
  const own = facts.filter(asked);
  return {
    measure: q.measure,
    points,
    chart: controlChart(points.map((p) => p.value)),
    drifts: driftsOf(facts),
    looked: facts.length,
    since: facts[0]?.at ?? null,
    tables: {
      tea: groupRows(own, (b) => ({ key: b.tea.id, name: b.tea.name })),
      vessel: groupRows(own, (b) => ({ key: b.vessel.id, name: b.vessel.name })),
      kettle: groupRows(own, (b) => (b.kettle ? { key: b.kettle, name: b.kettle } : null)),
      hour: groupRows(own, (b) => ({
        key: String(b.hour),
        name: `${String(b.hour).padStart(2, '0')}:00`,
      })).sort((a, b) => Number(a.key) - Number(b.key)),
    },
  };
}
/** What came of the corrections of a site's last judged brews. */
export async function correctionsOf(tx: Tx, siteId: string, now: number) {
  const rows = (
    await tx
      .select({
        id: brews.id,
        at: brews.startedAt,
        teaId: brews.teaId,
        tea: teas.name,
        verdict: brews.verdict,
        proposal: brews.proposal,
        accepted: brews.accepted,
      })
      .from(brews, { forceIndex: 'log_site' })
      .innerJoin(teas, eq(teas.id, brews.teaId))
      .where(
        and(
          eq(brews.siteId, siteId),
          gte(brews.startedAt, new Date(now - DRIFT_DAYS * DAY)),
          ne(brews.verdictKind, 'unjudged'),
        ),
      )
      .orderBy(desc(brews.startedAt), desc(brews.id))
      .limit(DRIFT_BREWS)
  ).reverse();
  const judged = rows.flatMap((r) =>
    r.verdict
      ? [
          {
            id: r.id,
            tea: { id: r.teaId, name: r.tea },
            verdict: r.verdict,
            lever: r.proposal?.lever ?? ('keep' as const),
            taken: r.accepted === true,
          },
        ]
      : [],
  );
  return {
    record: correctionRecord(judged),
    looked: judged.length,
    since: rows[0]?.at.getTime() ?? null,
  };
}
/** A time zone this machine knows, else UTC. */
function knownZone(zone: string): string {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return zone;
  } catch {
    return 'UTC';
  }
}
