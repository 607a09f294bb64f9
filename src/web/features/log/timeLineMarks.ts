import { coolEnough, inWaterUntil, stepDoneWords, stepsOf, waterReallyOn } from '#core/brews';
import { verdictWords } from '#core/corrections';
import {
  type EpochMs,
  minutesText,
  numberText,
  secondsBetween,
  temperatureText,
} from '#core/units';
import type { Brew } from '#contracts/brews';
import type { Units } from '../../entities/people/session';
import { clockText } from '../../ui/days';
import { ticksTo } from '../../ui/ticks';
export type Mark = { readonly at: number; readonly title: string; readonly text: string };

export const AXIS_WIDTH = 800;
export const LONGEST_BEFORE = 120;
/** The stretch of time a brew's page shows, s from water on; long waits at either end are cut short. */
export function spanOf(brew: Brew, marks: readonly Mark[]) {
  const { window } = brew.plan.recipe;
  const first = Math.max(-LONGEST_BEFORE, Math.min(0, ...marks.map((m) => m.at)) - 10);
  const last = Math.min(
    window.latest * 2.2 + 60,
    Math.max(window.latest * 1.15, ...marks.map((m) => m.at)),
  );
  const x = (s: number) =>
    16 + ((Math.max(first, Math.min(last, s)) - first) / (last - first)) * (AXIS_WIDTH - 130);
  const every = tickEvery(last, first);
  return {
    x,
    first,
    last,
    ticks: ticksTo(last, every),
  };
}

/** Seconds between ticks, so that a few fit. */
function tickEvery(last: number, first: number) {
  if (last - first <= 120) return 30;
  if (last - first < 420) return 60;
  if (last - first < 1200) return 120;
  return 300;
}

/** When the water went on, by the clock on the wall: what the leaf was out for is not taken off. */
export const onOf = ({ state, outs }: Brew): EpochMs | null =>
  'waterOn' in state ? waterReallyOn(state.waterOn, outs ?? []) : null;

export function marksOf(brew: Brew, units: Units): { planned: Mark[]; real: Mark[] } {
  const { state, plan } = brew;
  const { window } = plan.recipe;
  const on = onOf(brew);
  if (on === null) return { planned: [], real: [] };
  const steps = stepsOf(plan);
  const planned: Mark[] = [
    {
      at: 0,
      title: 'water on',
      text: `${Math.round(plan.water)} ml at ${temperatureText(plan.temperature, units.temperature)}`,
    },
    ...steps
      .filter((s) => s.kind === 'stir')
      .map((s) => ({ at: s.due ?? 0, title: 'stir', text: minutesText(s.due ?? 0) })),
    {
      at: window.best,
      title: `best ${minutesText(window.best)}`,
      text: `${minutesText(window.earliest)} to ${minutesText(window.latest)}`,
    },
    {
      at: window.best + coolEnough(plan, window.best).wait,
      title: 'judge',
      text: 'cool enough',
    },
  ];
  const real: Mark[] = brew.marks.map((m) => {
    const step = steps.find((s) => s.key === m.key);
    const words = step ? stepDoneWords(step, plan, units) : m.key;
    return {
      at: secondsBetween(on, m.at),
      title: m.outcome === 'skipped' ? `${words}: left out` : words,
      text: m.grams ? `${numberText(m.grams)} g` : clockText(m.at),
    };
  });
  if (brew.startedAt < on - 1000)
    real.push({
      at: (brew.startedAt - on) / 1000,
      title: plan.warmed && !plan.steep ? 'warming' : 'made ready',
      text: minutesText((on - brew.startedAt) / 1000),
    });
  real.push({ at: 0, title: 'water on', text: clockText(on) });
  if ('pulled' in state) {
    const s = secondsBetween(on, state.pulled);
    real.push({
      at: s,
      title: `${plan.pull.done.toLowerCase()} ${minutesText(inWaterUntil(state, state.pulled) ?? s)}`,
      text: pulledBy(brew),
    });
  }
  if (state.kind === 'judged')
    real.push({
      at: secondsBetween(on, state.judged),
      title: brew.verdict ? 'judged' : 'off the bar',
      text: brew.verdict ? verdictWords(brew.verdict) : 'not judged',
    });
  return { planned, real: real.sort((a, b) => a.at - b.at) };
}

/** Who ended the steep, or on which device. */
function pulledBy(brew: Brew) {
  if (brew.pulledBy) return `by ${brew.pulledBy.name}`;
  if (brew.pulledDevice) return `on the ${brew.pulledDevice}`;
  return '';
}
