import type { Method } from '#core/recipes';
import type { Lot, MethodRecipe, Tea } from './teas';

// What of a tea is brewed: pure choices over its record, without the schemas.

/** The lot brewed unless another is asked for. */
export const lotInUse = (tea: Pick<Tea, 'lots'>): Lot | null =>
  tea.lots.find((l) => l.state === 'inUse') ?? null;
/** Spoon and weighing to reckon with: the lot's own weighing, else the tea's. */
export const measureOf = (
  tea: Pick<Tea, 'measure' | 'lots'>,
  lot?: Lot | null,
): Tea['measure'] => ({
  spoon: tea.measure.spoon,
  weighing: (lot ?? lotInUse(tea))?.weighing ?? tea.measure.weighing,
});
/** The recipe a vessel's method is brewed by: its own where the tea has one, else the tea's usual. */
export const recipeFor = (tea: Tea, method: Method): MethodRecipe | null =>
  tea.recipes.find((r) => r.method === method && r.house) ??
  tea.recipes.find((r) => r.method === tea.method && r.house) ??
  null;
/** Leaf in one bag of a tea, by its bag recipe; null where it has none. */
export const bagOf = (tea: Pick<Tea, 'recipes'>) =>
  tea.recipes.find((r) => r.method === 'bag')?.house?.recipe.bag ?? null;
