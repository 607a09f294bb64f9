import { type Random, shuffled } from '#core/numeric';

/**
 * A Williams Latin square: each cup stands at each place, and follows each other cup, equally often (Williams 1949).
 * n rows for an even n; 2 n (a square and its mirror) for an odd one.
 */
export function williamsSquare(n: number): number[][] {
  const first = Array.from({ length: n }, (_, i) => (i % 2 === 1 ? (i + 1) / 2 : (n - i / 2) % n));
  const square = Array.from({ length: n }, (_, shift) => first.map((v) => (v + shift) % n));
  return n % 2 === 0 || n === 1 ? square : [...square, ...square.map((row) => [...row].reverse())];
}

/**
 * One serving order a taster: rows of a Williams square in turn, cups and rows shuffled so that no place means
 * anything.
 */
export function servingOrders<T>(cups: readonly T[], tasters: number, random: Random): T[][] {
  const names = shuffled(cups, random);
  const rows = shuffled(williamsSquare(cups.length), random);
  return Array.from({ length: tasters }, (_, i) =>
    (rows[i % rows.length] as number[]).map((c) => names[c] as T),
  );
}

/** The six orders of a triangle. A twice and B once, B twice and A once, each kind in its three places. */
export const TRIANGLES = ['AAB', 'ABA', 'BAA', 'BBA', 'BAB', 'ABB'] as const;
export type Triangle = (typeof TRIANGLES)[number];
/** One triangle a taster, all six equally often as far as they go. */
export function triangleOrders(tasters: number, random: Random): Triangle[] {
  const out: Triangle[] = [];
  while (out.length < tasters) out.push(...shuffled(TRIANGLES, random));
  return out.slice(0, tasters);
}
