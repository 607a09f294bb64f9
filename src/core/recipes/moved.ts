import type { KnownGood, Scaling } from '#core/scaling';
import { type Celsius, grams, type GramsPer100Ml, type Seconds, seconds } from '#core/units';
import type { Recipe } from './recipe';
import { withDose } from './spoonRecipe';

/** How leaf follows the vessel, with so much more leaf in what is known. */
function scalingBy(scaling: Scaling, more: number): Scaling {
  const by = <K extends KnownGood>(k: K): K => ({
    ...k,
    leaf: grams(Math.round(k.leaf * more * 10) / 10),
  });
  switch (scaling.school) {
    case 'linear':
      return scaling;
    case 'tapered':
      return { ...scaling, small: by(scaling.small), large: by(scaling.large) };
    case 'match':
      return { ...scaling, known: by(scaling.known) };
  }
}
/**
 * A recipe with its leaf, heat and best time moved: the window goes with the time, the school of scaling with the
 * leaf, the rest stays.
 */
export function movedRecipe(
  recipe: Recipe,
  to: { readonly dose: GramsPer100Ml; readonly temperature: Celsius; readonly best: Seconds },
): Recipe {
  const by = to.best / recipe.window.best;
  const five = (s: number) => seconds(Math.max(5, Math.round(s / 5) * 5));
  return {
    ...withDose(recipe, to.dose),
    temperature: to.temperature,
    scaling: scalingBy(recipe.scaling, to.dose / recipe.dose),
    window: {
      earliest: five(Math.min(to.best, recipe.window.earliest * by)),
      best: to.best,
      latest: five(Math.max(to.best, recipe.window.latest * by)),
    },
  };
}
