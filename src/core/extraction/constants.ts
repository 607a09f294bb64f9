import type { BySolute } from './solutes';

/** Gas constant, kJ/(mol K) (CODATA, rounded as the fit used it). */
export const GAS_CONSTANT = 8.314e-3;
/** Rates and partitions are given at 90 C. */
const REFERENCE_KELVIN = 363.15;

/**
 * First-order rates 1/s at 90 C, whole leaf. Order of magnitude from the literature (Spiro and Siddique 1981, Price
 * and Spitzer 1993-4, from memory), then fitted to bands that express common practice; nothing was measured.
 */
export const RATE_AT_90: BySolute = [0.03, 0.0296, 0.00581, 0.00405, 0.00249, 0.0048, 0.00102];
/** Activation energies, kJ/mol; 40-55 in the literature for whole liquors, the spread between classes is fitted. */
export const ACTIVATION: BySolute = [38, 47.7, 50.7, 59.3, 69.2, 59.4, 63.8];
/** Partition between liquor and wet leaf at 90 C; aroma leaves whole, so its value is not used. Fitted. */
export const PARTITION_AT_90: BySolute = [99, 3, 2, 0.991, 0.515, 1, 0.598];
/** Heats of partition, kJ/mol: tannin dissolves far better hot. Fitted. */
export const PARTITION_HEAT: BySolute = [0, 5, 12, 40.1, 54.9, 25, 20];
/** Of wetting and of stewing, kJ/mol. From memory. */
export const WETTING_ENERGY = 34;
export const STEWING_ENERGY = 90;
/** Loss of aroma to the air at 90 C under a lid, 1/s, its energy, and how much more is lost without a lid. Guesses. */
export const VENTING = { rate: 0.0004, energy: 30, open: 4 } as const;

/** How the pot is moved. Rates against a still pot; guesses. */
export const AGITATION = { still: 1, swirl: 1.2, stirred: 1.45 } as const;
export type Agitation = keyof typeof AGITATION;
export const AGITATION_NAMES = Object.keys(AGITATION) as readonly Agitation[];

/** (1/T - 1/363.15)/R in mol/kJ: energies times this are exponents. @example coldness(90) // 0 */
export const coldness = (celsius: number): number =>
  (1 / (celsius + 273.15) - 1 / REFERENCE_KELVIN) / GAS_CONSTANT;

/** The model's limits: outside them it says so rather than answers. */
export const LIMITS = {
  temperatureC: [4, 98],
  gramsPerLitre: [3, 60],
  hotSeconds: [10, 1800],
  coldSeconds: [10, 48 * 3600],
} as const;
