import { type Millilitres, millilitres } from '#core/units';
import { type Card, type CardFault, computeCard } from './card';
import type { CardInput } from './cardInput';
import type { CupsAsked } from './cups';

// So many cups of so many ml of liquor: the water is more, by what the leaf keeps and what stays in the vessel.

/** Leaf comes in tenths of a gram, so water settles within this in a few rounds, ml. */
const CLOSE = 0.25;
const ROUNDS = 12;

/**
 * The water for so many cups of liquor in one vessel, and its card, or why this vessel cannot pour them. A tenth of a
 * gram of leaf keeps a third of a millilitre: the liquor comes within 1 ml of what was asked for.
 */
export function cardForCups(
  input: Omit<CardInput, 'water'>,
  { count, each }: CupsAsked,
): { readonly water: Millilitres; readonly card: Card | CardFault } {
  const wanted = count * each;
  let water = millilitres(wanted);
  let card = computeCard({ ...input, water });
  // What one round lacks the next one adds: leaf keeps only part of the water that brings it.
  for (let round = 0; round < ROUNDS && card.kind === 'card'; round += 1) {
    const lacks = wanted - card.liquor;
    if (Math.abs(lacks) < CLOSE) break;
    water = millilitres(Math.round(10 * (water + lacks)) / 10);
    card = computeCard({ ...input, water });
  }
  return { water, card };
}
