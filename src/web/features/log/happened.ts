import { stepDoneWords, stepsOf, type TasteMark, tasteMarkWords } from '#core/brews';
import { verdictWords } from '#core/corrections';
import { minutesText, numberText, readingText, volumeText } from '#core/units';
import type { Brew, Happened } from '#contracts/brews';
import { colourSeenWords } from '../../entities/brews/colourSeen';
import { signedPercent, strengthWords } from '../../entities/brews/strength';
import type { useUnits } from '../../entities/people/session';

const WAYS = {
  reference: 'by a picture beside the house cup',
  rim: 'by a picture and its white rim',
  instrument: 'by an instrument',
} as const;

/** Which cup was tasted again. */
export const TASTED_WORDS = { served: 'as it was served', rescued: 'after the rescue' } as const;

/**
 * A kept colour reading: "14 % stronger than the house cup (+8 to +20), by a picture beside the house cup, 3.5 cm
 * deep".
 */
export const colourWords = (c: Extract<Happened['what'], { kind: 'colour' }>): string =>
  `${strengthWords(c.strength)} than the house cup (${signedPercent(c.low)} to ${signedPercent(c.high)}), ${WAYS[c.way]}, ${numberText(c.depthCm)} cm deep`;

const tastedWords = (mark: TasteMark | undefined): string =>
  mark === undefined ? '' : `: ${tasteMarkWords(mark)}`;
/** One thing that was done to a brew, in a few words and the reader's units. */
export function happenedWords(
  { what }: Happened,
  brew: Brew,
  units: ReturnType<typeof useUnits>,
): string {
  switch (what.kind) {
    case 'start':
      return brew.plan.warmed && !brew.plan.steep
        ? 'put on the bar, to be warmed'
        : 'put on the bar';
    case 'step': {
      const step = stepsOf(brew.plan).find((s) => s.key === what.key);
      const words = step ? stepDoneWords(step, brew.plan, units) : what.key;
      return `${words}${what.outcome === 'skipped' ? ', left out' : ''}${what.grams === undefined ? '' : `, ${numberText(what.grams)} g`}`;
    }
    case 'reading':
      return `${readingText(what.celsius, units.temperature)} in it`;
    case 'colour':
      return `colour read: ${colourWords(what)}`;
    case 'solids':
      return `refractometer: ${numberText(what.gramsPerLitre / 10, 2)} % dissolved`;
    case 'abandon':
      return `given up: ${what.reason.toLowerCase()}`;
    case 'waterOn':
      return 'water on';
    case 'pull':
      return [
        brew.plan.pull.done.toLowerCase(),
        ...(what.cup === undefined
          ? []
          : [`one cup, ${volumeText(what.cup, units.volume)}, the rest on the leaf`]),
        ...(what.seen === undefined ? [] : [`by eye: ${colourSeenWords(what.seen)}`]),
        ...(what.mark === undefined ? [] : [`by its taste: ${tasteMarkWords(what.mark)}`]),
      ].join(', ');
    case 'pour':
      return what.what === 'cup'
        ? `one more cup, ${volumeText(what.ml, units.volume)}`
        : `filled up again, ${volumeText(what.ml, units.volume)}`;
    case 'leafOut':
      return 'leaf out to taste';
    case 'leafIn':
      return `leaf in again${tastedWords(what.mark)}`;
    case 'taste':
      return `tasted with the leaf in${tastedWords(what.mark)}`;
    case 'leafBack':
      return `leaf back for ${minutesText(what.seconds)}`;
    case 'undoPull':
      return 'not over: steeps on';
    case 'undo':
      return 'the last taken back';
    case 'close':
      return 'off the bar, not judged';
    case 'judge':
      return `judged ${verdictWords(what.verdict)}`;
    case 'tasteAgain':
      return `tasted again ${TASTED_WORDS[what.cup]}: ${verdictWords(what.verdict)}`;
    case 'pair':
      return 'put together with another of the same';
    case 'claim':
      return 'said that they ended the steep';
  }
}
