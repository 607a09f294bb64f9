import type { Card } from '#core/recipes';
import { later, seconds, type EpochMs, type Seconds } from '#core/units';

/** Warm the vessel at least so long: common practice. */
export const WARMING = seconds(15);

export type StepKind = 'warm' | 'leafIn' | 'waterOn' | 'earliest' | 'pull' | 'latest' | 'judge';
/** One thing to do or pass, with its instant. */
export type BrewStep = { readonly kind: StepKind; readonly at: EpochMs; readonly text: string };

/** A cup is cool enough to taste so long after the pull: common practice. */
export const COOL_TO_JUDGE: Seconds = seconds(90);

/** The steps of a brew counted from the instant the water goes on. */
export function stepsOf(card: Card, waterOn: EpochMs): BrewStep[] {
  const steps: BrewStep[] = [];
  const before = (s: number) => later(waterOn, seconds(-s));
  if (card.warmed) steps.push({ kind: 'warm', at: before(WARMING + 10), text: 'Warm the vessel, a third full, 15 s or more' });
  steps.push({ kind: 'leafIn', at: before(5), text: `${card.warmed ? 'Empty it, leaf' : 'Leaf'} in, shaken flat` });
  steps.push({ kind: 'waterOn', at: waterOn, text: `Pour ${Math.round(card.water)} ml` });
  steps.push({ kind: 'earliest', at: later(waterOn, card.window.earliest), text: 'Its window opens' });
  steps.push({ kind: 'pull', at: later(waterOn, card.window.best), text: card.pull.act });
  steps.push({ kind: 'latest', at: later(waterOn, card.window.latest), text: 'Its window closes' });
  steps.push({ kind: 'judge', at: later(waterOn, seconds(card.window.best + COOL_TO_JUDGE)), text: 'Judge the cup' });
  return steps;
}
