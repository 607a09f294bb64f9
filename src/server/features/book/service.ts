import { and, eq, inArray, isNull } from 'drizzle-orm';
import type { z } from 'zod';
import type { addTea, addVersion, changeTea, Tea, TeaPage, Version } from '#contracts/book';
import type { Deps } from '../../deps';
import { inTransaction } from '../../db/inTransaction';
import { leadNotes, teas, versions } from '../../db/schema/index';
import { AppError, invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { doubtWeighing } from '#core/recipes';
import { allTeas, newestNumber, openNotes, teaById, usesOf, versionById, versionsOf } from './queries';

/** A weighing ten times off any leaf is refused outright; a factor of three is asked about on the page. */
const ABSURD = 10;
function checkWeighing(weighing: Tea['weighing']) {
  const doubt = weighing && doubtWeighing(weighing);
  if (doubt && doubt.factor > ABSURD) throw invalid({ 'weighing.weighed': doubt.words });
}

export function book({ db, now }: Deps) {
  const readTea = async (id: string): Promise<Tea> => {
    const tea = await teaById(db, id);
    if (!tea) throw notFound('That tea');
    return tea;
  };
  return {
    all: () => allTeas(db),
    async page(id: string): Promise<TeaPage> {
      return { tea: await readTea(id), versions: await versionsOf(db, id), notes: await openNotes(db, id), uses: await usesOf(db, id) };
    },
    async add(given: z.infer<typeof addTea.body>, who: Signed): Promise<Tea> {
      checkWeighing(given.weighing);
      const { versionId, recipe, ...tea } = given;
      if (!(await teaById(db, given.id))) {
        await inTransaction(db, async (tx) => {
          await tx.insert(teas).values({ ...tea, rev: 1, retired: false });
          await tx.insert(versions).values({ id: versionId, teaId: tea.id, number: 1, state: 'house', recipe, reason: 'First recipe, from the style’s starting point', authorId: who.personId, at: new Date(now()) });
        });
      }
      return readTea(given.id);
    },
    async change(id: string, given: z.infer<typeof changeTea.body>): Promise<Tea> {
      checkWeighing(given.weighing);
      const { rev, ...tea } = given;
      const [result] = await db.update(teas).set({ ...tea, rev: rev + 1 }).where(and(eq(teas.id, id), eq(teas.rev, rev)));
      const after = await readTea(id);
      if (result.affectedRows === 0) throw new AppError('record.changed', 409, `${after.name} was changed by someone else meanwhile. Yours is still typed here: look at theirs, then save again.`, { details: { rev: after.rev } });
      return after;
    },
    /** Makes a version. The one it takes the place of, of the house or on trial, is retired and stays on the brews that used it. */
    async addVersion(teaId: string, given: z.infer<typeof addVersion.body>, who: Signed): Promise<Version> {
      const made = await inTransaction(db, async (tx) => {
        const there = await versionById(tx, given.id);
        if (there) return there;
        const [tea] = await tx.select({ id: teas.id }).from(teas).where(eq(teas.id, teaId)).for('update');
        if (!tea) throw notFound('That tea');
        const newest = await newestNumber(tx, teaId);
        if (newest !== given.basedOn) {
          const [other] = await versionsOf(tx, teaId);
          throw new AppError('version.newer', 409, `${other?.author.name ?? 'Another lead'} made version ${newest} meanwhile: “${other?.reason ?? ''}”. Yours is kept here. Look at theirs, then save yours as ${newest + 1}.`, { details: { newest } });
        }
        await tx.update(versions).set({ state: 'retired' }).where(and(eq(versions.teaId, teaId), eq(versions.state, given.as)));
        await tx.insert(versions).values({ id: given.id, teaId, number: newest + 1, state: given.as, recipe: given.recipe, reason: given.reason, authorId: who.personId, at: new Date(now()) });
        if (given.settles.length) await tx.update(leadNotes).set({ settled: new Date(now()), settledBy: who.personId }).where(and(inArray(leadNotes.id, given.settles), eq(leadNotes.teaId, teaId)));
        return versionById(tx, given.id);
      });
      if (!made) throw notFound('That version');
      return made;
    },
    async adopt(id: string): Promise<Version> {
      return inTransaction(db, async (tx) => {
        const found = await versionById(tx, id);
        if (!found) throw notFound('That version');
        await tx.select({ id: teas.id }).from(teas).where(eq(teas.id, found.teaId)).for('update');
        const { state } = (await versionById(tx, id)) ?? found;
        if (state === 'house') return { ...found, state };
        if (state !== 'trial') throw new AppError('version.newer', 409, 'This version is no longer on trial. Look at what stands now.');
        await tx.update(versions).set({ state: 'retired' }).where(and(eq(versions.teaId, found.teaId), eq(versions.state, 'house')));
        await tx.update(versions).set({ state: 'house' }).where(eq(versions.id, id));
        return { ...found, state: 'house' as const };
      });
    },
    async settle(id: string, who: Signed): Promise<void> {
      await db.update(leadNotes).set({ settled: new Date(now()), settledBy: who.personId }).where(and(eq(leadNotes.id, id), isNull(leadNotes.settled)));
    },
  };
}
export type Book = ReturnType<typeof book>;
