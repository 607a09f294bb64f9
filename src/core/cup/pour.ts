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
