import { type Celsius, celsius } from '#core/units';

/** The heats a kettle can be set to, °C. */
export type SetPoints = { readonly from: Celsius; readonly to: Celsius; readonly step: number };
export const settingsOf = ({ from, to, step }: SetPoints): Celsius[] =>
  Array.from({ length: Math.floor((to - from) / step + 1e-9) + 1 }, (_, i) =>
    celsius(from + i * step),
  );
/**
 * The setting nearest to what is wanted: never one that the kettle has not. Of two as near the cooler one, which does
 * no harm.
 * @example nearestSetting({ from: celsius(60), to: celsius(100), step: 5 }, celsius(87)) // 85
 */
export const nearestSetting = (points: SetPoints, wanted: Celsius): Celsius =>
  settingsOf(points).reduce((best, set) =>
    Math.abs(set - wanted) < Math.abs(best - wanted) ? set : best,
  );
