import { type ColdTea, coldTeaId } from '#core/coldPlan';
import { isCold, METHODS } from '#core/recipes';
import { lotInUse, measureOf } from '#core/teas';
import { type Millilitres, millilitres } from '#core/units';
import type { Tea } from '#contracts/teas';

/** A glass until another is typed. */
export const USUAL_GLASS = millilitres(220);

/** A tea by a cold method that may be planned. */
export type Plannable = ColdTea & {
  readonly teaId: string;
  readonly name: string;
  readonly kind: string;
};
/** Every tea that the house brews cold, by each method; counter brews are not planned. */
export const plannableOf = (
  teas: readonly Tea[],
  glassOf: (coldTea: string) => Millilitres | undefined,
): Plannable[] =>
  teas
    .filter((tea) => !tea.retired)
    .flatMap((tea) =>
      tea.recipes.flatMap(({ house, method }): Plannable[] => {
        if (!house || !isCold(method) || method === 'counter') return [];
        const id = coldTeaId(tea.id, method);
        const extract = house.recipe.glasses[0]?.extract;
        return [
          {
            ...{ id, teaId: tea.id, name: tea.name, kind: METHODS[method].label, method },
            tea: { style: tea.style, fitted: tea.fitted, ...measureOf(tea, lotInUse(tea)) },
            recipe: house.recipe,
            serving: extract ?? glassOf(id) ?? USUAL_GLASS,
          },
        ];
      }),
    );
