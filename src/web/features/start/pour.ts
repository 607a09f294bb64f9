import { type PlannedPour, toCardInput } from '#core/brews';
import {
  type Card,
  type CardFault,
  cardForCups,
  computeCard,
  type CupsAsked,
  type Recipe,
  recipeAsWished,
} from '#core/recipes';
import type { Millilitres } from '#core/units';
import type { VesselFacts } from '#core/vessels';

/** How much is brewed: to the vessel's mark, so much water, or so many cups of liquor. */
export type Amount =
  | { readonly kind: 'mark' }
  | { readonly kind: 'water'; readonly water: Millilitres }
  | { readonly kind: 'cups'; readonly cups: CupsAsked };
export const TO_MARK: Amount = { kind: 'mark' };

/** A pour as it is worked out: cups of liquor say how much water they take. */
export type WorkedPour = {
  readonly water: Millilitres;
  readonly card: Card | CardFault;
  /** The recipe as this brew is made by it, the guest's wish in it. */
  readonly recipe: Recipe;
};
export function workOutPour(
  asked: Omit<PlannedPour<Recipe, VesselFacts>, 'water'>,
  amount: Amount,
): WorkedPour {
  const input = toCardInput({ ...asked, water: asked.vessel.mark });
  const { water, card } = workedOut(input, amount);
  const wished = card.kind === 'card' ? card.wished : null;
  const { recipe } = asked.version;
  return { water, card, recipe: wished ? recipeAsWished(recipe, wished) : recipe };
}
function workedOut(input: ReturnType<typeof toCardInput>, amount: Amount) {
  switch (amount.kind) {
    case 'mark':
      return { water: input.water, card: computeCard(input) };
    case 'water':
      return { water: amount.water, card: computeCard({ ...input, water: amount.water }) };
    case 'cups':
      return cardForCups(input, amount.cups);
  }
}
