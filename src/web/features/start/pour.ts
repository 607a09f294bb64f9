import { type PlannedPour, toCardInput } from '#core/brews';
import {
  type Card,
  type CardFault,
  cardForCups,
  computeCard,
  CUPS_MOST,
  type CupsAsked,
  type Recipe,
  recipeAsWished,
} from '#core/recipes';
import { type Millilitres, ML_PER } from '#core/units';
import type { VesselFacts } from '#core/vessels';

/** How much is brewed: to the vessel's mark, so much water, or so many cups of liquor. */
export type Amount =
  | { readonly kind: 'mark' }
  | { readonly kind: 'water'; readonly water: Millilitres }
  | { readonly kind: 'cups'; readonly cups: CupsAsked };
export const TO_MARK: Amount = { kind: 'mark' };

/** Cups that a pot is emptied into: those that were asked for, or teacups of its mark, at least two. */
export const cupsOf = (amount: Amount, { mark }: Pick<VesselFacts, 'mark'>): number => {
  if (amount.kind === 'cups') return Math.max(2, amount.cups.count);
  const water = amount.kind === 'water' ? amount.water : mark;
  return Math.min(CUPS_MOST, Math.max(2, Math.round(water / ML_PER.teacup)));
};

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
