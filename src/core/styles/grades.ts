import type { Grade } from './style';

/**
 * What the cut does: `rate` against whole leaf and `wetting`, the seconds at 90 C until the leaf is wetted through.
 * Direction from the literature on infusion and leaf size (Spiro and co-workers, 1981-2, from memory); fannings and
 * dust are guesses.
 */
export const GRADES: Readonly<
  Record<Grade, { readonly label: string; readonly rate: number; readonly wetting: number }>
> = {
  whole: { label: 'whole leaf', rate: 1, wetting: 12 },
  broken: { label: 'broken leaf', rate: 2, wetting: 5 },
  fannings: { label: 'fannings', rate: 3.6, wetting: 3 },
  dust: { label: 'dust', rate: 6, wetting: 2 },
  rolled: { label: 'rolled leaf', rate: 0.85, wetting: 45 },
};
export const GRADE_NAMES = Object.keys(GRADES) as readonly Grade[];
