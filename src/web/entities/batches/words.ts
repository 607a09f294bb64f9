import { placeOf } from '#core/cold';
import { METHODS } from '#core/recipes';
import { clockChangeWords, clockTime, type SiteClock, weekdayAndTime } from '#core/time';
import { type EpochMs, epochMs, minutesText, volumeText } from '#core/units';
import type { Units } from '../people/session';
import { hotStageEnds } from './hotStage';
import { type ColdBatch, leftIn } from './standing';

/** How a batch's state is shown: plain, wanted now, soon to be thrown out, past its time. */
export type Tone = 'plain' | 'due' | 'soon' | 'past';
const HOUR_MS = 3_600_000;
/** Of so many warm minutes on a batch is to be used today: half of the common four hours. */
const USE_TODAY_MINUTES = 120;

/** True while a batch that belongs in the fridge stands on the counter. */
export const isOutOfFridge = ({ plan, now }: ColdBatch): boolean =>
  plan.place === 'fridge' && placeOf(plan, now) === 'counter';
/** One line that says how a batch stands at `now`. */
export function stateLine(
  b: ColdBatch,
  now: EpochMs,
  clock: SiteClock,
): { readonly words: string; readonly tone: Tone } {
  const at = (t: EpochMs) => weekdayAndTime(clock, t);
  // Steeping is elapsed time: what the clocks did meanwhile is said.
  const of = (t: EpochMs) => at(t) + clockChangeWords(clock.zone, epochMs(b.leafIn), t);
  const { state } = b.now;
  switch (state.kind) {
    case 'infusing': {
      const hotUntil = hotStageEnds(b);
      if (hotUntil !== null)
        return now < hotUntil
          ? { words: `hot: cold water in ${minutesText((hotUntil - now) / 1000)}`, tone: 'due' }
          : { words: 'pour the cold water now', tone: 'soon' };
      if (now < b.window.earliest && isOutOfFridge(b))
        return { words: 'infusing on the counter', tone: 'due' };
      if (now < b.window.earliest)
        return { words: `infusing, best ${of(b.window.best)}`, tone: 'plain' };
      if (now <= b.window.latest)
        return { words: `lift leaf by ${of(b.window.latest)}`, tone: 'due' };
      return { words: 'lift the leaf now', tone: 'soon' };
    }
    case 'drawn': {
      const out = b.kept.discardAt;
      if (now >= out) return { words: 'throw out now', tone: 'past' };
      if (out - now <= HOUR_MS)
        return {
          words: `throw out in ${minutesText((out - now) / 1000)}`,
          tone: 'soon',
        };
      if (isOutOfFridge(b))
        return { words: `on the counter: throw out by ${at(out)}`, tone: 'due' };
      if (b.ready !== null && now < b.ready)
        return { words: `pour from ${at(b.ready)}`, tone: 'plain' };
      return b.kept.warmMinutes >= USE_TODAY_MINUTES
        ? { words: `use today, until ${clockTime(clock, out)}`, tone: 'soon' }
        : { words: `keep until ${at(out)}`, tone: 'plain' };
    }
    case 'finished':
      return { words: `all poured ${at(state.at)}`, tone: 'plain' };
    case 'discarded':
      return { words: `thrown out ${at(state.at)}`, tone: 'plain' };
    case 'void':
      return { words: 'double of another batch', tone: 'plain' };
    case 'cancelled':
      return { words: 'start taken back', tone: 'plain' };
  }
}
/** What stands where: "Pitcher 1, 460 ml", or "Jar, extract, 800 ml"; a fridge brew is the usual. */
export const whereWords = (b: ColdBatch, units: Units): string =>
  [
    b.vesselName,
    b.plan.method === 'fridge' ? '' : METHODS[b.plan.method].label,
    volumeText(leftIn(b), units.volume),
  ]
    .filter(Boolean)
    .join(', ');
/** A length of time: minutes up to two hours, then hours. @param minutes not less than 0 */
export const lengthWords = (minutes: number): string =>
  minutes < 120 ? `${Math.round(minutes)} min` : minutesText(minutes * 60);
