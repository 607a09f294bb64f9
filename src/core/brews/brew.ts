import type { Window } from '#core/recipes';
import { type EpochMs, epochMs, type Seconds, seconds, secondsBetween } from '#core/units';

/** Where one brew stands. Only instants are kept: what is left is derived, never counted. */
export type BrewState =
  | { readonly kind: 'warming'; readonly since: EpochMs }
  | { readonly kind: 'steeping'; readonly waterOn: EpochMs }
  /** The leaf is out to be tasted: the clock stands until it goes in again, or the steep was over at `out`. */
  | { readonly kind: 'tasting'; readonly waterOn: EpochMs; readonly out: EpochMs }
  | {
      readonly kind: 'pulled';
      readonly waterOn: EpochMs;
      readonly pulled: EpochMs;
      /** The leaf was out already, to be tasted, when the steep was ended. */
      readonly wasTasting?: true | undefined;
    }
  | {
      readonly kind: 'judged';
      readonly waterOn: EpochMs;
      readonly pulled: EpochMs;
      readonly judged: EpochMs;
    }
  | { readonly kind: 'abandoned'; readonly at: EpochMs };

/** States in which the vessel is in use. */
export const VESSEL_IN_USE = ['warming', 'steeping', 'tasting'] as const;
export const isVesselInUse = (kind: BrewState['kind']): boolean =>
  (VESSEL_IN_USE as readonly BrewState['kind'][]).includes(kind);

export type BrewEventKind =
  | 'waterOn'
  | 'leafOut'
  | 'leafIn'
  | 'pull'
  | 'undoPull'
  | 'leafBack'
  | 'judge'
  | 'close'
  | 'abandon';
export type BrewEvent = { readonly kind: BrewEventKind; readonly at: EpochMs };

/** What became of an event: the new state, or why the brew could not take it. */
export type Step =
  | { readonly kind: 'moved'; readonly state: BrewState }
  | {
      readonly kind: 'refused';
      readonly why:
        | 'alreadyOn'
        | 'alreadyPulled'
        | 'notSteeping'
        | 'leafIsOut'
        | 'leafIsIn'
        | 'notPulled'
        | 'alreadyJudged'
        | 'ended'
        | 'beforeWater';
    };

/** The reason of a start that was taken back: its leaf went back into its tin. */
export const STARTED_BY_MISTAKE = 'Started by mistake';
/** A brew begins warming, or with the water already going on. */
export const begin = (at: EpochMs, warming: boolean): BrewState =>
  warming ? { kind: 'warming', since: at } : { kind: 'steeping', waterOn: at };

const moved = (state: BrewState): Step => ({ kind: 'moved', state });
const refused = (why: Extract<Step, { kind: 'refused' }>['why']): Step => ({
  kind: 'refused',
  why,
});

/** Why the leaf cannot be lifted now. */
const notInWater = (state: BrewState) =>
  state.kind === 'warming' ? 'notSteeping' : 'alreadyPulled';
/** The leaf is in again: the clock goes on from where it stood, so its start is later by the time out. */
const backInWater = (waterOn: EpochMs, out: EpochMs, at: EpochMs): BrewState => ({
  kind: 'steeping',
  waterOn: epochMs(at - (out - waterOn)),
});

/** The next state. Total: every event in every state moves or is refused with its reason. */
export function advance(state: BrewState, event: BrewEvent): Step {
  if (state.kind === 'abandoned') return refused('ended');
  switch (event.kind) {
    case 'abandon':
      return state.kind === 'judged'
        ? refused('alreadyJudged')
        : moved({ kind: 'abandoned', at: event.at });
    case 'waterOn':
      return state.kind === 'warming'
        ? moved({ kind: 'steeping', waterOn: event.at })
        : refused('alreadyOn');
    case 'leafOut':
      if (state.kind === 'tasting') return refused('leafIsOut');
      if (state.kind !== 'steeping') return refused(notInWater(state));
      return event.at < state.waterOn
        ? refused('beforeWater')
        : moved({ kind: 'tasting', waterOn: state.waterOn, out: event.at });
    case 'leafIn':
      if (state.kind === 'steeping') return refused('leafIsIn');
      return state.kind === 'tasting'
        ? moved(backInWater(state.waterOn, state.out, event.at))
        : refused(notInWater(state));
    case 'pull':
      if (state.kind === 'tasting')
        return moved({
          ...{ kind: 'pulled', waterOn: state.waterOn, pulled: state.out },
          wasTasting: true,
        });
      if (state.kind !== 'steeping') return refused(notInWater(state));
      return event.at < state.waterOn
        ? refused('beforeWater')
        : moved({ kind: 'pulled', waterOn: state.waterOn, pulled: event.at });
    case 'undoPull':
      if (state.kind === 'judged') return refused('alreadyJudged');
      if (state.kind !== 'pulled') return refused('notPulled');
      return moved(
        state.wasTasting
          ? { kind: 'tasting', waterOn: state.waterOn, out: state.pulled }
          : { kind: 'steeping', waterOn: state.waterOn },
      );
    // The leaf goes back: the clock goes on from where it was lifted, not counting the time out of the water.
    case 'leafBack':
      if (state.kind === 'judged') return refused('alreadyJudged');
      return state.kind === 'pulled'
        ? moved(backInWater(state.waterOn, state.pulled, event.at))
        : refused('notPulled');
    // Off the bar without a verdict: served, nobody had time to taste.
    case 'close':
    case 'judge':
      if (state.kind === 'judged') return refused('alreadyJudged');
      return state.kind === 'pulled'
        ? moved({
            ...{ kind: 'judged', waterOn: state.waterOn, pulled: state.pulled },
            judged: event.at,
          })
        : refused('notPulled');
  }
}

/** What a brew looks like at one moment. Seconds are signed: `left` falls through 0 at best and below it after. */
export type Phase =
  | { readonly kind: 'warming'; readonly elapsed: Seconds }
  | {
      readonly kind: 'steeping' | 'window' | 'past' | 'late';
      readonly elapsed: Seconds;
      readonly left: Seconds;
      readonly untilLatest: Seconds;
    }
  /** The leaf is out to be tasted, for so long. */
  | {
      readonly kind: 'tasting';
      readonly steeped: Seconds;
      readonly out: Seconds;
      readonly left: Seconds;
    }
  | { readonly kind: 'pulled'; readonly steeped: Seconds }
  | { readonly kind: 'done' };

export function phaseAt(state: BrewState, window: Window, now: EpochMs): Phase {
  switch (state.kind) {
    case 'warming':
      return { kind: 'warming', elapsed: secondsBetween(state.since, now) };
    case 'steeping': {
      const elapsed = secondsBetween(state.waterOn, now);
      const left = (window.best - elapsed) as Seconds;
      const untilLatest = (window.latest - elapsed) as Seconds;
      const kind = phaseOf(elapsed, window);
      return { kind, elapsed, left, untilLatest };
    }
    case 'tasting': {
      const steeped = secondsBetween(state.waterOn, state.out);
      const left = seconds(window.best - steeped);
      return { kind: 'tasting', steeped, out: secondsBetween(state.out, now), left };
    }
    case 'pulled':
      return { kind: 'pulled', steeped: secondsBetween(state.waterOn, state.pulled) };
    case 'judged':
    case 'abandoned':
      return { kind: 'done' };
  }
}

/** Where a steep stands in its window. */
function phaseOf(elapsed: Seconds, window: Window) {
  if (elapsed < window.earliest) return 'steeping';
  if (elapsed < window.best) return 'window';
  if (elapsed <= window.latest) return 'past';
  return 'late';
}

export type PullTiming = 'early' | 'inWindow' | 'late';
/** How a real steep lies against its window. */
export const pullTiming = (steeped: Seconds, w: Window): PullTiming => {
  if (steeped < w.earliest) return 'early';
  if (steeped > w.latest) return 'late';
  return 'inWindow';
};

/**
 * How a pull is kept: a late one that nobody came for is told apart from one that was a little late, and one that went by
 * the colour or the taste of the liquor was never by the clock.
 */
export const PULL_KINDS = ['early', 'inWindow', 'late', 'forgotten', 'byEye', 'byTaste'] as const;
export type PullKind = (typeof PULL_KINDS)[number];
/** A pull that went by the clock. */
export type TimedPull = Exclude<PullKind, 'byEye' | 'byTaste'>;
/** Past latest by more than this, or by half the best time where that is more, it was forgotten (from memory). */
const FORGOTTEN = 60;
export function pullKind(steeped: Seconds, w: Window): TimedPull {
  const timing = pullTiming(steeped, w);
  return timing === 'late' && steeped - w.latest > Math.max(FORGOTTEN, w.best / 2)
    ? 'forgotten'
    : timing;
}

/**
 * A leaf that went back is tasted at its time; this much early or late is no matter, s (common practice: taste every
 * half minute).
 */
const LEAF_BACK_LEEWAY = 15;
/** No window begins or ends before this, s: a recipe is not kept with a shorter one. */
const SHORTEST = 5;
/**
 * The window of a steep whose leaf goes back for so many seconds more. @example leafBackWindow(seconds(60), 30).best
 * // 90
 */
export function leafBackWindow(steeped: Seconds, more: number): Window {
  const best = Math.max(SHORTEST, steeped + more);
  return {
    earliest: seconds(Math.max(SHORTEST, steeped, best - LEAF_BACK_LEEWAY)),
    best: seconds(best),
    latest: seconds(best + LEAF_BACK_LEEWAY),
  };
}
