import { eq } from 'drizzle-orm';
import { observedTerms } from '#core/brews';
import { verdictWords } from '#core/corrections';
import { seeded } from '#core/numeric';
import { VERDICT_FILTERS } from '#contracts/log';
import * as t from '../db/schema';
import { tastedAgain } from './again';
import { pastBrews, type Stage } from './brews';
import { inChunks } from './chunks';
import { SITES } from './house';
import { DAY, idMaker, type Making, SEED, type Shop } from './making';
import { imitateObserved } from './observed';
import { pastTastings } from './tastings';

/** Brews of every site, with the last notes for the lead. */
export async function addBrews(
  making: Making,
  { sites, teas, vessels, cast }: Shop,
): Promise<void> {
  const { db, random, makeId, now, days } = making;
  for (const [i, site] of sites.entries()) {
    const key = SITES[i]?.key ?? 'harbour';
    const stage: Stage = {
      site,
      teas: teas.filter((tea) => key === 'harbour' || tea.style !== 'green-shaded'),
      vessels: vessels.filter((v) => v.siteId === site.id),
      cast: cast.filter((c) => c.person.sites.includes(key)),
      perDay: key === 'harbour' ? 42 : 14,
      noted: seeded(SEED + 10 + i),
    };
    const looked = seeded(SEED + 30 + i);
    const styles = new Map(teas.map((tea) => [tea.id, tea.style]));
    const rows = pastBrews(random, stage, now, days, makeId).map((row) => ({
      ...row,
      observed: imitateObserved(looked, row.verdict, styles.get(row.teaId) ?? 'black-whole'),
    }));
    await inChunks(rows, (part) => db.insert(t.brews).values(part));
    const terms = rows.flatMap(({ id: brewId, observed }) =>
      observed ? observedTerms(observed).map((term) => ({ term, brewId })) : [],
    );
    await inChunks(terms, (part) => db.insert(t.brewTerms).values(part));
    const lead = stage.cast.find((c) => c.person.role === 'lead');
    const chance = seeded(SEED + 20 + i);
    const again = tastedAgain(chance, rows, {
      ...{ lead: lead?.id ?? null, now, makeId: idMaker(chance) },
    });
    await inChunks(again, (part) => db.insert(t.brewEvents).values(part));
    await inChunks(
      rows
        .filter(
          (r) => r.accepted && r.verdict && r.proposal && r.startedAt.getTime() > now - 3 * DAY,
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
export async function addTastings(
  { db, makeId, now }: Making,
  { sites, teas, vessels, cast }: Shop,
): Promise<void> {
  const harbour = sites[0];
  if (!harbour) return;
  const newLots = await db
    .select({ id: t.lots.id, teaId: t.lots.teaId })
    .from(t.lots)
    .where(eq(t.lots.state, 'new'));
  const tasted = pastTastings(seeded(SEED + 1), {
    site: harbour,
    teas: [...teas],
    vessels: vessels.filter((v) => v.siteId === harbour.id),
    people: cast
      .filter((c) => c.person.sites.includes('harbour'))
      .slice(0, 4)
      .map((c) => ({ id: c.id, name: c.person.name })),
    newLots: new Map(newLots.map((l) => [l.teaId, l.id])),
    now,
    makeId,
  });
  await db.insert(t.tastings).values(tasted.tastings);
  await db.insert(t.tastingSeats).values(tasted.seats);
  await inChunks(tasted.events, (part) => db.insert(t.tastingEvents).values(part));
}
