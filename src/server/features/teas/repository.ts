import { and, count, desc, eq, inArray, isNull, max, ne } from 'drizzle-orm';
import { fittedBy } from '#core/fitting';
import { isCold, METHOD_NAMES } from '#core/recipes';
import type { KeptFit } from '#contracts/fits';
import { USES_COUNTED } from '#contracts/limits';
import type { Version } from '#contracts/recipes';
import type { LeadNote, Lot, MethodRecipe, Tea } from '#contracts/teas';
import type { Tx } from '../../db/pool';
import {
  brews,
  house,
  leadNotes,
  lots,
  people,
  photos,
  teaFits,
  teas,
  versions,
} from '../../db/schema/index';
import { notFound } from '../../http/errors';
import { spoonsById } from '../spoons';
import {
  asBrewed,
  asVersion,
  spoonOf,
  type Spoons,
  STANDING,
  versionRows,
  weighedBy,
} from './asBrewed';
import { type OwnRecipe, ownRecipes } from './ownRecipes';

type LotRow = { l: typeof lots.$inferSelect; number: number | null };
const asLot = ({ l, number }: LotRow, spoons: Spoons): Lot => ({
  ...l,
  weighing: weighedBy(spoons, l.weighing ?? null),
  versionNumber: number,
});
const lotRows = (tx: Tx) =>
  tx
    .select({ l: lots, number: versions.number })
    .from(lots)
    .leftJoin(versions, eq(versions.id, lots.versionId));

type Around = {
  readonly standing: readonly Version[];
  readonly own: readonly OwnRecipe[];
  readonly lots: readonly Lot[];
  readonly photoId: string | null;
  readonly fit: KeptFit['fit'] | null;
  readonly spoons: Spoons;
};
function asTea(
  row: typeof teas.$inferSelect,
  { standing, own, lots: open, photoId, fit, spoons }: Around,
): Tea {
  const of = (method: Version['method'], state: Version['state']) =>
    standing.find((v) => v.method === method && v.state === state) ?? null;
  const recipeAs = (method: Version['method']): MethodRecipe => {
    const [house, trial] = [of(method, 'house'), of(method, 'trial')];
    const here = own.find(({ version: v }) => v.teaId === row.id && v.method === method);
    if (!here || !house) return { method, house, trial, site: null };
    return { method, house: here.version, trial, site: { ...here.since, inPlaceOf: house } };
  };
  const recipes = METHOD_NAMES.map(recipeAs).filter((r) => r.house ?? r.trial);
  const mine = isCold(row.method) ? undefined : recipes.find((r) => r.method === row.method);
  const weighing = row.weighing ?? null;
  return {
    ...row,
    weighing,
    colour: row.colour ?? null,
    swatches: row.swatches ?? null,
    recipes,
    house: mine?.house ?? null,
    trial: mine?.trial ?? null,
    measure: { spoon: spoonOf(spoons, row.spoon), weighing: weighedBy(spoons, weighing) },
    lots: [...open],
    photoId,
    fitted: fittedBy(fit, row.style),
  };
}
function grouped<T>(all: readonly T[], by: (x: T) => string): ReadonlyMap<string, readonly T[]> {
  const map = new Map<string, T[]>();
  for (const x of all) map.set(by(x), [...(map.get(by(x)) ?? []), x]);
  return map;
}

/** The fits in use: of one tea, or of all. */
const fitsInUse = (tx: Tx, teaId?: string) =>
  tx
    .select({ teaId: teaFits.teaId, fit: teaFits.fit })
    .from(teaFits)
    .where(
      and(eq(teaFits.state, 'inUse'), teaId === undefined ? undefined : eq(teaFits.teaId, teaId)),
    );

/**
 * Every tea with what stands of its recipes and the lots that are not finished: as a site brews them, or as the house
 * does.
 */
export async function allTeas(tx: Tx, siteId: string | null = null): Promise<Tea[]> {
  const rows = await tx.select().from(teas).orderBy(teas.name);
  const spoons = await spoonsById(tx);
  const standing = grouped(
    (await versionRows(tx).where(inArray(versions.state, [...STANDING]))).map((r) =>
      asBrewed(r, spoons),
    ),
    (v) => v.teaId,
  );
  const open = grouped(
    (await lotRows(tx).where(ne(lots.state, 'finished')).orderBy(desc(lots.arrived))).map((r) =>
      asLot(r, spoons),
    ),
    (l) => l.teaId,
  );
  const pictures = new Map(
    (await tx.select({ id: photos.id, teaId: photos.teaId }).from(photos)).map((p) => [
      p.teaId,
      p.id,
    ]),
  );
  const own = await ownRecipes(tx, siteId, spoons);
  const fits = new Map((await fitsInUse(tx)).map((f) => [f.teaId, f.fit]));
  return rows.map((r) =>
    asTea(r, {
      standing: standing.get(r.id) ?? [],
      own,
      lots: open.get(r.id) ?? [],
      fit: fits.get(r.id) ?? null,
      photoId: pictures.get(r.id) ?? null,
      spoons,
    }),
  );
}
export async function teaById(
  tx: Tx,
  id: string,
  siteId: string | null = null,
): Promise<Tea | undefined> {
  const [row] = await tx.select().from(teas).where(eq(teas.id, id));
  if (!row) return undefined;
  const spoons = await spoonsById(tx);
  const [picture] = await tx.select({ id: photos.id }).from(photos).where(eq(photos.teaId, id));
  return asTea(row, {
    standing: (
      await versionRows(tx).where(
        and(eq(versions.teaId, id), inArray(versions.state, [...STANDING])),
      )
    ).map((r) => asBrewed(r, spoons)),
    own: await ownRecipes(tx, siteId, spoons),
    lots: (await lotsOf(tx, id)).filter((l) => l.state !== 'finished'),
    photoId: picture?.id ?? null,
    fit: (await fitsInUse(tx, id))[0]?.fit ?? null,
    spoons,
  });
}
/** @throws 404 when the house has no such tea */
export async function requireTea(tx: Tx, id: string, siteId: string | null = null): Promise<Tea> {
  const tea = await teaById(tx, id, siteId);
  if (!tea) throw notFound('That tea');
  return tea;
}
/** All lots of a tea, the newest first. */
export async function lotsOf(tx: Tx, teaId: string): Promise<Lot[]> {
  const spoons = await spoonsById(tx);
  return (
    await lotRows(tx).where(eq(lots.teaId, teaId)).orderBy(desc(lots.arrived), desc(lots.id))
  ).map((r) => asLot(r, spoons));
}
export async function lotById(tx: Tx, id: string): Promise<Lot | undefined> {
  const [row] = await lotRows(tx).where(eq(lots.id, id));
  return row && asLot(row, await spoonsById(tx));
}
export const vocabularyOf = async (tx: Tx): Promise<string[]> =>
  (await tx.select({ words: house.vocabulary }).from(house))[0]?.words ?? [];
/** Every version as it is kept: what is exchanged. */
export const allVersions = async (tx: Tx): Promise<Version[]> =>
  (await versionRows(tx).orderBy(versions.teaId, versions.method, versions.number)).map(asVersion);
export async function allLots(tx: Tx): Promise<Lot[]> {
  const spoons = await spoonsById(tx);
  return (await lotRows(tx).orderBy(lots.teaId, lots.id)).map((r) => asLot(r, spoons));
}
export async function versionsOf(tx: Tx, teaId: string): Promise<Version[]> {
  const spoons = await spoonsById(tx);
  const rows = versionRows(tx).where(eq(versions.teaId, teaId)).orderBy(desc(versions.number));
  return (await rows).map((r) => asBrewed(r, spoons));
}
export async function versionById(tx: Tx, id: string): Promise<Version | undefined> {
  const [row] = await versionRows(tx).where(eq(versions.id, id));
  return row && asBrewed(row, await spoonsById(tx));
}
export async function newestNumber(
  tx: Tx,
  teaId: string,
  method: Version['method'],
): Promise<number> {
  const [row] = await tx
    .select({ n: max(versions.number) })
    .from(versions)
    .where(and(eq(versions.teaId, teaId), eq(versions.method, method)));
  return row?.n ?? 0;
}
export async function openNotes(tx: Tx, teaId: string): Promise<LeadNote[]> {
  const rows = await tx
    .select({ n: leadNotes, by: people.name, role: people.role })
    .from(leadNotes)
    .innerJoin(people, eq(people.id, leadNotes.personId))
    .where(and(eq(leadNotes.teaId, teaId), isNull(leadNotes.settled)))
    .orderBy(desc(leadNotes.at))
    .limit(50);
  return rows.map(({ n, by, role }) => ({
    id: n.id,
    teaId: n.teaId,
    brewId: n.brewId,
    batchId: n.batchId,
    by: { id: n.personId, name: by },
    at: n.at.getTime(),
    headline: n.headline,
    change: n.change,
    found: n.found,
    fromTrainee: role === 'trainee',
  }));
}

/** How many brews used each version of a tea; no more than `USES_COUNTED` of each are looked at. */
export async function usesOf(tx: Tx, teaId: string): Promise<Record<string, number>> {
  const ids = await tx.select({ id: versions.id }).from(versions).where(eq(versions.teaId, teaId));
  const counted = await Promise.all(
    ids.map(async ({ id }) => {
      const some = tx
        .select({ id: brews.id })
        .from(brews)
        .where(eq(brews.versionId, id))
        .limit(USES_COUNTED)
        .as('some');
      const [row] = await tx.select({ n: count() }).from(some);
      return [id, row?.n ?? 0] as const;
    }),
  );
  return Object.fromEntries(counted.filter(([, n]) => n > 0));
}
