import { and, desc, eq } from 'drizzle-orm';
import { predict } from '#core/corrections';
import { FIT_SCORES, type Scores, tastedOf } from '#core/fitting';
import { houseBrew } from '#core/recipes';
import { characterOf, type KnownTea } from '#core/styles';
import {
  type FitCup,
  fittedBy,
  getFit,
  type KeptFit,
  moveFit,
  type TeaFitPage,
  useFit,
} from '#contracts/fits';
import type { Tea } from '#contracts/teas';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { people, teaFits, teas } from '../../db/schema/index';
import type { Deps } from '../../deps';
import { AppError, notFound } from '../../http/errors';
import type { routes } from '../../http/route';
import { teaById } from '../teas';
import { cupsOf } from './cups';
import { FIT_TASKS } from './tasks';

const scoresOf = (b: Parameters<typeof predict>[0]): Scores => {
  const all = predict(b);
  return Object.fromEntries(FIT_SCORES.map((k) => [k, all[k]])) as Scores;
};
const keptOf = async (tx: Tx, { id: teaId, style }: Tea): Promise<KeptFit[]> =>
  (
    await tx
      .select({ f: teaFits, by: people.name })
      .from(teaFits)
      .innerJoin(people, eq(people.id, teaFits.personId))
      .where(eq(teaFits.teaId, teaId))
      .orderBy(desc(teaFits.at), desc(teaFits.id))
  ).map(({ f, by }) => ({
    id: f.id,
    state: fittedBy(f.fit, style) ? f.state : 'aside',
    by: { id: f.personId, name: by },
    at: f.at.getTime(),
    fit: f.fit,
  }));

/** A tea fitted to this house: from its tables, its judged and measured brews. */
async function pageOf(
  { db, work }: Deps,
  tea: Tea,
  without: readonly string[],
): Promise<TeaFitPage> {
  const recipe = tea.house?.recipe;
  const kept = await keptOf(db, tea);
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

export function fits(deps: Deps) {
  const { db, now } = deps;
  const teaOf = async (tx: Tx, id: string): Promise<Tea> => {
    const tea = await teaById(tx, id);
    if (!tea) throw notFound('That tea');
    return tea;
  };
  const page = async (id: string, without: readonly string[] = []) =>
    pageOf(deps, await teaOf(db, id), without);
  const onlyInUse = (tx: Tx, teaId: string) =>
    tx
      .update(teaFits)
      .set({ state: 'aside' })
      .where(and(eq(teaFits.teaId, teaId), eq(teaFits.state, 'inUse')));
  /** Under the tea's lock, so that no two fits of a tea come into use. */
  const lock = async (tx: Tx, teaId: string) =>
    void (await tx.select({ id: teas.id }).from(teas).where(eq(teas.id, teaId)).for('update'));
  return {
    page,
    async use(
      teaId: string,
      id: string,
      without: readonly string[],
      by: string,
    ): Promise<TeaFitPage> {
      const tea = await teaOf(db, teaId);
      const { fit, cups } = await pageOf(deps, tea, without);
      await inTransaction(db, async (tx) => {
        await lock(tx, teaId);
        const [there] = await tx.select({ id: teaFits.id }).from(teaFits).where(eq(teaFits.id, id));
        if (there) return;
        if (fit.kind !== 'fitted')
          throw new AppError(
            'fit.tooFew',
            409,
            `Two cups at least, that were marked or measured: ${fit.got === 0 ? 'none' : 'only one'} here.`,
          );
        await onlyInUse(tx, teaId);
        const { kind: _kind, iterations: _iterations, ...kept } = fit;
        await tx.insert(teaFits).values({
          id,
          teaId,
          state: 'inUse',
          fit: { ...kept, cups: cups.filter((c) => !c.left).length, style: tea.style },
          personId: by,
          at: new Date(now()),
        });
      });
      return page(teaId, without);
    },
    async move(id: string, to: KeptFit['state']): Promise<TeaFitPage> {
      const teaId = await inTransaction(db, async (tx) => {
        const [there] = await tx
          .select({ teaId: teaFits.teaId, fit: teaFits.fit })
          .from(teaFits)
          .where(eq(teaFits.id, id));
        if (!there) throw notFound('That fit');
        await lock(tx, there.teaId);
        if (to === 'inUse') {
          if (!fittedBy(there.fit, (await teaOf(tx, there.teaId)).style))
            throw new AppError(
              'fit.tooFew',
              409,
              'That fit was of another style: fit the tea anew.',
            );
          await onlyInUse(tx, there.teaId);
        }
        await tx.update(teaFits).set({ state: to }).where(eq(teaFits.id, id));
        return there.teaId;
      });
      return page(teaId);
    },
  };
}

const listed = (without: string | undefined): string[] => without?.split(',') ?? [];
export function fitRoutes(on: ReturnType<typeof routes>, deps: Deps) {
  const fit = fits(deps);
  on.signed(getFit, ({ params, query }) => fit.page(params.id, listed(query.without)));
  on.signed(useFit, ({ params, body, who }) =>
    fit.use(params.id, body.id, listed(body.without), who.personId),
  );
  on.signed(moveFit, ({ params, body }) => fit.move(params.id, body.to));
}
