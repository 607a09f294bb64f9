/** The field on which the cups of a table stand, px. */
export const WIDTH = 824;
export const LEFT = 54;
export const RIGHT = 40;
/** How far down the board is that they stand on. */
export const LINE = 190;
/** The liquor along the clock is drawn in so many pieces. */
export const STRIPS = 60;
/** Cups nearer than this are drawn smaller. */
export const NEAR = 120;
/** Nearer than this they are moved apart, and their marks keep the true place. */
const LEAST = 132;

/** The places, moved so far apart that no cup covers another; their order stays. */
export function apart(places: readonly number[]): number[] {
  const order = [...places.keys()].sort((a, b) => (places[a] ?? 0) - (places[b] ?? 0));
  const out = [...places];
  order.forEach((i, n) => {
    const before = order[n - 1];
    if (before !== undefined) out[i] = Math.max(out[i] ?? 0, (out[before] ?? 0) + LEAST);
    else out[i] = Math.max(out[i] ?? 0, LEAST / 2);
  });
  [...order].reverse().forEach((i, n, back) => {
    const after = back[n - 1];
    out[i] = Math.min(
      out[i] ?? 0,
      after === undefined ? WIDTH - LEAST / 2 : (out[after] ?? WIDTH) - LEAST,
    );
  });
  return out;
}
