import { eachSolute } from '#core/extraction';
import { tasteOf } from '#core/taste';
import { brewCup, type Brewing } from './cup';

// A pot that nobody stirred is weaker at its first drop than at its last.

/** From the first to the last drop of a pot, as a share of its mean strength (from memory). */
export const POT_GRADIENT = 0.5;

/**
 * How strong the liquor is at a place in the pour, the mean of the pot being 1.
 * @param at share of the pot that is poured already, 0 to 1
 * @example strengthAlongPour(1) // 1.25
 */
export const strengthAlongPour = (at: number, gradient: number = POT_GRADIENT): number =>
  1 + gradient * (at - 0.5);

/**
 * Predicted strength of each cup when a pot is poured into them one after another, 0 to 10, the first cup first. In
 * turns each would be the pot's mean.
 * @throws {RangeError} on no water, no leaf or negative time.
 */
export function strengthsInARow(brew: Brewing, cups: number): number[] {
  const { gramsPerLitre } = brewCup(brew);
  return Array.from({ length: cups }, (_, i) => {
    const times = strengthAlongPour((i + 0.5) / cups);
    const poured = eachSolute((solute) => times * (gramsPerLitre[solute] ?? 0));
    return tasteOf(poured, brew.character, 0, brew.milk ?? 0).strength;
  });
}
