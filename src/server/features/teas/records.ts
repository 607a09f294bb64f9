import type { Lot, LotFields, Tea, TeaFields, WeighingFields } from '#contracts/teas';

// A record as leads write it: no revision, no resolved spoons. What history compares and what is exchanged.

const TEA_FIELDS = [
  'name',
  'style',
  'method',
  'words',
  'allergens',
  'note',
  'leaf',
  'blend',
  'packet',
  'caffeine',
  'cautions',
  'colour',
  'weighing',
  'spoon',
] as const satisfies readonly (keyof TeaFields)[];
export type TeaRecord = TeaFields & { retired: boolean };
export const teaRecord = (t: Tea): TeaRecord => ({
  ...(Object.fromEntries(TEA_FIELDS.map((f) => [f, t[f]])) as TeaFields),
  retired: t.retired,
});
const idOf = (w: Lot['weighing']): WeighingFields | null =>
  w && { spoon: w.spoon.id, spoons: w.spoons, weighed: w.weighed, singles: w.singles };
export const lotRecord = ({
  name,
  arrived,
  bestBefore,
  harvest,
  note,
  state,
  weighing,
  versionId,
}: Lot): LotFields => ({
  name,
  arrived,
  bestBefore,
  harvest,
  note,
  state,
  weighing: idOf(weighing),
  versionId,
});
