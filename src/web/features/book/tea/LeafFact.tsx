import { quartersText, type Recipe, spoonName } from '#core/recipes';
import { measureOf } from '#core/teas';
import { numberText, volumeText } from '#core/units';
import type { Tea } from '#contracts/teas';
import { useUnits } from '../../../entities/people/session';
import { Fact } from '../../../ui/Fact';

/** How much leaf a recipe takes: grams, or the spoons that it counts with the grams they hold. */
export function LeafFact({ tea, recipe }: { tea: Tea; recipe: Recipe }) {
  const units = useUnits();
  const dose = numberText(recipe.dose, 2);
  if (!recipe.spoons)
    return (
      <Fact label="leaf" unit="g per 100 ml">
        {dose}
      </Fact>
    );
  const { quarters, spoon, water } = recipe.spoons;
  const about = measureOf(tea).weighing ? '' : 'about ';
  return (
    <Fact
      label={`leaf, ${about}${dose} g per 100 ml`}
      unit={`${spoonName(spoon, quarters)} per ${volumeText(water, units.volume)}`}
    >
      {quartersText(quarters)}
    </Fact>
  );
}
