import { and, desc, eq, inArray, isNull, ne, or } from 'drizzle-orm';
import { asDone } from '#core/brews';
import { verdictWords } from '#core/corrections';
import { FIT_SCORES, type Seen } from '#core/fitting';
import { cupsSeen, EXERCISES, foldTasting } from '#core/tastings';
import { capital, secondsBetween } from '#core/units';
import type { Tea } from '#contracts/teas';
import type { Tx } from '../../db/pool';
import { brewEvents, brews, lots, tastings, versions } from '../../db/schema';
import { brewsByIds, idsInOrder } from '../brews';
import { eventsAt, tastingById } from '../tastings';

/** So many tables and brews are looked at, the newest first: an older cup says less of the leaf that is brewed now. */
const TABLES = 8;
const BREWS = 40;

export type FoundCup = Seen & {
  readonly id: string;
  readonly from: 'table' | 'bar';
  readonly at: number;
  readonly words: string;
  readonly n: number;
};

/** Cups of a table whose tasters marked every bowl. */
async function fromTables(tx: Tx, tea: Tea, lotIds: readonly string[]): Promise<FoundCup[]> {
  const ids = await tx
    .select({ id: tastings.id })
    .from(tastings)
    .where(
      and(
        eq(tastings.teaId, tea.id),
        eq(tastings.stage, 'revealed'),
        or(
          isNull(tastings.lotId),
          lotIds.length > 0 ? inArray(tastings.lotId, [...lotIds]) : undefined,
        ),
      ),
    )
    .orderBy(desc(tastings.at))
    .limit(TABLES);
  const found: FoundCup[] = [];
  for (const { id } of ids) {
    const f = await tastingById(tx, id);
    if (!f || EXERCISES[f.t.kind].asks !== 'marks') continue;
    const t = foldTasting(f.t.exercise, await eventsAt(tx, id));
    for (const c of cupsSeen(f.t.exercise, t, {
      tea,
      recipe: f.version.recipe,
      vessel: f.t.vessel,
    })) {
      found.push({
        ...c,
        id: `${id}:${c.code.slice(0, 3)}`,
        from: 'table',
        at: f.t.at.getTime(),
        words: `${EXERCISES[f.t.kind].label}, bowl ${c.code}`,
      });
    }
  }
  return found;
}

/** Brews of the bar that were judged or measured; first steeps only, for a later one says what the first left. */
async function fromBar(tx: Tx, tea: Tea, lotIds: readonly string[]): Promise<FoundCup[]> {
  const ids = (
    await idsInOrder(
      tx,
      'log_tea',
      and(eq(brews.teaId, tea.id), inArray(brews.state, ['pulled', 'judged'])),
      BREWS,
    )
  ).map((b) => b.id);
  const all = await brewsByIds(tx, ids);
  // Whatever it stood in: the vessel and its infuser are the model's own matter. But by the recipe that says what is
  // right here.
  const recipes = new Set(
    (
      await tx
        .select({ id: versions.id })
        .from(versions)
        .where(and(eq(versions.teaId, tea.id), eq(versions.method, tea.method)))
    ).map((v) => v.id),
  );
  const measured =
    ids.length === 0
      ? []
      : await tx
          .select({ brewId: brewEvents.brewId, body: brewEvents.body })
          .from(brewEvents)
          .where(
            and(
              inArray(brewEvents.brewId, ids),
              inArray(brewEvents.kind, ['colour', 'solids']),
              eq(brewEvents.undone, false),
            ),
          )
          .orderBy(brewEvents.at);
  return all.flatMap((b): FoundCup[] => {
    if (
      !('pulled' in b.state) ||
      b.plan.steep ||
      !recipes.has(b.versionId) ||
      (b.lot && !lotIds.includes(b.lot.id))
    )
      return [];
    const mine = measured.filter((m) => m.brewId === b.id).map((m) => m.body);
    const colour = mine.flatMap((e) => ('kind' in e && e.kind === 'colour' ? [e] : [])).at(-1);
    const solids = mine.flatMap((e) => ('kind' in e && e.kind === 'solids' ? [e] : [])).at(-1);
    // A guest's cup was judged as it was asked for, which says nothing of the house's. What was measured of it counts.
    const verdict = b.plan.wish ? null : b.verdict;
    if (!verdict && !colour && !solids) return [];
    // As it was really made: leaf that was weighed and heat that was read are the cup’s, not the tea’s.
    const { waterOn, pulled } = b.state;
    const { character: _character, ...brew } = asDone(
      { ...b.plan, fitted: null, wish: null },
      b.tea.style,
      {
        ...{ steeped: secondsBetween(waterOn, pulled), waterOn, marks: b.marks },
        ...{ readings: b.readings, outs: b.outs },
      },
    ).brew;
    return [
      {
        id: b.id,
        from: 'bar',
        at: b.startedAt,
        brew,
        n: verdict ? 1 : 0,
        words: [verdict ? capital(verdictWords(verdict)) : 'Measured', b.plan.vessel.name].join(
          ', ',
        ),
        marks: verdict ? Object.fromEntries(FIT_SCORES.map((k) => [k, verdict[k]])) : {},
        ...(colour && {
          colour: { strength: colour.strength, low: colour.low, high: colour.high },
        }),
        ...(solids && { solids: solids.gramsPerLitre }),
      },
    ];
  });
}

/**
 * The leaf that is brewed now: the lot in use; before one is, whatever is not finished. Another lot is another leaf.
 */
async function lotsNow(tx: Tx, teaId: string): Promise<string[]> {
  const open = await tx
    .select({ id: lots.id, state: lots.state })
    .from(lots)
    .where(and(eq(lots.teaId, teaId), ne(lots.state, 'finished')));
  const inUse = open.filter((l) => l.state === 'inUse');
  return (inUse.length > 0 ? inUse : open).map((l) => l.id);
}
/** Every cup of this house that says something of a tea as it is now, the newest first. */
export async function cupsOf(tx: Tx, tea: Tea): Promise<FoundCup[]> {
  const now = await lotsNow(tx, tea.id);
  return [...(await fromTables(tx, tea, now)), ...(await fromBar(tx, tea, now))].sort(
    (a, b) => b.at - a.at || (a.id < b.id ? 1 : -1),
  );
}
