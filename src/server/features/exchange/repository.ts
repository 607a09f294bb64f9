import { desc, eq } from 'drizzle-orm';
import type { Import } from '#contracts/exchange';
import type { Tx } from '../../db/pool';
import { imports, people } from '../../db/schema';
import type { Step } from './steps';

const importRows = (tx: Tx) =>
  tx
    .select({ i: imports, by: people.name })
    .from(imports)
    .innerJoin(people, eq(people.id, imports.personId));
type Row = Awaited<ReturnType<typeof importRows>>[number];
const asImport = ({ i, by }: Row): Import => ({
  id: i.id,
  at: i.at.getTime(),
  by: { id: i.personId, name: by },
  name: i.name,
  counts: i.counts,
  undone: i.undone,
});

export async function importById(tx: Tx, id: string): Promise<Import | undefined> {
  const [row] = await importRows(tx).where(eq(imports.id, id));
  return row && asImport(row);
}
export const latestImports = async (tx: Tx): Promise<Import[]> =>
  (await importRows(tx).orderBy(desc(imports.at)).limit(20)).map(asImport);
type OldRecord = { readonly facts: object };
/** A vessel as imports kept it before its facts were columns: they lay one level deeper. */
function asKeptNow(record: unknown): unknown {
  if (record === null || typeof record !== 'object' || !('facts' in record)) return record;
  const { facts, ...rest } = record as OldRecord;
  return { ...facts, ...rest };
}
/** What an import did, in order. */
export async function stepsOf(tx: Tx, id: string): Promise<Step[]> {
  const [row] = await tx.select({ steps: imports.steps }).from(imports).where(eq(imports.id, id));
  return ((row?.steps ?? []) as Step[]).map((s) => {
    if (s.thing !== 'vessel') return s;
    const before = s.what === 'changed' ? { before: asKeptNow(s.before) } : {};
    return { ...s, after: asKeptNow(s.after), ...before } as Step;
  });
}
