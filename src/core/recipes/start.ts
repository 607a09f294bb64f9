import type { Recipe } from './recipe';
import { styleOf, type StyleId } from '#core/styles';
import { celsius, gramsPer100Ml, seconds } from '#core/units';

/** A first recipe for a new tea: the style's starting point (common practice), linear, vessel warmed when hot. */
export function startingRecipe(style: StyleId): Recipe {
  const { start, family } = styleOf(style);
  return {
    dose: gramsPer100Ml(start.dose),
    scaling: { school: 'linear' },
    temperature: celsius(start.temperature),
    window: { earliest: seconds(start.earliest), best: seconds(start.best), latest: seconds(start.latest) },
    warm: start.temperature >= 85,
    lid: family !== 'green',
    later: [],
    note: '',
  };
}
