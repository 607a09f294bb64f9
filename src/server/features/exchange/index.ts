import { desc, eq } from 'drizzle-orm';
import {
  exportBook,
  exportTable,
  type Import,
  listImports,
  previewImport,
  runImport,
  undoImport,
} from '#contracts/exchange';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { imports, people } from '../../db/schema/index';
import type { Deps } from '../../deps';
import { AppError, notFound } from '../../http/errors';
import type { routes, Signed } from '../../http/route';
import { exchangeSchema } from './fromJson';
import type { Given } from './read';
import { exchangeFile, exchangeText } from './records';
import { readHere } from './snapshot';
import { applySteps, type Step, undoSteps } from './steps';
import { EXCHANGE_TASKS } from './tasks';
import { tableText } from './toTable';

export { exchangeSchema };
const unreadable = (why: string) =>
  new AppError('input.invalid', 422, why, { fields: { text: why } });

export function exchangeRoutes(on: ReturnType<typeof routes>, { db, now, work }: Deps) {
  /** @throws 422 when it is not a file of a kind known here */
  const read = async (given: Given, who: Signed) => {
    const found = await work.run(
      EXCHANGE_TASKS.readFile,
      given,
      await readHere(db),
      who.personId,
      now(),
    );
    if (found.kind === 'bad') throw unreadable(found.why);
    return found;
  };
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
  const one = async (tx: Tx, id: string) => (await importRows(tx).where(eq(imports.id, id)))[0];

  on.signed(previewImport, async ({ body, who }) => (await read(body, who)).preview);
  on.signed(runImport, async ({ body: { id, ...given }, who }) => {
    const before = await one(db, id);
    if (before) return asImport(before);
    // Read outside of the transaction, which would wait for it; what was changed since is found by each step.
    const { steps, preview } = await read(given, who);
    if (steps.length === 0)
      throw unreadable('Everything in this file is in the book already. Nothing was written.');
    return inTransaction(db, async (tx) => {
      const there = await one(tx, id);
      if (there) return asImport(there);
      await applySteps(tx, steps, { by: who.personId, now: now() });
      const { added, changed } = preview.counts;
      await tx.insert(imports).values({
        id,
        at: new Date(now()),
        personId: who.personId,
        name: given.name,
        counts: { added, changed },
        steps,
        undone: false,
      });
      const done = await one(tx, id);
      if (!done) throw notFound('That import');
      return asImport(done);
    });
  });
  on.signed(listImports, async () => ({
    imports: (await importRows(db).orderBy(desc(imports.at)).limit(20)).map(asImport),
  }));
  on.signed(undoImport, ({ params, who }) =>
    inTransaction(db, async (tx) => {
      await tx
        .select({ id: imports.id })
        .from(imports)
        .where(eq(imports.id, params.id))
        .for('update');
      const found = await one(tx, params.id);
      if (!found) throw notFound('That import');
      if (!found.i.undone) {
        await undoSteps(tx, found.i.steps as Step[], { by: who.personId, now: now() });
        await tx.update(imports).set({ undone: true }).where(eq(imports.id, params.id));
      }
      return { ...asImport(found), undone: true };
    }),
  );
  on.file(exportBook, async () => ({
    type: 'application/json',
    name: 'tea-book.json',
    save: true,
    body: Buffer.from(exchangeText(exchangeFile(await readHere(db)))),
  }));
  on.file(exportTable, async ({ params, query }) => ({
    type: 'text/csv; charset=utf-8',
    name: `${params.table}.csv`,
    save: true,
    body: Buffer.from(tableText(params.table, await readHere(db), query.comma)),
  }));
}
