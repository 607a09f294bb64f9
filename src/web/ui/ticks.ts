/** Ticks of a rule from 0 to its end, so far apart. */
export const ticksTo = (end: number, apart: number): number[] =>
  Array.from({ length: Math.floor(end / apart) + 1 }, (_, i) => i * apart);
