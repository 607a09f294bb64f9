import { doubtWeighing, type Method, type Recipe, recipeFault } from '#core/recipes';
import type { WeighingFields } from '#contracts/teas';
import type { Tx } from '../../db/pool';
import { invalid } from '../../http/errors';
import { spoonsById } from '../spoons';

/** A weighing ten times off any leaf is refused outright; a factor of three is asked about on the page. */
const ABSURD = 10;
/** @throws 422 for a spoon that the house has not, or a weighing that no leaf has */
export async function checkWeighing(tx: Tx, weighing: WeighingFields | null, spoon?: string) {
  const spoons = await spoonsById(tx);
  if (spoon !== undefined && !spoons.has(spoon))
    throw invalid({ spoon: 'That spoon is not on the shelf.' });
  if (!weighing) return;
  const by = spoons.get(weighing.spoon);
  if (!by) throw invalid({ 'weighing.spoon': 'That spoon is not on the shelf.' });
  const doubt = doubtWeighing({ ...weighing, spoon: by });
  if (doubt && doubt.factor > ABSURD) throw invalid({ 'weighing.weighed': doubt.words });
}
/** @throws 422 for figures that no recipe of the method has */
export function checkRecipe(recipe: Recipe, method: Method) {
  const fault = recipeFault(recipe, method);
  if (fault) throw invalid({ [`recipe.${fault.field}`]: fault.why });
}
