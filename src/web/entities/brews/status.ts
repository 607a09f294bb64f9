import { type Phase, tastesWords } from '#core/brews';
import {
  millilitres,
  minutesText,
  type Seconds,
  seconds,
  temperatureText,
  volumeText,
} from '#core/units';
import { type LeafActWords, leafActWords } from '#core/vessels';
import type { Brew } from '#contracts/brews';
import { clockText } from '../../ui/days';
import type { Units } from '../people/session';

export type PhaseName = 'warming' | 'steeping' | 'window' | 'past' | 'late' | 'tasting' | 'pulled';

/** What a brew says of itself: `brief` is the step in at most 21 letters, for a full bar. */
export type BrewStatus = {
  readonly name: PhaseName;
  readonly figure: string;
  readonly late: boolean;
  readonly over: string;
  readonly step: string;
  readonly brief: string;
  readonly short: string;
  readonly detail: string;
  readonly act: string;
};

type SteepPhase = Extract<Phase, { readonly untilLatest: Seconds }>;
/** What is read of a steep from across the room, and what its button does: the same at the bar and in a shift of School. */
export function steepPlate(
  phase: SteepPhase,
  words: LeafActWords,
): Pick<BrewStatus, 'name' | 'figure' | 'late' | 'over' | 'short' | 'act'> {
  const { kind: name, left, untilLatest } = phase;
  switch (name) {
    case 'steeping':
      return {
        ...{ name, figure: minutesText(Math.ceil(left)), late: false },
        ...{ over: 'Steeping, left', short: 'Left', act: words.early },
      };
    case 'window':
      return {
        ...{ name, figure: minutesText(Math.ceil(left)), late: false },
        ...{ over: 'In its window, best in', short: 'In window', act: words.done },
      };
    case 'past':
      return {
        ...{ name, figure: minutesText(Math.floor(-left)), late: true },
        ...{ over: 'In its window, past best by', short: 'Past best', act: words.done },
      };
    case 'late':
      return {
        ...{ name, figure: minutesText(Math.floor(-untilLatest)), late: true },
        ...{ over: 'Late, past latest by', short: 'Late by', act: words.done },
      };
  }
}
/** What is done with the leaf when the steep is over, in words: by the vessel as it was then. */
const wordsOf = ({ plan }: Brew) => leafActWords(plan.vessel, plan.recipe.handling.root);

/** "6.5 g in 500 ml, 80 °C." in the reader's units. */
export const pourWords = (b: Brew, units: Units): string =>
  `${b.plan.leaf} g in ${volumeText(b.plan.water, units.volume)}, ${temperatureText(b.plan.temperature, units.temperature)}.`;

/** Its time is found by tasting: its clock asks for the next taste. */
export const isExploring = ({ plan, state }: Brew): boolean =>
  Boolean(plan.explore) && state.kind === 'steeping';
const tastedSoFar = ({ tastes = [] }: Brew): string =>
  tastes.length > 0 ? `Tasted ${tastesWords(tastes)}` : '';
/** What a brew says whose time is found by tasting: when the next taste is, never that it is late. */
function exploringStatus(brew: Brew, { left, elapsed }: SteepPhase): BrewStatus {
  const isNow = left <= 0;
  const until = minutesText(Math.ceil(left));
  const inWater = minutesText(Math.floor(elapsed));
  return {
    name: isNow ? 'past' : 'steeping',
    figure: isNow ? inWater : until,
    late: false,
    over: isNow ? 'Taste now, steeped' : 'By tasting, next taste in',
    short: isNow ? 'Taste now' : 'Taste in',
    step: isNow ? 'Leaf out, taste' : `Taste in ${until}`,
    brief: isNow ? 'Taste now' : `Taste in ${until}`,
    detail: tastedSoFar(brew) || `In the water ${inWater}`,
    act: 'Leaf out',
  };
}

/**
 * What a brew says at one moment: figure, the word over it, the next step, the button. `wait`: so long before it is
 * poured, to keep clear of another.
 */
export function brewStatus(
  brew: Brew,
  phase: Phase,
  units: Units,
  wait: Seconds = seconds(0),
): BrewStatus {
  const words = wordsOf(brew);
  const { window } = brew.plan.recipe;
  const poured = pourWords(brew, units);
  const again = brew.plan.steep ? `Steep ${brew.plan.steep.number}. ` : '';
  if (isExploring(brew) && 'untilLatest' in phase) return exploringStatus(brew, phase);
  switch (phase.kind) {
    case 'warming': {
      const pour = whileWarming(wait, brew);
      return {
        name: 'warming',
        figure: minutesText(window.best),
        late: false,
        over: brew.plan.warmed && !brew.plan.steep ? 'Warming, will steep' : 'Ready, will steep',
        short: 'Waits',
        step: pour,
        brief: wait > 0 ? pour : 'Pour on',
        detail: `${again}${poured}`,
        act: 'Water on',
      };
    }
    case 'steeping': {
      const left = minutesText(Math.ceil(phase.left));
      const at =
        brew.state.kind === 'steeping' ? clockText(brew.state.waterOn + window.best * 1000) : '';
      return {
        ...steepPlate(phase, words),
        step: phase.left > 60 ? `${words.leave} ${at}` : `${words.act} in ${left}`,
        brief: phase.left > 60 ? `${words.verb} at ${at}` : `${words.verb} in ${left}`,
        detail: `${again}${poured}`,
      };
    }
    case 'window':
      return {
        ...steepPlate(phase, words),
        step: `${words.act} soon`,
        brief: words.act,
        detail: `${poured} Latest in ${minutesText(Math.ceil(phase.untilLatest))}`,
      };
    case 'past':
      return {
        ...steepPlate(phase, words),
        step: `${words.act} now`,
        brief: `${words.verb}, latest ${minutesText(Math.ceil(phase.untilLatest))}`,
        detail: `Latest in ${minutesText(Math.ceil(phase.untilLatest))}. ${poured}`,
      };
    case 'late':
      return {
        ...steepPlate(phase, words),
        step: `${words.act}, taste`,
        brief: `${words.verb}, taste it`,
        detail: 'Likely dark and dry. Split it, top with hot water',
      };
    case 'tasting':
      return {
        ...{ name: 'tasting', figure: minutesText(Math.floor(phase.steeped)), late: false },
        ...{ over: 'Leaf out, steeped', short: 'Leaf out', act: 'Taste' },
        ...{ step: 'Taste', brief: 'Taste' },
        detail: [`Out for ${minutesText(Math.floor(phase.out))}, not counted`, tastedSoFar(brew)]
          .filter(Boolean)
          .join('. '),
      };
    case 'pulled':
    case 'done': {
      const steeped = phase.kind === 'pulled' ? phase.steeped : seconds(0);
      const by =
        brew.pulledBy?.name ??
        (brew.pulledDevice ? `on the ${brew.pulledDevice}, nobody signed in` : '');
      return {
        name: 'pulled',
        figure: minutesText(steeped),
        late: false,
        over: brew.pours ? 'First cup at' : `${words.done} at`,
        short: brew.pours ? 'First cup' : words.done,
        step: brew.pours ? 'Next cup, or judge' : 'Judge the cup',
        brief: brew.pours ? 'Next cup, judge' : 'Judge the cup',
        detail: `${brew.pours ? poursText(brew.pours) : servedWords(brew, units)}${by ? `, ${by}` : ''}`,
        act: 'Judge',
      };
    }
  }
}

/** Cups poured so far, and how often it was filled up again. */
function poursText(pours: NonNullable<Brew['pours']>): string {
  const cups = pours.filter(({ what }) => what === 'cup').length;
  const refills = pours.length - cups;
  const words = `${cups} ${cups === 1 ? 'cup' : 'cups'} poured, the rest on the leaf`;
  return refills > 0 ? `${words}; filled up ${refills === 1 ? 'once' : `${refills} times`}` : words;
}
/** What is in the pot for its cups: liquor, and the milk that goes with it. */
function servedWords({ plan }: Brew, units: Units): string {
  const milk = plan.wish?.milkMl ?? 0;
  const liquor = `${volumeText(plan.liquor, units.volume)} of liquor`;
  return milk > 0 ? `${liquor}, ${volumeText(millilitres(milk), units.volume)} of milk` : liquor;
}

/** A brew whose water waits off the boil: when it is right. */
export const whileWaterCools = (status: BrewStatus, left: number): BrewStatus => ({
  ...status,
  step: left > 0 ? `Water ready in ${minutesText(Math.ceil(left))}` : 'Water ready: pour on now',
  brief: left > 0 ? `Pour on in ${minutesText(Math.ceil(left))}` : 'Pour on now',
});

/** What is next while a vessel warms. */
function whileWarming(wait: Seconds, brew: Brew) {
  if (wait > 0) return `Wait ${minutesText(wait)}, then pour`;
  if (brew.plan.steep) return 'Pour on again';
  return 'Empty it, leaf in, pour on';
}
