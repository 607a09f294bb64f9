import { useMemo } from 'react';
import { labOf } from '#core/colour';
import { isCold } from '#core/recipes';
import { styleOf } from '#core/styles';
import { leafWords } from '#core/teas';
import type { Tea } from '#contracts/teas';
import { houseLiquorOf } from '../../../entities/teas/liquor';
import { matches } from '../../../ui/PickList';

export const ORDERS = ['A to Z', 'Recent', 'By kind', 'By colour'] as const;

export type Order = (typeof ORDERS)[number];

/** What the list can be narrowed to besides what is typed. */
export const FILTERS: readonly (readonly [name: string, keeps: (t: Tea) => boolean])[] = [
  ['all teas', () => true],
  ['with a new lot', (t) => t.lots.some((l) => l.state === 'new')],
  ['on trial', (t) => t.recipes.some((r) => r.trial)],
  ['brewed cold', (t) => t.recipes.some((r) => isCold(r.method) && r.house)],
  ['not weighed yet', (t) => !t.weighing],
  ['with allergens', (t) => t.allergens !== ''],
  ['no caffeine', (t) => styleOf(t.style).extractable[2] === 0],
];

const FAMILIES = ['white', 'green', 'oolong', 'black', 'ripe dark', 'herbal'];

const BY_NAME = new Intl.Collator('en');

/** Brewed last comes first; what was not brewed lately stays in order of name. */
const lastAt = (recent: readonly { teaId: string }[], t: Tea) => {
  const i = recent.findIndex((r) => r.teaId === t.id);
  return i < 0 ? recent.length : i;
};

const familyOf = (t: Tea) => FAMILIES.indexOf(styleOf(t.style).family);

const lightness = (t: Tea) => (t.house ? labOf(houseLiquorOf(t, t.house.recipe))[0] : 100);

/** The teas found, in the order asked for: in order of name once; typing only sieves, and puts the better matches first. */
export function useSorted({
  teas,
  order,
  recent,
  filter,
  typed,
}: {
  teas: readonly Tea[];
  order: Order;
  recent: { teaId: string; vesselId: string; water: number }[];
  filter: number;
  typed: string;
}) {
  const sought = useMemo(
    () =>
      teas
        .filter((t) => !t.retired)
        .sort((x, y) => BY_NAME.compare(x.name, y.name))
        .map((t) => ({
          t,
          words: `${styleOf(t.style).kind} ${t.words} ${leafWords(t.leaf)} ${t.lots.map((l) => l.name).join(' ')}`,
        })),
    [teas],
  );
  const ordered = useMemo(() => {
    if (order === 'By colour') return [...sought].sort((x, y) => lightness(y.t) - lightness(x.t));
    if (order === 'By kind') return [...sought].sort((x, y) => familyOf(x.t) - familyOf(y.t));
    if (order === 'Recent')
      return [...sought].sort((x, y) => lastAt(recent, x.t) - lastAt(recent, y.t));
    return sought;
  }, [sought, order, recent]);
  return useMemo(() => {
    const keeps = FILTERS[filter]?.[1] ?? (() => true);
    const found = ordered
      .filter(({ t }) => keeps(t))
      .map(({ t, words }) => ({
        t,
        score: Math.max(2 * matches(t.name, typed), matches(words, typed)),
      }))
      .filter((x) => x.score > 0);
    return (
      typed !== '' && order !== 'By kind' ? found.sort((x, y) => y.score - x.score) : found
    ).map(({ t }) => t);
  }, [ordered, order, typed, filter]);
}
/** So many are drawn at once; the rest as they are scrolled to. */
export const PAGE = 24;
