import { diluted, type Liquor } from '#core/colour';
import { houseLiquor, type Recipe } from '#core/recipes';
import type { KnownTea } from '#core/styles';
import { type Seconds, seconds } from '#core/units';

/** The liquor of a recipe so many seconds on, where no vessel is meant. */
export const liquorAfter = (tea: KnownTea, recipe: Recipe, s: Seconds): Liquor =>
  houseLiquor(tea, recipe, seconds(Math.max(0, s)));

/** A recipe's cup is worked out once: lists draw many. */
const houseCups = new WeakMap<Recipe, KnownTea & { liquor: Liquor }>();

/** The house cup of a recipe: the colour that is right. */
export function houseLiquorOf({ style, fitted, swatches }: KnownTea, recipe: Recipe): Liquor {
  const there = houseCups.get(recipe);
  if (there?.style === style && there.fitted === fitted && there.swatches === swatches)
    return there.liquor;
  const liquor = liquorAfter({ style, fitted, swatches }, recipe, recipe.window.best);
  houseCups.set(recipe, { style, fitted, swatches, liquor });
  return liquor;
}

export const swatchOf = (tea: KnownTea, recipe: Recipe, strength: number): Liquor =>
  diluted(houseLiquorOf(tea, recipe), strength);
