import {
  type BrewStep,
  isAtMoment,
  type Phase,
  stepNow,
  stepWords,
  waterRightAt,
} from '#core/brews';
import { type EpochMs, type Seconds, seconds, secondsBetween } from '#core/units';
import type { Brew } from '#contracts/brews';
import type { Units } from '../people/session';
import { apartFrom, attentionTimes } from './attention';
import { type BarBrew, phaseOf } from './barBrews';
import { type BrewStatus, brewStatus, type PhaseName, whileWaterCools } from './status';

/** A brew as it is drawn at one moment. */
export type BarItem = {
  readonly brew: BarBrew;
  readonly phase: Phase;
  readonly status: BrewStatus;
  /** The moment it is drawn for. */
  readonly at: EpochMs;
  /** The step to do now beside the clock's own. */
  readonly step: {
    readonly step: BrewStep;
    readonly act: string;
    readonly done: string;
  } | null;
};

/** A stir or a step of the house's own wants a hand at this moment, before the pull does. */
export const isDueNow = ({
  brew,
  step,
}: {
  readonly brew: Brew;
  readonly step?: BarItem['step'];
}): boolean => brew.state.kind === 'steeping' && Boolean(step && isAtMoment(step.step));

/** What a brew of the bar says of itself now. */
function barStatus(
  brew: Brew,
  phase: Phase,
  { units, wait, now }: { units: Units; wait: Seconds; now: EpochMs },
): BrewStatus {
  const status = brewStatus(brew, phase, units, wait);
  const right = phase.kind === 'warming' ? waterRightAt(brew.plan, brew.marks) : null;
  return right === null ? status : whileWaterCools(status, secondsBetween(now, right));
}

/** Every brew as it stands now, in its place. */
export function barItems(brews: readonly BarBrew[], now: EpochMs, units: Units): BarItem[] {
  return brews.map((brew) => {
    const phase = phaseOf(brew, now);
    const wait =
      brew.state.kind === 'warming'
        ? apartFrom(
            attentionTimes(brew.plan.recipe),
            brews.filter((b) => b.id !== brew.id),
            now,
          ).wait
        : seconds(0);
    // Of a pot that is emptied cup by cup nothing is drained; its cups have a sheet of their own.
    const next = brew.pours ? null : stepNow(brew.plan, brew.state, brew.marks, now);
    const status = barStatus(brew, phase, { units, wait, now });
    const due =
      next && (brew.state.kind !== 'steeping' || !isAtMoment(next) || status.name === 'steeping');
    return {
      brew,
      phase,
      status,
      at: now,
      step: due ? { step: next, ...stepWords(next, brew.plan, units) } : null,
    };
  });
}

/** All that is drawn of an item, to the second; the rest of its phase runs on unseen. */
const drawnAs = ({ phase, status, step }: BarItem): string =>
  JSON.stringify([
    'elapsed' in phase ? Math.floor(phase.elapsed) : 0,
    status.name,
    status.figure,
    status.step,
    status.brief,
    status.detail,
    step?.step.key,
  ]);
/**
 * The next items, each replaced by the one before it where both are drawn alike: what does not change on screen is the
 * same object, so it is not drawn again.
 */
export function reuseItems(before: readonly BarItem[], next: readonly BarItem[]): BarItem[] {
  const byId = new Map(before.map((item) => [item.brew.id, item]));
  return next.map((item) => {
    const old = byId.get(item.brew.id);
    return old && old.brew === item.brew && drawnAs(old) === drawnAs(item) ? old : item;
  });
}

const ORDER: Record<PhaseName, number> = {
  late: 0,
  past: 1,
  window: 2,
  warming: 4,
  tasting: 1.5,
  pulled: 5,
  steeping: 3,
};

/** What wants a hand next: the latest first, then a stir at its moment, then what comes to its pull soonest. */
export function sortByUrgency<
  T extends { brew: Brew; phase: Phase; status: BrewStatus; step?: BarItem['step'] },
>(all: readonly T[]): T[] {
  const left = (p: Phase) => ('left' in p ? p.left : 1e6);
  const rank = (s: T) => (isDueNow(s) ? 2.5 : ORDER[s.status.name]);
  return [...all].sort(
    (a, b) => rank(a) - rank(b) || left(a.phase) - left(b.phase) || a.brew.place - b.brew.place,
  );
}
