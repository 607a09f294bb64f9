import { and, asc, eq, gt, gte, inArray, isNotNull, ne, or, sql } from 'drizzle-orm';
import { STARTED_BY_MISTAKE } from '#core/brews';
import { type Grams, grams } from '#core/units';
import type { Pockets } from '#contracts/stock';
import type { Tx } from '../../db/pool';
import { batches, brews, lots, lotStock, people, pockets } from '../../db/schema';

/** Leaf that was taken: for a brew, for a cold batch, or to fill pockets with. */
export type Taken = {
  readonly teaId: string;
  readonly lotId: string | null;
  readonly at: number;
  readonly grams: Grams;
};

/** Every lot that is not finished, with its count and price; one alone where an id is given. */
export const stockRows = (tx: Tx, lotId?: string) =>
  tx
    .select({
      lotId: lots.id,
      teaId: lots.teaId,
      grams: lotStock.grams,
      countedAt: lotStock.countedAt,
      by: { id: people.id, name: people.name },
      per100g: lotStock.per100g,
      currency: lotStock.currency,
    })
    .from(lots)
    .leftJoin(lotStock, eq(lotStock.lotId, lots.id))
    .leftJoin(people, eq(people.id, lotStock.countedBy))
    .where(lotId === undefined ? ne(lots.state, 'finished') : eq(lots.id, lotId));
export type StockRow = Awaited<ReturnType<typeof stockRows>>[number];

/**
 * Leaf of a brew in grams, as it was weighed last where a scale was used, less what came out of pockets: that left its
 * tin when they were filled.
 */
const brewedLeaf = sql<number>`greatest(0, coalesce(
  json_value(json_extract(${brews.marks}, '$[*].grams'), '$[last]'),
  json_value(${brews.plan}, '$.leaf')) - coalesce(json_value(${brews.plan}, '$.pocketed'), 0))`;

/** All leaf of these teas that was taken since an instant, at every site: lots are the house's. */
export async function takenSince(tx: Tx, teaIds: readonly string[], since: Date): Promise<Taken[]> {
  if (teaIds.length === 0) return [];
  const ids = [...teaIds];
  const brewed = await tx
    .select({
      teaId: brews.teaId,
      lotId: brews.lotId,
      at: brews.startedAt,
      leaf: brewedLeaf,
    })
    .from(brews)
    .where(
      and(
        inArray(brews.teaId, ids),
        gte(brews.startedAt, since),
        // A later steep takes no new leaf; leaf that never met water went back into its tin.
        eq(brews.leafId, brews.id),
        or(
          ne(brews.state, 'abandoned'),
          and(isNotNull(brews.waterOn), ne(brews.remark, STARTED_BY_MISTAKE)),
        ),
      ),
    );
  const cold = await tx
    .select({
      teaId: batches.teaId,
      lotId: batches.lotId,
      at: batches.leafIn,
      leaf: sql<number>`json_value(${batches.plan}, '$.leaf')`,
    })
    .from(batches)
    .where(and(inArray(batches.teaId, ids), gte(batches.leafIn, since)));
  const filled = await tx
    .select()
    .from(pockets)
    .where(and(inArray(pockets.teaId, ids), gte(pockets.at, since)));
  const taken = (
    rows: readonly { teaId: string; lotId: string | null; at: Date; leaf: number }[],
  ) =>
    rows.map(({ teaId, lotId, at, leaf }) => ({
      ...{ teaId, lotId, at: at.getTime(), grams: grams(Number(leaf)) },
    }));
  const inPockets = filled.map((p) => ({ ...p, leaf: p.grams * p.filled }));
  return [brewed, cold, inPockets].flatMap(taken);
}

const pocketRows = (tx: Tx) =>
  tx
    .select({ p: pockets, by: people.name })
    .from(pockets)
    .innerJoin(people, eq(people.id, pockets.personId));
const asPockets = ({ p, by }: Awaited<ReturnType<typeof pocketRows>>[number]): Pockets => ({
  ...{ id: p.id, siteId: p.siteId, teaId: p.teaId, lotId: p.lotId, grams: grams(p.grams) },
  ...{ filled: p.filled, left: p.left, at: p.at.getTime(), rev: p.rev },
  by: { id: p.personId, name: by },
});
/** A site's pockets that are not used up, the oldest first. */
export const pocketsLeft = async (tx: Tx, siteId: string): Promise<Pockets[]> =>
  (
    await pocketRows(tx)
      .where(and(eq(pockets.siteId, siteId), gt(pockets.left, 0)))
      .orderBy(asc(pockets.at), asc(pockets.id))
  ).map(asPockets);
export async function pocketsById(tx: Tx, id: string): Promise<Pockets | undefined> {
  const [row] = await pocketRows(tx).where(eq(pockets.id, id));
  return row && asPockets(row);
}
