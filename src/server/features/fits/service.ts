import { and, eq } from 'drizzle-orm';
import { predict } from '#core/corrections';
import { FIT_SCORES, fittedBy, type Scores, tastedOf } from '#core/fitting';
import { houseBrew } from '#core/recipes';
import { characterOf, type KnownTea } from '#core/styles';
import type { FitCup, KeptFit, TeaFitPage } from '#contracts/fits';
import type { Tea } from '#contracts/teas';
import type { Tx } from '../../db/pool';
import { teaFits, teas } from '../../db/schema';
import type { Deps } from '../../deps';
import { AppError, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { inRecordedTransaction } from '../history';
import { requireTea } from '../teas';
import { cupsOf } from './cups';
import { keptFitsOf } from './repository';
import { FIT_TASKS } from './tasks';

const scoresOf = (b: Parameters<typeof predict>[0]): Scores => {
  const all = predict(b);
  return Object.fromEntries(FIT_SCORES.map((k) => [k, all[k]])) as Scores;
};
/** A tea fitted to this house: from its tables, its judged and measured brews. */
async function pageOf(
  { db, work }: Deps,
  tea: Tea,
  without: readonly string[],
): Promise<TeaFitPage> {
  const recipe = tea.house?.recipe;
  const kept = await keptFitsOf(db, tea);
  if (!recipe)
    return {
      cups: [],
      right: { strength: 0, bitterness: 0, astringency: 0 },
      fit: { kind: 'tooFewCups', got: 0, need: 2 },
      kept,
    };
  const style: KnownTea = { style: tea.style, fitted: null };
  const { character: plain, ...house } = houseBrew(style, recipe);
  const right = scoresOf({ ...house, character: plain });
  const found = await cupsOf(db, tea);
  const tasted = found.map((c) => tastedOf(c, right, house));
  const fit = await work.run(
    FIT_TASKS.fitToHouse,
    tea.style,
    tasted.filter((_, i) => !without.includes(found[i]?.id ?? '')),
  );
  const own = fit.kind === 'fitted' ? characterOf(tea.style, undefined, fit.multipliers) : null;
  const cups = found.map((c, i): FitCup => ({
    id: c.id,
    from: c.from,
    at: c.at,
    words: c.words,
    grams: c.brew.leaf,
    water: c.brew.water,
    celsius: c.brew.temperature,
    seconds: c.brew.time,
    n: c.n,
    scores: Object.fromEntries(
      FIT_SCORES.flatMap((k) => {
        const v = tasted[i]?.[k];
        return v === undefined ? [] : [[k, v]];
      }),
    ),
    solids: c.solids ?? null,
    colour: c.colour?.strength ?? null,
    style: scoresOf({ ...c.brew, character: plain }),
    fitted: own && scoresOf({ ...c.brew, character: own }),
    left: without.includes(c.id),
  }));
  return { cups, right, fit, kept };
}

export function createFitService(deps: Deps) {
  const { db, now } = deps;
  const page = async (id: string, without: readonly string[] = []) =>
    pageOf(deps, await requireTea(db, id), without);
  const setOthersAside = (tx: Tx, teaId: string) =>
    tx
      .update(teaFits)
      .set({ state: 'aside' })
      .where(and(eq(teaFits.teaId, teaId), eq(teaFits.state, 'inUse')));
  /** Under the tea's lock, so that no two fits of a tea come into use. */
  const lock = async (tx: Tx, teaId: string) =>
    void (await tx.select({ id: teas.id }).from(teas).where(eq(teas.id, teaId)).for('update'));
  return {
    page,
    /** Fits the tea from its cups and uses that fit; a repeated id is the same fit. */
    async use(
      teaId: string,
      id: string,
      without: readonly string[],
      who: Pick<Signed, 'personId'>,
    ): Promise<TeaFitPage> {
      const tea = await requireTea(db, teaId);
      const { fit, cups } = await pageOf(deps, tea, without);
      await inRecordedTransaction(deps, who, async (tx, record) => {
        await lock(tx, teaId);
        const [there] = await tx.select({ id: teaFits.id }).from(teaFits).where(eq(teaFits.id, id));
        if (there) return;
        if (fit.kind !== 'fitted')
          throw new AppError(
            'fit.tooFew',
            409,
            `Two cups at least, that were marked or measured: ${fit.got === 0 ? 'none' : 'only one'} here.`,
          );
        await setOthersAside(tx, teaId);
        const { kind: _kind, iterations: _iterations, ...kept } = fit;
        const used = cups.filter((c) => !c.left).length;
        await tx.insert(teaFits).values({
          id,
          teaId,
          state: 'inUse',
          fit: { ...kept, cups: used, style: tea.style },
          personId: who.personId,
          at: new Date(now()),
        });
        const before = { fit: null };
        await record({
          thing: 'tea',
          id: teaId,
          before,
          after: { fit: `from ${used} cups: in use` },
        });
      });
      return page(teaId, without);
    },
    /** Uses a fit that was made before, or sets it aside. */
    async move(id: string, to: KeptFit['state'], who: Signed): Promise<TeaFitPage> {
      const teaId = await inRecordedTransaction(deps, who, async (tx, record) => {
        const [there] = await tx.select().from(teaFits).where(eq(teaFits.id, id));
        if (!there) throw notFound('That fit');
        await lock(tx, there.teaId);
        if (to === 'inUse') {
          if (!fittedBy(there.fit, (await requireTea(tx, there.teaId)).style))
            throw new AppError(
              'fit.tooFew',
              409,
              'That fit was of another style: fit the tea anew.',
            );
          await setOthersAside(tx, there.teaId);
        }
        await tx.update(teaFits).set({ state: to }).where(eq(teaFits.id, id));
        const text = (state: KeptFit['state']) =>
          `from ${there.fit.cups} cups: ${state === 'inUse' ? 'in use' : 'aside'}`;
        await record({
          thing: 'tea',
          id: there.teaId,
          before: { fit: text(there.state) },
          after: { fit: text(to) },
        });
        return there.teaId;
      });
      return page(teaId);
    },
  };
}
