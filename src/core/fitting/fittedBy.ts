import type { Multipliers, StyleId } from '#core/styles';

type Fit = { readonly style: StyleId; readonly multipliers: Multipliers };

/**
 * The multipliers that a tea goes by. A fit that was made while the tea had another style is not used, whoever changed
 * the style; it is kept for when the style is changed back.
 *
 * @param style the tea's style now
 */
export const fittedBy = <F extends Fit>(
  fit: F | null | undefined,
  style: StyleId,
): F['multipliers'] | null => (fit && fit.style === style ? fit.multipliers : null);
