import { and, eq, inArray } from 'drizzle-orm';
import type { z } from 'zod';
import { type Method, METHODS } from '#core/recipes';
import type { Version } from '#contracts/recipes';
import type { addVersion, moveVersion } from '#contracts/teas';
import type { Tx } from '../../db/pool';
import { leadNotes, teas, versions } from '../../db/schema';
import type { Deps } from '../../deps';
import { AppError, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { inRecordedTransaction } from '../history';
import { checkRecipe } from './checks';
import { newestNumber, versionById, versionsOf } from './repository';
import { mustNotBeBrewedAtSites, nowOfTheHouse } from './siteRecipes';

/** What is in `state` for a method steps down. */
const retire = (tx: Tx, teaId: string, method: Method, state: 'house' | 'trial') =>
  tx
    .update(versions)
    .set({ state: 'retired' })
    .where(and(eq(versions.teaId, teaId), eq(versions.method, method), eq(versions.state, state)));
async function lockTea(tx: Tx, teaId: string) {
  const [tea] = await tx.select({ id: teas.id }).from(teas).where(eq(teas.id, teaId)).for('update');
  if (!tea) throw notFound('That tea');
}
const text = (v: Pick<Version, 'method' | 'number'>, state: Version['state']) =>
  `${METHODS[v.method].label} ${v.number}: ${state}`;
/** Anybody drafts a recipe. What is brewed by others, or settles what they noted, is for leads. @throws 403 */
function mustMayMake({ as, settles }: z.infer<typeof addVersion.body>, who: Signed): void {
  if (who.role === 'lead' || (as === 'draft' && settles.length === 0)) return;
  throw new AppError(
    'session.forbidden',
    403,
    'You can keep this as a draft. A lead puts it on trial or makes it the house recipe.',
  );
}
/** Another lead was sooner: theirs is named, and what was typed stays on the page. */
async function newerThere(tx: Tx, teaId: string, method: Method, newest: number) {
  const other = (await versionsOf(tx, teaId)).find((v) => v.method === method);
  const by = other?.author.name ?? 'Another lead';
  return new AppError(
    'version.newer',
    409,
    `${by} made version ${newest} meanwhile: “${other?.reason ?? ''}”. ` +
      `Yours is kept here. Look at theirs, then save yours as ${newest + 1}.`,
    { details: { newest } },
  );
}

export function createVersionService(deps: Deps) {
  const { now } = deps;
  return {
    /**
     * Makes a version; a repeated id is the same version. The one whose place it takes, of the house or on trial, is
     * retired and stays on the brews that used it.
     */
    async add(
      teaId: string,
      given: z.infer<typeof addVersion.body>,
      who: Signed,
    ): Promise<Version> {
      const { id, method, recipe, reason, as, basedOn, settles, expected } = given;
      mustMayMake(given, who);
      checkRecipe(recipe, method);
      const made = await inRecordedTransaction(deps, who, async (tx, record) => {
        const there = await versionById(tx, id);
        if (there) return there;
        await lockTea(tx, teaId);
        const newest = await newestNumber(tx, teaId, method);
        if (newest !== basedOn) throw await newerThere(tx, teaId, method, newest);
        if (as !== 'draft') await retire(tx, teaId, method, as);
        const at = new Date(now());
        const version = { id, teaId, method, number: newest + 1, state: as, recipe, reason };
        await tx.insert(versions).values({ ...version, expected, authorId: who.personId, at });
        if (settles.length)
          await tx
            .update(leadNotes)
            .set({ settled: at, settledBy: who.personId })
            .where(and(inArray(leadNotes.id, settles), eq(leadNotes.teaId, teaId)));
        const after = { version: text(version, as) };
        await record({ thing: 'tea', id: teaId, before: null, after });
        return versionById(tx, id);
      });
      if (!made) throw notFound('That version');
      return made;
    },
    /** Draft to trial, either to the house, any of them aside. Done twice it is done once. */
    move: (id: string, { to }: z.infer<typeof moveVersion.body>, who: Signed): Promise<Version> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const found = await versionById(tx, id);
        if (!found) throw notFound('That version');
        await lockTea(tx, found.teaId);
        const { state } = (await versionById(tx, id)) ?? found;
        if (state === to) return { ...found, state };
        if (state === 'house' || state === 'retired')
          throw new AppError(
            'version.newer',
            409,
            `This version is no longer ${found.state === 'draft' ? 'a draft' : 'on trial'}. Look at the versions as they are now.`,
          );
        if (to === 'retired') await mustNotBeBrewedAtSites(tx, found);
        else await retire(tx, found.teaId, found.method, to);
        if (to === 'house') await nowOfTheHouse(tx, id);
        const takenBy = state === 'draft' && to !== 'retired' ? { takenBy: who.personId } : {};
        await tx
          .update(versions)
          .set({ state: to, ...takenBy })
          .where(eq(versions.id, id));
        await record({
          thing: 'tea',
          id: found.teaId,
          before: { version: text(found, state) },
          after: { version: text(found, to) },
        });
        return { ...found, state: to };
      }),
  };
}
