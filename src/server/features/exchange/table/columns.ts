import { type TableName, TABLES } from '#contracts/exchange';
import { findColumns } from '../cells';

export const NAMES = {
  teas: {
    tea: ['tea', 'name'],
    style: ['style', 'kind'],
    method: ['method'],
    words: ['words', 'tasting words'],
    allergens: ['allergens', 'allergen'],
    blend: ['blend', 'blended with'],
    packet: ['packet', 'packet advice'],
    form: ['form', 'leaf form'],
    season: ['season'],
    traits: ['traits'],
    caffeine: ['caffeine'],
    cautions: ['cautions'],
    note: ['note'],
    spoon: ['spoon'],
    spoons: ['spoons'],
    weighed: ['weighed'],
    retired: ['retired'],
  },
  lots: {
    tea: ['tea'],
    lot: ['lot', 'name'],
    arrived: ['arrived', 'arrival'],
    bestBefore: ['best before'],
    harvest: ['harvest'],
    state: ['state'],
    note: ['note'],
  },
  recipes: {
    tea: ['tea', 'name'],
    method: ['method'],
    dose: ['dose', 'leaf per 100 ml', 'g per 100 ml'],
    leaf: ['leaf'],
    water: ['water'],
    heat: ['heat', 'temperature'],
    earliest: ['earliest'],
    best: ['best', 'time'],
    latest: ['latest'],
    warm: ['warm', 'warmed'],
    lid: ['lid'],
    note: ['note', 'handling'],
    reason: ['reason', 'why'],
    state: ['state'],
    number: ['version', 'number'],
  },
  vessels: {
    site: ['site'],
    vessel: ['vessel', 'name'],
    kind: ['kind'],
    mark: ['mark', 'fill mark'],
    brim: ['brim'],
    infuser: ['infuser'],
    basket: ['basket'],
    material: ['material'],
    weighs: ['weighs', 'mass'],
    lid: ['lid'],
    cosy: ['cosy'],
    strainer: ['strainer', 'leaf'],
    stays: ['stays', 'dead'],
    covers: ['covers'],
    retired: ['retired'],
  },
} as const;

type Names = { readonly [T in TableName]: keyof (typeof NAMES)[T] };

const NEEDED: { readonly [T in TableName]: readonly Names[T][] } = {
  teas: ['tea', 'style'],
  lots: ['tea', 'lot'],
  recipes: ['tea', 'heat', 'best'],
  vessels: ['vessel', 'kind', 'mark', 'brim'],
};

/** Which table a header is of: the one most of whose columns it has, all the needed among them. */
export function tableOf(header: readonly string[]): TableName | null {
  const scored = TABLES.map((t) => {
    const { columns } = findColumns(
      header,
      NAMES[t] as Readonly<Record<string, readonly string[]>>,
    );
    return {
      t,
      score: NEEDED[t].every((c) => columns[c as string]) ? Object.keys(columns).length : 0,
    };
  }).sort((a, b) => b.score - a.score);
  return scored[0] && scored[0].score > 0 ? scored[0].t : null;
}

/** Columns of a table that a file lacks and needs. */
export function missingColumns(table: TableName, header: readonly string[]): string[] {
  const { columns } = findColumns(
    header,
    NAMES[table] as Readonly<Record<string, readonly string[]>>,
  );
  return NEEDED[table]
    .filter((c) => !columns[c as string])
    .map(
      (c) =>
        (NAMES[table] as Readonly<Record<string, readonly string[]>>)[c as string]?.[0] ??
        String(c),
    );
}
