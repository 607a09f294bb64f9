import { v7 } from 'uuid';
import type { Change, Thing } from '#contracts/history';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { changes } from '../../db/schema';
import type { Deps } from '../../deps';
import { appendRecordsChanged } from '../live';

type Fields = Readonly<Record<string, unknown>>;
/** Bookkeeping that nobody reads as a change. */
const SILENT = new Set(['id', 'rev', 'siteId', 'teaId']);

/** The fields of a record that differ, each with what it was and what it became. */
export function linesBetween(before: Fields | null, after: Fields): Change['lines'] {
  return Object.keys({ ...before, ...after })
    .filter(
      (k) =>
        !SILENT.has(k) && JSON.stringify(before?.[k] ?? null) !== JSON.stringify(after[k] ?? null),
    )
    .map((field) => ({ field, before: before?.[field] ?? null, after: after[field] ?? null }));
}

type RecordedChange = {
  readonly thing: Thing;
  readonly id: string;
  /** Null: the record is new. */
  readonly before: Fields | null;
  readonly after: Fields;
};
/** Keeps a change with the write that made it. Nothing is kept where no field differs. */
export type RecordChange = (change: RecordedChange) => Promise<void>;

/**
 * The write of a lead: the records, what was changed in them, and word to every open page, in one transaction. All of
 * it happens or none of it. A write that changes nothing, as a request that is sent again, is not recorded and tells
 * nobody.
 *
 * @param work reads, checks and writes; calls `record` once for each record that it changes
 */
export function inRecordedTransaction<T>(
  { db, now }: Pick<Deps, 'db' | 'now'>,
  who: { readonly personId: string },
  work: (tx: Tx, record: RecordChange) => Promise<T>,
): Promise<T> {
  return inTransaction(db, async (tx) => {
    let changed = false;
    const result = await work(tx, async ({ thing, id, before, after }) => {
      const lines = linesBetween(before, after);
      if (lines.length === 0) return;
      changed = true;
      const at = new Date(now());
      await tx
        .insert(changes)
        .values({ id: v7(), thing, thingId: id, lines, personId: who.personId, at });
    });
    // Last: the numbers of the event feed are locked from here to the commit.
    if (changed) await appendRecordsChanged(tx, now());
    return result;
  });
}
