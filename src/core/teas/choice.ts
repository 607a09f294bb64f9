import type { LotState } from './lots';

// What of a tea is brewed: choices over what is known of it.

type LotFacts<W> = { readonly state: LotState; readonly weighing: W | null };
type Measured<S, W> = { readonly spoon: S; readonly weighing: W | null };
type RecipeFacts<M> = { readonly method: M; readonly house: unknown };

/** The lot that is brewed unless another is asked for; null when none is in use. */
export const lotInUse = <L extends { readonly state: LotState }>(tea: {
  readonly lots: readonly L[];
}): L | null => tea.lots.find((l) => l.state === 'inUse') ?? null;

/**
 * Spoon and weighing that spoons are counted by: the weighing of the lot where it has one, else of the tea.
 *
 * @param lot the lot that is brewed; absent: the one in use
 */
export const measureOf = <S, W, L extends LotFacts<W>>(
  tea: { readonly measure: Measured<S, W>; readonly lots: readonly L[] },
  lot?: L | null,
): Measured<S, W> => ({
  spoon: tea.measure.spoon,
  weighing: (lot ?? lotInUse(tea))?.weighing ?? tea.measure.weighing,
});

/**
 * The recipe that a vessel is brewed by: of its own method where the tea has a house recipe for that, else the tea's
 * usual; null when the tea has neither.
 */
export const recipeFor = <M, R extends RecipeFacts<M>>(
  tea: { readonly method: M; readonly recipes: readonly R[] },
  method: M,
): R | null =>
  tea.recipes.find((r) => r.method === method && r.house) ??
  tea.recipes.find((r) => r.method === tea.method && r.house) ??
  null;

type OwnRecipe<M, V> = {
  readonly method: M;
  readonly house: V | null;
  readonly site: { readonly inPlaceOf: V } | null;
};
/** The house's own version of a method, also where a site brews another in its place; null: there is none. */
export const versionOfTheHouse = <M, V>(
  tea: { readonly recipes: readonly OwnRecipe<M, V>[] },
  method: M,
): V | null => {
  const found = tea.recipes.find((r) => r.method === method);
  return found?.site?.inPlaceOf ?? found?.house ?? null;
};

type BagRecipe<B> = {
  readonly method: string;
  readonly house: { readonly recipe: { readonly bag?: B } } | null;
};
/** Leaf in one bag of a tea, by its bag recipe; null where it has none. */
export const bagOf = <B>(tea: { readonly recipes: readonly BagRecipe<B>[] }) =>
  tea.recipes.find((r) => r.method === 'bag')?.house?.recipe.bag ?? null;
