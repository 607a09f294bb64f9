import {
  type Belief,
  type Doubts,
  gathered,
  type Met,
  type Prepared,
  USUAL_DOUBTS,
} from './belief';

// Cups that differ more from each other than their known errors explain: what nobody recorded would explain it best?

/** What may scatter cups, and can be recorded or trained. */
export const SCATTERED_BY = ['leaf', 'heat', 'taster'] as const;
export type ScatteredBy = (typeof SCATTERED_BY)[number];

/** One-sided 95 % of the normal: so many spreads above what is expected. */
const FAR = 1.645;
const marksOf = (met: readonly Met[]): number =>
  met.reduce((n, m) => n + m.off.filter((off) => off !== null).length, 0);
/** True when the cups lie further from what was expected than chance lets them (chi-square, by its normal approximation). */
export function isScattered(met: readonly Met[]): boolean {
  const n = marksOf(met);
  const distance = met.reduce((sum, m) => sum + m.distance, 0);
  return n > 0 && distance > n + FAR * Math.sqrt(2 * n);
}
const doubled = (usual: Doubts, of: ScatteredBy): Doubts => ({
  leaf: usual.leaf * (of === 'leaf' ? Math.SQRT2 : 1),
  heatC: usual.heatC * (of === 'heat' ? Math.SQRT2 : 1),
  taster: usual.taster * (of === 'taster' ? 2 : 1),
});
/** Whose doubled variance makes the cups likeliest; null: they scatter no more than they should. */
export function scatteredBy(
  prior: Belief,
  cups: readonly Prepared[],
  met: readonly Met[],
  doubts: Doubts = USUAL_DOUBTS,
): ScatteredBy | null {
  if (!isScattered(met)) return null;
  const likelihood = (of: ScatteredBy) =>
    gathered(prior, cups, doubled(doubts, of)).met.reduce((sum, m) => sum + m.logLikelihood, 0);
  const found = SCATTERED_BY.map((of) => ({ of, value: likelihood(of) }));
  return found.reduce((best, one) => (one.value > best.value ? one : best)).of;
}
