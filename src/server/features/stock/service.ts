import { rateFrom, usedPerDay } from '#core/stock';
import { epochMs, type Grams, grams } from '#core/units';
import type { BodyOf } from '#contracts/endpoint';
import type { countLot, LeafPrice, LotStock } from '#contracts/stock';
import type { Tx } from '../../db/pool';
import { lotStock } from '../../db/schema';
import type { Deps } from '../../deps';
import { instantOf } from '../../http/clocks';
import { notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { inRecordedTransaction } from '../history';
import { pocketsLeft, type StockRow, stockRows, type Taken, takenSince } from './repository';

const sumOf = (taken: readonly Taken[]): Grams => grams(taken.reduce((sum, t) => sum + t.grams, 0));
const uses = (taken: readonly Taken[]) =>
  taken.map(({ grams: g, at }) => ({ grams: g, at: epochMs(at) }));

function asStock(row: StockRow, taken: readonly Taken[], now: number): LotStock {
  const countedAt = row.countedAt?.getTime() ?? null;
  const ofLot = taken.filter(
    (t) => t.lotId === row.lotId && countedAt !== null && t.at > countedAt,
  );
  const ofTea = taken.filter((t) => t.teaId === row.teaId);
  const perDay = usedPerDay(uses(ofTea), epochMs(now));
  const { grams: counted, by, per100g, currency } = row;
  return {
    ...{ lotId: row.lotId, teaId: row.teaId, used: sumOf(ofLot), perDay },
    counted:
      counted !== null && countedAt !== null && by !== null
        ? { grams: grams(counted), at: countedAt, by }
        : null,
    price: per100g !== null && currency !== null ? { per100g, currency } : null,
  };
}
/** The stock of these lots, worked out from what was taken since they were counted. */
async function stockOfRows(tx: Tx, rows: readonly StockRow[], now: number): Promise<LotStock[]> {
  const counts = rows.flatMap(({ countedAt }) => (countedAt ? [countedAt.getTime()] : []));
  const since = new Date(Math.min(rateFrom(epochMs(now)), ...counts));
  const taken = await takenSince(tx, [...new Set(rows.map(({ teaId }) => teaId))], since);
  return rows.map((row) => asStock(row, taken, now));
}
async function requireStock(tx: Tx, lotId: string, now: number): Promise<LotStock> {
  const [found] = await stockOfRows(tx, await stockRows(tx, lotId), now);
  if (!found) throw notFound('That lot');
  return found;
}

export function createStockService(deps: Deps) {
  const { db, now } = deps;
  /** Writes some columns of a lot's stock, whether it has a row yet or not. */
  const keep = (tx: Tx, lotId: string, set: Partial<typeof lotStock.$inferInsert>) =>
    tx
      .insert(lotStock)
      .values({ lotId, ...set })
      .onDuplicateKeyUpdate({ set });

  return {
    all: async (siteId: string) => ({
      lots: await stockOfRows(db, await stockRows(db), now()),
      pockets: await pocketsLeft(db, siteId),
    }),
    count: (
      lotId: string,
      { grams: there, at }: BodyOf<typeof countLot>,
      who: Signed,
    ): Promise<LotStock> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const before = await requireStock(tx, lotId, now());
        const moment = instantOf(at, now());
        if (before.counted && before.counted.at >= moment) return before;
        await keep(tx, lotId, {
          ...{ grams: there, countedAt: new Date(moment), countedBy: who.personId },
        });
        await record({
          ...{ thing: 'lot', id: lotId },
          before: { leafCounted: before.counted?.grams ?? null },
          after: { leafCounted: there },
        });
        return requireStock(tx, lotId, now());
      }),
    price: (lotId: string, price: LeafPrice | null, who: Signed): Promise<LotStock> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const before = await requireStock(tx, lotId, now());
        await keep(tx, lotId, {
          ...{ per100g: price?.per100g ?? null, currency: price?.currency ?? null },
        });
        await record({
          ...{ thing: 'lot', id: lotId },
          ...{ before: { price: before.price }, after: { price } },
        });
        return requireStock(tx, lotId, now());
      }),
  };
}
