import { eq } from 'drizzle-orm';
import type { Import } from '#contracts/exchange';
import { imports } from '../../db/schema';
import type { Deps } from '../../deps';
import { AppError, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { inRecordedTransaction } from '../history';
import type { Given } from './read';
import { importById, latestImports, stepsOf } from './repository';
import { readHere } from './snapshot';
import { applySteps, undoSteps } from './steps';
import { EXCHANGE_TASKS } from './tasks';

const unreadable = (why: string) =>
  new AppError('input.invalid', 422, why, { fields: { text: why } });

export function createExchangeService(deps: Deps) {
  const { db, now, work } = deps;
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
  return {
    preview: async (given: Given, who: Signed) => (await read(given, who)).preview,
    /** All of the file or nothing of it; a repeated id is the same import. */
    async run({ id, ...given }: Given & { id: string }, who: Signed): Promise<Import> {
      const before = await importById(db, id);
      if (before) return before;
      // Read outside of the transaction, which would wait for it; what was changed since is found by each step.
      const { steps, preview } = await read(given, who);
      if (steps.length === 0)
        throw unreadable('Everything in this file is in the book already. Nothing was written.');
      return inRecordedTransaction(deps, who, async (tx, record) => {
        const there = await importById(tx, id);
        if (there) return there;
        await applySteps(tx, steps, { by: who.personId, record });
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
        const done = await importById(tx, id);
        if (!done) throw notFound('That import');
        return done;
      });
    },
    latest: async () => ({ imports: await latestImports(db) }),
    /** Takes an import back. Done twice it is done once. */
    undo: (id: string, who: Signed): Promise<Import> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        await tx.select({ id: imports.id }).from(imports).where(eq(imports.id, id)).for('update');
        const found = await importById(tx, id);
        if (!found) throw notFound('That import');
        if (!found.undone) {
          await undoSteps(tx, await stepsOf(tx, id), record);
          await tx.update(imports).set({ undone: true }).where(eq(imports.id, id));
        }
        return { ...found, undone: true };
      }),
  };
}
