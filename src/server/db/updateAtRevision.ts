import { and, eq } from 'drizzle-orm';
import { recordChanged } from '../http/errors';
import type { Tx } from './pool';
import type { kettles, lots, people, pockets, sites, spoons, teas, vessels } from './schema';

/** Records that people edit: each carries the revision that an edit was made from. */
type Edited =
  | typeof kettles
  | typeof lots
  | typeof people
  | typeof pockets
  | typeof sites
  | typeof spoons
  | typeof teas
  | typeof vessels;

/**
 * Sets the fields of a record that is still at revision `rev`, which becomes `rev + 1`.
 *
 * @throws 409, naming the revision that is there now, when somebody else changed the record meanwhile
 */
export async function updateAtRevision<T extends Edited>(
  tx: Tx,
  table: T,
  record: { readonly id: string; readonly name: string },
  rev: number,
  fields: Partial<Omit<T['$inferInsert'], 'id' | 'rev'>>,
): Promise<void> {
  const any: Edited = table;
  const [result] = await tx
    .update(any)
    .set({ ...fields, rev: rev + 1 } as never)
    .where(and(eq(any.id, record.id), eq(any.rev, rev)));
  if (result.affectedRows > 0) return;
  const [now] = await tx.select({ rev: any.rev }).from(any).where(eq(any.id, record.id));
  throw recordChanged(record.name, now?.rev ?? rev);
}
