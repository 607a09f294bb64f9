import { MARK } from '#core/taste';
import { FIT_SCORES, type FitScore, type Tasted } from './fit';

export type Scores = Readonly<Record<FitScore, number>>;
/** A strength read from a colour: 1.14 is 14 % stronger than the house cup; likely between `low` and `high`. */
export type ColourStrength = {
  readonly strength: number;
  readonly low: number;
  readonly high: number;
};
/**
 * A cup of this house as it was really made, and what was found of it. Marks are means over tasters, -2..2; + is too
 * much.
 */
export type Seen = {
  readonly brew: Tasted['brew'];
  readonly marks: Readonly<Partial<Record<FitScore, number>>>;
  /** Dissolved solids by refractometer, g/L. */
  readonly solids?: number;
  /** Strength by colour against the house cup, with its interval of one standard error either way. */
  readonly colour?: ColourStrength;
};
/** A colour reading is never surer than this (log): its own error of 6 to 15 % and the model's. */
const LEAST_COLOUR_SD = 0.1;
/** A mean nearer to the end of the marks than this is a bound. */
const AT_THE_END = 1.75;
const onScale = (v: number): number => Math.min(10, Math.max(0, v));

/**
 * Marks as scores: a mark says how far a cup is from the right one, 0.8 index points each, and the right one is the
 * house
 * recipe's by the style (`right`). A mark at the end of the scale is a bound: more than that cannot be marked. So a
 * table's own idea of right is what the tea is fitted to. A house cup's colour reading
 * is against `house`.
 */
export const tastedOf = (
  { brew, marks, solids, colour }: Seen,
  right: Scores,
  house: Tasted['brew'],
): Tasted => ({
  brew,
  ...Object.fromEntries(
    FIT_SCORES.flatMap((k) => {
      const m = marks[k];
      return m === undefined ? [] : [[k, onScale(right[k] + MARK * m)]];
    }),
  ),
  bounds: Object.fromEntries(
    FIT_SCORES.flatMap((k) => {
      const m = marks[k];
      return m === undefined || Math.abs(m) < AT_THE_END ? [] : [[k, m < 0 ? 'atMost' : 'atLeast']];
    }),
  ),
  ...(solids !== undefined && { tds: solids }),
  ...(colour && {
    colour: {
      ratio: colour.strength,
      sd: Math.max(LEAST_COLOUR_SD, Math.log(colour.high / colour.low) / 2),
      against: house,
    },
  }),
});
