import {
  type EpochMs,
  epochMs,
  type Millilitres,
  millilitres,
  temperatureText,
  volumeText,
} from '#core/units';
import type { Units } from '../people/session';
import type { ColdBatch } from './standing';

// Warm-then-cold begins with hot water on the leaf, the lid off; then the cold water goes on.

/** Hot water stays on the leaf so long where the batch does not say: a minute (common practice). */
const HOT_SECONDS = 60;
/** It is late so long after that (from memory): every second draws more bitterness. */
const LATE_AFTER_MS = 30_000;

/** Until when the hot water of warm-then-cold is on the leaf alone; null: it is not, or there is none. */
export function hotStageEnds({ plan, now, leafIn }: ColdBatch): EpochMs | null {
  if (!plan.hotFirst || now.coldOn !== null || now.state.kind !== 'infusing') return null;
  return epochMs(leafIn + (plan.hotFirst.time ?? HOT_SECONDS) * 1000);
}
/** When the hot stage is over, and when the cold water is late; null: nothing stands hot. */
export function hotMoments(
  b: ColdBatch,
): { readonly best: number; readonly latest: number } | null {
  const ends = hotStageEnds(b);
  return ends === null ? null : { best: ends, latest: ends + LATE_AFTER_MS };
}
/** The water that goes on after the hot stage. */
const coldWater = ({ water, ice, hotFirst }: ColdBatch['plan']): Millilitres =>
  millilitres(water - (hotFirst?.water ?? 0) - ice);

/** What goes on after the hot stage, and how warm the tea is then: "330 ml of water at 12 °C and 60 g of ice". */
export function coldWaterWords(
  { plan }: ColdBatch,
  units: Units,
): { readonly pour: string; readonly then: string } {
  const ice = plan.ice > 0 ? ` and ${Math.round(plan.ice)} g of ice` : '';
  const at = temperatureText(plan.waterAt, units.temperature);
  return {
    pour: `${volumeText(coldWater(plan), units.volume)} of water at ${at}${ice}`,
    then: temperatureText(plan.start, units.temperature),
  };
}
