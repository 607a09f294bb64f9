import { and, desc, eq, gte, isNotNull, ne } from 'drizzle-orm';
import { clarityLevel } from '#core/brews';
import { ALL_CUPS, isRight, offBy } from '#core/corrections';
import { isZone } from '#core/time';
import { type BrewFact, controlChart, correctionRecord, driftsOf, groupRows } from '#core/trends';
import { epochMs, seconds } from '#core/units';
import type { Measure, TrendPoint, Trends } from '#contracts/log';
import type { Tx } from '../../db/pool';
import { brews, lots, teas, vessels } from '../../db/schema';

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
      observed: brews.observed,
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
    (await tx.select({ id: vessels.id, name: vessels.name }).from(vessels)).map((r) => [
      r.id,
      r.name,
    ]),
  );
  const clock = new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    hourCycle: 'h23',
    timeZone: isZone(q.zone) ? q.zone : 'UTC',
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
    vessel: r.vesselId ? { id: r.vesselId, name: vesselNames.get(r.vesselId) ?? '' } : null,
    kettle: r.kettle,
    hour: hourOf(r.at),
    error: r.error === null ? null : seconds(r.error),
    crowded: r.crowded,
    colour: r.verdict?.colour ?? null,
    right: r.verdict ? isRight(r.verdict) : null,
    off: r.verdict ? offBy(r.verdict) : null,
    clarity: r.observed?.clarity ? clarityLevel(r.observed.clarity) : null,
    by: r.by,
  }));
  const asked = (f: BrewFact & { by: string }) =>
    (!q.teaId || f.tea.id === q.teaId) &&
    (!q.lotId || f.lot?.id === q.lotId) &&
    (!q.vesselId || f.vessel?.id === q.vesselId) &&
    (!q.personId || f.by === q.personId) &&
    (q.kettle === undefined || f.kettle === q.kettle) &&
    (q.hour === undefined || f.hour === q.hour);
  const value = (f: (typeof facts)[number]) => {
    if (q.measure === 'pull') return f.error;
    if (q.measure === 'colour') return f.colour;
    return q.measure === 'clarity' ? f.clarity : f.off;
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
              vessel: f.vessel?.name ?? 'a pot not on the shelf',
            },
          ];
    })
    .slice(-q.last);
  const own = facts.filter(asked);
  return {
    measure: q.measure,
    points,
    // Clear, hazy and cloudy are an order, not amounts: no limits follow from their steps.
    chart: q.measure === 'clarity' ? null : controlChart(points.map((p) => p.value)),
    drifts: driftsOf(facts),
    looked: facts.length,
    since: facts[0]?.at ?? null,
    tables: {
      tea: groupRows(own, (b) => ({ key: b.tea.id, name: b.tea.name })),
      vessel: groupRows(own, (b) => b.vessel && { key: b.vessel.id, name: b.vessel.name }),
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
            ofAllCups: r.proposal?.rowId === ALL_CUPS,
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
