import type { Swatches } from '#core/styles';
import { CUP_DEPTH_CM, type Lab, labOf, type Liquor } from './appearance';

export type Shift = { readonly seconds: number; readonly shift: Lab };
/**
 * How far each measured cup lies from its prediction, earliest first. `predicted` gives the liquor so many seconds
 * on.
 */
export const shiftsOf = (s: Swatches, predicted: (seconds: number) => Liquor): Shift[] =>
  [...s.rungs]
    .sort((a, b) => a.seconds - b.seconds)
    .map(({ seconds, lab }) => {
      const model = labOf(predicted(seconds), s.depthCm);
      // Kept for a cup of the usual depth: a thinner layer showed less of it.
      const by = Math.min(1, s.depthCm / CUP_DEPTH_CM);
      return {
        seconds,
        shift: [(lab[0] - model[0]) / by, (lab[1] - model[1]) / by, (lab[2] - model[2]) / by],
      };
    });
/**
 * The difference at a time: in proportion between two measured cups, grown from none at no time, held after the last.
 */
export function shiftAt(shifts: readonly Shift[], seconds: number): Lab {
  const after = shifts.find((s) => s.seconds >= seconds);
  const before = [...shifts].reverse().find((s) => s.seconds < seconds) ?? {
    seconds: 0,
    shift: [0, 0, 0] as const,
  };
  if (!after) return before.shift;
  const w = (seconds - before.seconds) / (after.seconds - before.seconds || 1);
  return [0, 1, 2].map(
    (i) => (before.shift[i] ?? 0) * (1 - w) + (after.shift[i] ?? 0) * w,
  ) as unknown as Lab;
}
