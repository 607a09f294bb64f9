import type { z } from 'zod';
import type { ExchangeFile, ExchangeVersion } from '#contracts/exchange';
import type { HouseSpoon } from '#contracts/kettles';
import type { Version } from '#contracts/recipes';
import type { Vessel, VesselFields } from '#contracts/vessels';
import { lotRecord, teaRecord } from '../teas';
import type { Here } from './snapshot';

// Records as they are exchanged: no revisions, no resolved spoons, sites by name.

export type VesselRecord = VesselFields & { retired: boolean; siteId: string };
export const vesselRecord = ({ id: _id, rev: _rev, ...record }: Vessel): VesselRecord => record;
export type SpoonRecord = Pick<HouseSpoon, 'name' | 'ml' | 'heaped' | 'retired'>;
export const spoonRecord = ({ name, ml, heaped, retired }: HouseSpoon): SpoonRecord => ({
  name,
  ml,
  heaped,
  retired,
});
const versionRecord = ({
  id,
  method,
  number,
  state,
  recipe,
  reason,
  author,
  at,
}: Version): z.infer<typeof ExchangeVersion> => ({
  id,
  method,
  number,
  state,
  recipe,
  reason,
  author: author.name,
  at,
});

/** Keys in one order all the way down, so that two copies of a thing read the same. */
const ordered = (v: unknown): unknown => {
  if (Array.isArray(v)) return v.map(ordered);
  if (v !== null && typeof v === 'object')
    return Object.fromEntries(
      Object.entries(v)
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .map(([k, x]) => [k, ordered(x)]),
    );
  return v;
};
export const alike = (a: unknown, b: unknown): boolean =>
  JSON.stringify(ordered(a)) === JSON.stringify(ordered(b));
/** Names of the fields that differ. */
export const differing = (a: object, b: object): string[] =>
  Object.keys({ ...a, ...b }).filter(
    (k) => !alike((a as Record<string, unknown>)[k], (b as Record<string, unknown>)[k]),
  );

/** The whole book as one document, its lists in a fixed order. */
export function exchangeFile(here: Here): ExchangeFile {
  const siteName = new Map(here.sites.map((s) => [s.id, s.name]));
  const byId = <T extends { id: string }>(list: readonly T[]) =>
    [...list].sort((a, b) => (a.id < b.id ? -1 : 1));
  return {
    format: 'limnos-book',
    version: 1,
    vocabulary: [...here.vocabulary],
    spoons: byId(here.spoons.filter((s) => s.own)).map((s) => ({ id: s.id, ...spoonRecord(s) })),
    teas: byId(here.teas).map((t) => ({
      id: t.id,
      ...teaRecord(t),
      lots: byId(here.lots.filter((l) => l.teaId === t.id)).map((l) => ({
        id: l.id,
        ...lotRecord(l),
      })),
      recipes: here.versions
        .filter((v) => v.teaId === t.id)
        .sort((a, b) => {
          if (a.method < b.method) return -1;
          if (a.method > b.method) return 1;
          return a.number - b.number;
        })
        .map(versionRecord),
    })),
    vessels: byId(here.vessels).map(({ rev: _rev, siteId, ...v }) => ({
      ...v,
      site: siteName.get(siteId) ?? '',
    })),
  };
}
/** As text: keys in one order, so that out, in and out again is the same file. */
export const exchangeText = (file: ExchangeFile): string =>
  `${JSON.stringify(ordered(file), null, 1)}\n`;
