import { and, eq, inArray, isNull } from 'drizzle-orm';
import type { z } from 'zod';
import { doubtWeighing, type Method, METHODS, type Recipe, recipeFault } from '#core/recipes';
import { lotInUse } from '#contracts/recipeSelection';
import type {
  addLot,
  addTea,
  addVersion,
  changeLot,
  changeTea,
  Lot,
  moveVersion,
  setSwatches,
  Tea,
  TeaPage,
  Version,
  WeighingFields,
} from '#contracts/teas';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { house, leadNotes, lots, teas, versions } from '../../db/schema';
import type { Deps } from '../../deps';
import { AppError, invalid, notFound, recordChanged } from '../../http/errors';
import type { Signed } from '../../http/route';
import { recordChange } from '../history';
import { spoonsById } from '../vessels';
import {
  allTeas,
  lotById,
  lotsOf,
  newestNumber,
  openNotes,
  teaById,
  usesOf,
  versionById,
  versionsOf,
  vocabularyOf,
} from './queries';
import { lotRecord, teaRecord } from './records';

/** A weighing ten times off any leaf is refused outright; a factor of three is asked about on the page. */
const ABSURD = 10;
async function checkWeighing(tx: Tx, weighing: WeighingFields | null, spoon?: string) {
  const spoons = await spoonsById(tx);
  if (spoon !== undefined && !spoons.has(spoon))
    throw invalid({ spoon: 'That spoon is not on the shelf.' });
  if (!weighing) return;
  const by = spoons.get(weighing.spoon);
  if (!by) throw invalid({ 'weighing.spoon': 'That spoon is not on the shelf.' });
  const doubt = doubtWeighing({ ...weighing, spoon: by });
  if (doubt && doubt.factor > ABSURD) throw invalid({ 'weighing.weighed': doubt.words });
}
function checkRecipe(recipe: Recipe, method: Method) {
  const fault = recipeFault(recipe, method);
  if (fault) throw invalid({ [`recipe.${fault.field}`]: fault.why });
}

export function book({ db, now }: Deps) {
  const readTea = async (id: string): Promise<Tea> => {
    const tea = await teaById(db, id);
    if (!tea) throw notFound('That tea');
    return tea;
  };
  /** What stands of a method as `state` steps down. */
  const retire = (tx: Tx, teaId: string, method: Method, state: 'house' | 'trial') =>
    tx
      .update(versions)
      .set({ state: 'retired' })
      .where(
        and(eq(versions.teaId, teaId), eq(versions.method, method), eq(versions.state, state)),
      );
  const lockTea = async (tx: Tx, id: string): Promise<Tea> => {
    await tx.select({ id: teas.id }).from(teas).where(eq(teas.id, id)).for('update');
    const tea = await teaById(tx, id);
    if (!tea) throw notFound('That tea');
    return tea;
  };
  const checkLot = (tea: Tea, versionId: string | null, all: readonly Version[]) => {
    if (versionId !== null && !all.some((v) => v.id === versionId))
      throw invalid({ versionId: `That version is not one of ${tea.name}.` });
  };
  /** One lot is in use at a time: the one before is finished. */
  const finishFormer = async (tx: Tx, tea: Tea, next: string, who: Signed) => {
    const former = lotInUse(tea);
    if (!former || former.id === next) return;
    await tx
      .update(lots)
      .set({ state: 'finished', rev: former.rev + 1 })
      .where(eq(lots.id, former.id));
    await recordChange(tx, {
      thing: 'lot',
      id: former.id,
      before: { state: former.state },
      after: { state: 'finished' },
      by: who.personId,
      now: now(),
    });
  };
  return {
    all: async () => ({ teas: await allTeas(db), vocabulary: await vocabularyOf(db) }),
    async page(id: string): Promise<TeaPage> {
      return {
        tea: await readTea(id),
        versions: await versionsOf(db, id),
        lots: await lotsOf(db, id),
        notes: await openNotes(db, id),
        uses: await usesOf(db, id),
      };
    },
    async add(given: z.infer<typeof addTea.body>, who: Signed): Promise<Tea> {
      await checkWeighing(db, given.weighing, given.spoon);
      checkRecipe(given.recipe, given.method);
      const { versionId, recipe, ...tea } = given;
      if (!(await teaById(db, given.id))) {
        await inTransaction(db, async (tx) => {
          await tx.insert(teas).values({ ...tea, rev: 1, retired: false });
          await tx.insert(versions).values({
            id: versionId,
            teaId: tea.id,
            method: tea.method,
            number: 1,
            state: 'house',
            recipe,
            reason: `First recipe${recipe.origin ? `, from ${recipe.origin}` : ''}`,
            authorId: who.personId,
            at: new Date(now()),
          });
          const { id: _id, ...fields } = tea;
          await recordChange(tx, {
            thing: 'tea',
            id: tea.id,
            before: null,
            after: fields,
            by: who.personId,
            now: now(),
          });
        });
      }
      return readTea(given.id);
    },
    async change(id: string, given: z.infer<typeof changeTea.body>, who: Signed): Promise<Tea> {
      await checkWeighing(db, given.weighing, given.spoon);
      const { rev, ...tea } = given;
      await inTransaction(db, async (tx) => {
        const before = await teaById(tx, id);
        if (!before) throw notFound('That tea');
        const [result] = await tx
          .update(teas)
          .set({ ...tea, rev: rev + 1 })
          .where(and(eq(teas.id, id), eq(teas.rev, rev)));
        if (result.affectedRows === 0) throw recordChanged(before.name, before.rev);
        await recordChange(tx, {
          thing: 'tea',
          id,
          before: teaRecord(before),
          after: tea,
          by: who.personId,
          now: now(),
        });
      });
      return readTea(id);
    },
    /** Measured cups of the recipe as it is now; null goes back to what is predicted. */
    async setSwatches(
      id: string,
      swatches: z.infer<typeof setSwatches.body>['swatches'],
      who: Signed,
    ): Promise<Tea> {
      const tea = await readTea(id);
      const recipe = tea.house?.recipe;
      if (!recipe)
        throw invalid({
          swatches: `${tea.name} has no hot house recipe whose cups these could be.`,
        });
      if (swatches && new Set(swatches.rungs.map((r) => r.seconds)).size < swatches.rungs.length)
        throw invalid({ swatches: 'Each time once.' });
      await db
        .update(teas)
        .set({
          swatches: swatches && {
            ...swatches,
            rungs: [...swatches.rungs].sort((a, b) => a.seconds - b.seconds),
            dose: recipe.dose,
            temperature: recipe.temperature,
            at: now(),
            by: who.name,
          },
        })
        .where(eq(teas.id, id));
      return readTea(id);
    },
    /**
     * Makes a version. The one it takes the place of, of the house or on trial, is retired and stays on the brews
     * that used it.
     */
    async addVersion(
      teaId: string,
      given: z.infer<typeof addVersion.body>,
      who: Signed,
    ): Promise<Version> {
      checkRecipe(given.recipe, given.method);
      const made = await inTransaction(db, async (tx) => {
        const there = await versionById(tx, given.id);
        if (there) return there;
        const [tea] = await tx
          .select({ id: teas.id })
          .from(teas)
          .where(eq(teas.id, teaId))
          .for('update');
        if (!tea) throw notFound('That tea');
        const newest = await newestNumber(tx, teaId, given.method);
        if (newest !== given.basedOn) {
          const other = (await versionsOf(tx, teaId)).find((v) => v.method === given.method);
          throw new AppError(
            'version.newer',
            409,
            `${other?.author.name ?? 'Another lead'} made version ${newest} meanwhile: “${other?.reason ?? ''}”. Yours is kept here. Look at theirs, then save yours as ${newest + 1}.`,
            { details: { newest } },
          );
        }
        if (given.as !== 'draft') await retire(tx, teaId, given.method, given.as);
        await tx.insert(versions).values({
          id: given.id,
          teaId,
          method: given.method,
          number: newest + 1,
          state: given.as,
          recipe: given.recipe,
          reason: given.reason,
          authorId: who.personId,
          at: new Date(now()),
        });
        if (given.settles.length)
          await tx
            .update(leadNotes)
            .set({ settled: new Date(now()), settledBy: who.personId })
            .where(and(inArray(leadNotes.id, given.settles), eq(leadNotes.teaId, teaId)));
        return versionById(tx, given.id);
      });
      if (!made) throw notFound('That version');
      return made;
    },
    /** Draft to trial, either to the house, any of them aside. Done twice it is done once. */
    async move(
      id: string,
      { to }: z.infer<typeof moveVersion.body>,
      who: Signed,
    ): Promise<Version> {
      return inTransaction(db, async (tx) => {
        const found = await versionById(tx, id);
        if (!found) throw notFound('That version');
        await tx.select({ id: teas.id }).from(teas).where(eq(teas.id, found.teaId)).for('update');
        const { state } = (await versionById(tx, id)) ?? found;
        if (state === to) return { ...found, state };
        if (state === 'house' || state === 'retired')
          throw new AppError(
            'version.newer',
            409,
            `This version is no longer ${found.state === 'draft' ? 'a draft' : 'on trial'}. Look at the versions as they are now.`,
          );
        if (to !== 'retired') await retire(tx, found.teaId, found.method, to);
        await tx.update(versions).set({ state: to }).where(eq(versions.id, id));
        await recordChange(tx, {
          thing: 'tea',
          id: found.teaId,
          before: { version: `${METHODS[found.method].label} ${found.number}: ${state}` },
          after: { version: `${METHODS[found.method].label} ${found.number}: ${to}` },
          by: who.personId,
          now: now(),
        });
        return { ...found, state: to };
      });
    },
    async addLot(
      teaId: string,
      { id, ...given }: z.infer<typeof addLot.body>,
      who: Signed,
    ): Promise<Lot> {
      await checkWeighing(db, given.weighing);
      const made = await inTransaction(db, async (tx) => {
        const there = await lotById(tx, id);
        if (there) return there;
        const tea = await lockTea(tx, teaId);
        checkLot(tea, given.versionId, await versionsOf(tx, teaId));
        if (given.state === 'inUse') await finishFormer(tx, tea, id, who);
        await tx.insert(lots).values({ id, teaId, ...given, rev: 1 });
        await recordChange(tx, {
          thing: 'lot',
          id,
          before: null,
          after: given,
          by: who.personId,
          now: now(),
        });
        return lotById(tx, id);
      });
      if (!made) throw notFound('That lot');
      return made;
    },
    async changeLot(
      id: string,
      { rev, ...given }: z.infer<typeof changeLot.body>,
      who: Signed,
    ): Promise<Lot> {
      await checkWeighing(db, given.weighing);
      return inTransaction(db, async (tx) => {
        const before = await lotById(tx, id);
        if (!before) throw notFound('That lot');
        const tea = await lockTea(tx, before.teaId);
        checkLot(tea, given.versionId, await versionsOf(tx, tea.id));
        if (given.state === 'inUse' && before.state !== 'inUse')
          await finishFormer(tx, tea, id, who);
        const [result] = await tx
          .update(lots)
          .set({ ...given, rev: rev + 1 })
          .where(and(eq(lots.id, id), eq(lots.rev, rev)));
        if (result.affectedRows === 0) throw recordChanged(before.name, before.rev);
        await recordChange(tx, {
          thing: 'lot',
          id,
          before: lotRecord(before),
          after: given,
          by: who.personId,
          now: now(),
        });
        return (await lotById(tx, id)) ?? before;
      });
    },
    async setVocabulary(words: readonly string[], who: Signed): Promise<string[]> {
      const unique = [...new Set(words.map((w) => w.toLowerCase()))];
      await inTransaction(db, async (tx) => {
        const before = await vocabularyOf(tx);
        await tx.update(house).set({ vocabulary: unique });
        await recordChange(tx, {
          thing: 'house',
          id: 'house',
          before: { words: before.join(', ') },
          after: { words: unique.join(', ') },
          by: who.personId,
          now: now(),
        });
      });
      return unique;
    },
    async settle(id: string, who: Signed): Promise<void> {
      await db
        .update(leadNotes)
        .set({ settled: new Date(now()), settledBy: who.personId })
        .where(and(eq(leadNotes.id, id), isNull(leadNotes.settled)));
    },
  };
}
