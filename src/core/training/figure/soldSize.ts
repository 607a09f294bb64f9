const STEP_ML = 100;
/** The size that a vessel is sold as: its brim up to the next 100 ml (common practice). @example soldSize(620) // 700 */
export const soldSize = (brimMl: number): number => Math.ceil(brimMl / STEP_ML) * STEP_ML;
