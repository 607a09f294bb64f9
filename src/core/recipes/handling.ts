import {
  degrees,
  minutesText,
  numberText,
  seconds,
  volumeText,
  type VolumeUnit,
} from '#core/units';
import {
  type Handling,
  type OwnStep,
  type Recipe,
  SERVE_ORDERS,
  SERVING_STYLES,
  type ServingGlass,
} from './recipe';

/** Nothing but pour, wait and pull. */
export const PLAIN_HANDLING: Handling = {
  rinse: seconds(0),
  stir: [],
  circles: false,
  root: 0,
  squeeze: false,
  milk: false,
  order: 'plain',
};

/**
 * The house's own steps as a card has them: timed ones say when.
 * @example ownStepWords([{ when: 'steep', at: seconds(60), words: 'Lid on' }]) // ['At 1:00: Lid on.']
 */
export const ownStepWords = (own: readonly OwnStep[]): string[] =>
  own.map(({ when, at, words }) => {
    const sentence = /[.!?]$/.test(words) ? words : `${words}.`;
    if (at !== null) return `At ${minutesText(at)}: ${sentence}`;
    return when === 'after' ? `When the leaf is out: ${sentence}` : sentence;
  });

/** What hands do for a recipe, a short sentence each, in the order they do it. Empty when there is nothing to say. */
export function handlingWords(r: Recipe): string[] {
  const { rinse, stir, circles, root, squeeze, milk, order } = r.handling;
  return [
    rinse > 0 ? `Rinse ${Math.round(rinse)} s and pour it away.` : '',
    circles ? 'Pour slowly, in circles.' : '',
    stir.length > 0 ? `Stir at ${stir.map((s) => minutesText(s)).join(', ')}.` : '',
    drainWords(root, r),
    squeeze ? 'Press the leaf out.' : '',
    ...ownStepWords(r.handling.own ?? []),
    order === 'plain' ? '' : `Serve ${SERVE_ORDERS[order]}.`,
    milk ? 'Takes milk.' : '',
  ].filter(Boolean);
}

/** How the leaf is left: with a root, drained, or nothing said. */
function drainWords(root: number, r: Recipe) {
  if (root > 0) return `Keep a root: about ${Math.round(root * 100)} % stays under the leaf.`;
  if (r.later.length > 0) return 'Drain to the last drop.';
  return '';
}

/** "Staff may go ±15 s, ±0.3 g."; empty when nobody said. */
export const leewayWords = ({ leeway }: Recipe): string =>
  leeway ? `Staff may go ±${Math.round(leeway.time)} s, ±${numberText(leeway.leaf)} g.` : '';

/** "A third hot, 80 °C, 1:00, then cold." Shares are said in hundredths. */
export const warmStartWords = ({ warmStart: w }: Recipe, scale: 'C' | 'F'): string =>
  w
    ? `${Math.round(w.share * 100)} % of the water on hot, ${degrees(w.temperature, scale)} °${scale}, lid off, ${minutesText(w.time)}; then the rest cold.`
    : '';

/** What an extract is let down with in the glass. */
const WATER_FOR: Readonly<Record<ServingGlass['style'], string>> = {
  hot: 'hot water poured straight into the extract',
  sparkling: 'sparkling water',
  chilled: 'cold water',
  room: 'water',
};
/** "chilled: 40 ml, then 160 ml cold water". Cold goes in the glass first, so that hot water does not crack it. */
export const glassWords = (g: ServingGlass, unit: VolumeUnit): string =>
  `${SERVING_STYLES[g.style]}: ${volumeText(g.extract, unit)} in the glass first, then ${volumeText(g.water, unit)} ${WATER_FOR[g.style]}`;
