import { eq } from 'drizzle-orm';
import { verdictWords } from '#core/corrections';
import { type Random, seeded } from '#core/numeric';
import { VERDICT_FILTERS } from '#contracts/log';
import type { Site } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import type { Db } from '../db/pool';
import * as t from '../db/schema';
import { type Cast, pastBrews, type Stage } from './brews';
import { inChunks } from './chunks';
import { SITES } from './house';
import { pastTastings } from './tastings';

export const SEED = 20_260_412;

/** Brews of every site, with the last notes for the lead. */
export async function addBrews({
  sites,
  teas,
  vessels,
  cast,
  random,
  now,
  days,
  makeId,
  db,
}: {
  sites: Site[];
  teas: Tea[];
  vessels: readonly Vessel[];
  cast: (Cast & { secretHash: string })[];
  random: Random;
  now: number;
  days: number;
  makeId: (ms: number) => string;
  db: Db;
}) {
  for (const [i, site] of sites.entries()) {
    const key = SITES[i]?.key ?? 'harbour';
    const stage: Stage = {
      site,
      teas: teas.filter((tea) => key === 'harbour' || tea.style !== 'green-shaded'),
      vessels: vessels.filter((v) => v.siteId === site.id),
      cast: cast.filter((c) => c.person.sites.includes(key)),
      perDay: key === 'harbour' ? 42 : 14,
    };
    const rows = pastBrews(random, stage, now, days, makeId);
    await inChunks(rows, (part) => db.insert(t.brews).values(part));
    await inChunks(
      rows
        .filter(
          (r) =>
            r.accepted && r.verdict && r.proposal && r.startedAt.getTime() > now - 3 * 86_400_000,
        )
        .slice(-6),
      (part) =>
        db.insert(t.leadNotes).values(
          part.map((r) => ({
            id: makeId(r.startedAt.getTime()),
            teaId: r.teaId,
            brewId: r.id,
            personId: r.startedBy,
            at: r.ended ?? r.startedAt,
            headline: r.proposal?.headline ?? '',
            change: r.proposal?.change ?? '',
            found: r.verdict ? verdictWords(r.verdict) : VERDICT_FILTERS[2],
          })),
        ),
    );
  }
}

/** What was tasted at the harbour room's table. */
export async function addTastings({
  sites,
  db,
  teas,
  vessels,
  cast,
  now,
  makeId,
}: {
  sites: Site[];
  db: Db;
  teas: Tea[];
  vessels: readonly Vessel[];
  cast: (Cast & { secretHash: string })[];
  now: number;
  makeId: (ms: number) => string;
}) {
  const [harbour] = sites;
  if (harbour) {
    const newLots = new Map(
      (
        await db
          .select({ id: t.lots.id, teaId: t.lots.teaId })
          .from(t.lots)
          .where(eq(t.lots.state, 'new'))
      ).map((l) => [l.teaId, l.id]),
    );
    const tasted = pastTastings(seeded(SEED + 1), {
      site: harbour,
      teas,
      vessels: vessels.filter((v) => v.siteId === harbour.id),
      people: cast
        .filter((c) => c.person.sites.includes('harbour'))
        .slice(0, 4)
        .map((c) => ({ id: c.id, name: c.person.name })),
      newLots,
      now,
      makeId,
    });
    await db.insert(t.tastings).values(tasted.tastings);
    await inChunks(tasted.events, (part) => db.insert(t.tastingEvents).values(part));
  }
}
