import { headlineOf, type Turn } from '#core/corrections';
import { minutesText, numberText } from '#core/units';

const HOUR = 3600;

/** Why, in a sentence of the trade (common practice). */
export const COLD_REASONS: Partial<Record<Turn['lever'], string>> = {
  leafMore: 'Cold water draws slowly: more leaf gives a fuller liquor in the same hours.',
  leafLess: 'Less leaf gives less of everything at nearly the same balance.',
  longer: 'The leaf had not given all by then.',
  shorter: 'The last hours bring bitter and drying taste, not depth.',
};
/** Hours as a clock says them, less as minutes. */
export const lengthText = (s: number): string =>
  Math.abs(s) < HOUR ? `${Math.round(Math.abs(s) / 60)} min` : minutesText(s);
export const headline = (turn: Turn): string =>
  turn.lever === 'longer' || turn.lever === 'shorter'
    ? `${lengthText(turn.to - turn.from)} ${turn.lever}`
    : headlineOf(turn);
export const changeOf = ({ lever, from, to }: Turn): string =>
  lever === 'leafMore' || lever === 'leafLess'
    ? `leaf ${numberText(from, 2)} to ${numberText(to, 2)} g per 100 ml`
    : `lift the leaf after ${lengthText(to)}, was ${lengthText(from)}`;
export const staysOf = ([first]: readonly Turn[]): string =>
  first?.lever === 'leafMore' || first?.lever === 'leafLess'
    ? 'The hours stay.'
    : 'The leaf stays.';
