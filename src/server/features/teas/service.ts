import { and, eq, isNull } from 'drizzle-orm';
import type { z } from 'zod';
import type { addTea, changeTea, setSwatches, Tea, TeaPage } from '#contracts/teas';
import { house, leadNotes, teas, versions } from '../../db/schema';
import { updateAtRevision } from '../../db/updateAtRevision';
import type { Deps } from '../../deps';
import { invalid } from '../../http/errors';
import type { Signed } from '../../http/route';
import { inRecordedTransaction } from '../history';
import { checkRecipe, checkWeighing } from './checks';
import { teaRecord } from './records';
import {
  allTeas,
  lotsOf,
  openNotes,
  requireTea,
  teaById,
  usesOf,
  versionsOf,
  vocabularyOf,
} from './repository';
import { siteRecipesOf } from './siteRecipes';

type Swatches = z.infer<typeof setSwatches.body>['swatches'];
/** A set of measured cups as history shows it: each time with its colour in CIELAB. */
const swatchText = (s: Swatches): string | null =>
  s &&
  s.rungs.map((r) => `${r.seconds} s ${r.lab.map(Math.round).join('/')}`).join(', ') +
    ` at ${s.depthCm} cm`;

export function createTeaService(deps: Deps) {
  const { db, now } = deps;
  return {
    all: async ({ siteId }: Signed) => ({
      teas: await allTeas(db, siteId),
      vocabulary: await vocabularyOf(db),
    }),
    async page(id: string, { siteId }: Signed): Promise<TeaPage> {
      return {
        tea: await requireTea(db, id, siteId),
        versions: await versionsOf(db, id),
        lots: await lotsOf(db, id),
        notes: await openNotes(db, id),
        uses: await usesOf(db, id),
        sites: await siteRecipesOf(db, id),
      };
    },
    /** A tea with its first house recipe; a repeated id is the same tea. */
    async add(
      { versionId, recipe, ...tea }: z.infer<typeof addTea.body>,
      who: Signed,
    ): Promise<Tea> {
      await checkWeighing(db, tea.weighing, tea.spoon);
      checkRecipe(recipe, tea.method);
      await inRecordedTransaction(deps, who, async (tx, record) => {
        if (await teaById(tx, tea.id)) return;
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
        const { id, ...fields } = tea;
        await record({ thing: 'tea', id, before: null, after: fields });
      });
      return requireTea(db, tea.id);
    },
    async change(
      id: string,
      { rev, ...fields }: z.infer<typeof changeTea.body>,
      who: Signed,
    ): Promise<Tea> {
      await checkWeighing(db, fields.weighing, fields.spoon);
      await inRecordedTransaction(deps, who, async (tx, record) => {
        const before = await requireTea(tx, id);
        await updateAtRevision(tx, teas, before, rev, fields);
        await record({ thing: 'tea', id, before: teaRecord(before), after: fields });
      });
      return requireTea(db, id);
    },
    /** Measured cups of the recipe as it is now; null goes back to what is predicted. */
    async setSwatches(id: string, swatches: Swatches, who: Signed): Promise<Tea> {
      await inRecordedTransaction(deps, who, async (tx, record) => {
        const tea = await requireTea(tx, id);
        const recipe = tea.house?.recipe;
        if (!recipe)
          throw invalid({
            swatches: `${tea.name} has no hot house recipe whose cups these could be.`,
          });
        if (swatches && new Set(swatches.rungs.map((r) => r.seconds)).size < swatches.rungs.length)
          throw invalid({ swatches: 'Each time once.' });
        const measured = swatches && {
          ...swatches,
          rungs: [...swatches.rungs].sort((a, b) => a.seconds - b.seconds),
          dose: recipe.dose,
          temperature: recipe.temperature,
          at: now(),
          by: who.name,
        };
        await tx.update(teas).set({ swatches: measured }).where(eq(teas.id, id));
        await record({
          thing: 'tea',
          id,
          before: { swatches: swatchText(tea.swatches) },
          after: { swatches: swatchText(measured) },
        });
      });
      return requireTea(db, id);
    },
    async setVocabulary(words: readonly string[], who: Signed): Promise<string[]> {
      const unique = [...new Set(words.map((w) => w.toLowerCase()))];
      await inRecordedTransaction(deps, who, async (tx, record) => {
        const before = await vocabularyOf(tx);
        await tx.update(house).set({ vocabulary: unique });
        await record({
          thing: 'house',
          id: 'house',
          before: { words: before.join(', ') },
          after: { words: unique.join(', ') },
        });
      });
      return unique;
    },
    /** A brewer's note was dealt with. Done twice it is done once. */
    settleNote: (id: string, who: Signed): Promise<void> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const [note] = await tx.select().from(leadNotes).where(eq(leadNotes.id, id)).for('update');
        if (!note || note.settled) return;
        await tx
          .update(leadNotes)
          .set({ settled: new Date(now()), settledBy: who.personId })
          .where(and(eq(leadNotes.id, id), isNull(leadNotes.settled)));
        await record({
          thing: 'tea',
          id: note.teaId,
          before: { note: note.headline },
          after: { note: `${note.headline}: settled` },
        });
      }),
  };
}
