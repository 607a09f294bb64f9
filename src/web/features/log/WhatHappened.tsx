import type { ReactNode } from 'react';
import { type BrewState, observedWords, tastesWords } from '#core/brews';
import { COLOUR_STEPS, verdictWords } from '#core/corrections';
import {
  minutesText,
  numberText,
  readingText,
  type Seconds,
  secondsBetween,
  volumeText,
} from '#core/units';
import type { Plan } from '#contracts/brewPlan';
import type { Brew, Happened } from '#contracts/brews';
import { colourSeenWords } from '../../entities/brews/colourSeen';
import { type Units, useUnits } from '../../entities/people/session';
import { clockText, weekdayText } from '../../ui/days';
import { BrewFoot } from './BrewFoot';
import { FoundTime } from './FoundTime';
import { colourWords, TASTED_WORDS } from './happened';
import { plannedHeat } from './HeatCourse';
import { onOf } from './timeLineMarks';
import { ItsLeaf, JudgedCups, verdictLine, WhatWasProposed } from './WhatWasJudged';

/** Heat further from the plan than this is worth a word, °C (a thermometer in a pot reads to about 1). */
const HEAT_WORTH_SAYING = 3;

/** Cups out of a pot that kept its leaf, and hot water on that leaf again, each with its moment. */
const poursWords = (pours: NonNullable<Brew['pours']>, units: Units): string =>
  pours
    .map(({ what, ml, after }) => {
      const moment = `${volumeText(ml, units.volume)} at ${minutesText(after)}`;
      return what === 'cup' ? moment : `filled up ${moment}`;
    })
    .join(', ');
export function WhatHappened({
  brew,
  next,
  steeps,
  events,
  photo,
}: {
  photo: ReactNode;
  brew: Brew;
  events: readonly Happened[];
  next: { id: string; at: number; verdict: string } | null;
  steeps: readonly { id: string; number: number; steeped: number | null }[];
}) {
  const units = useUnits();
  const { state, verdict, proposal, plan } = brew;
  const { window } = plan.recipe;
  const s = 'pulled' in state ? secondsBetween(state.waterOn, state.pulled) : null;
  const words = endOf({ s, state, brew, window, plan });
  const heatWords = heatAgainstPlan({ brew, units });
  const weighed = brew.marks.find((m) => m.grams !== undefined)?.grams;
  const colour = [...events]
    .reverse()
    .flatMap((e) => (e.what.kind === 'colour' && !e.undone ? [e.what] : []))[0];
  const solids = [...events]
    .reverse()
    .flatMap((e) => (e.what.kind === 'solids' && !e.undone ? [e.what] : []))[0];
  const strength = COLOUR_STEPS.find((c) => c.mark === verdict?.colour)?.strength ?? 1;
  return (
    <>
      <h2>What happened</h2>
      <p className="text-[20px] font-semibold leading-tight mt-1">
        {heatWords}
        {words}
        {brew.timing === 'forgotten' ? ' Forgotten.' : ''}
        {brew.timing === 'byEye' && ` By eye: ${colourSeenWords(brew.seen ?? 0)}.`}
      </p>
      {verdict && <JudgedCups plan={plan} brew={brew} strength={strength} verdict={verdict} />}
      <div className="working mt-3">
        <p>
          <b>Verdict</b> {verdictLine(verdict, brew, state)}
          {brew.remark && state.kind !== 'abandoned' ? `. ${brew.remark}` : ''}
        </p>
        {brew.observed && (
          <p>
            <b>Also seen</b> {observedWords(brew.observed)}
          </p>
        )}
        {events.map(
          ({ id, by, undone, what }) =>
            what.kind === 'tasteAgain' &&
            !undone && (
              <p key={id}>
                <b>Tasted again</b> {TASTED_WORDS[what.cup]}, by {by}: {verdictWords(what.verdict)}
              </p>
            ),
        )}
        {solids && (
          <p>
            <b>Refractometer</b> {numberText(solids.gramsPerLitre / 10, 2)} % dissolved
          </p>
        )}
        {photo}
        {colour && (
          <p>
            <b>Colour</b> {colourWords(colour)}. It says how strong, not why.
          </p>
        )}
        {weighed !== undefined && Math.abs(weighed / plan.leaf - 1) > 0.02 && (
          <p>
            <b>Leaf</b> {weighed} g on the scale, {plan.leaf} g planned
          </p>
        )}
        {brew.tastes && brew.tastes.length > 0 && (
          <p>
            <b>Tasted on the way</b> {tastesWords(brew.tastes)}
            {outWords(brew)}
          </p>
        )}
        {brew.pours && (
          <p>
            <b>Cup by cup</b> {poursWords(brew.pours, units)}
          </p>
        )}
        <FoundTime brew={brew} />
        {brew.readings.length > 0 && (
          <p>
            <b>Thermometer</b>{' '}
            {brew.readings
              .map((r) => `${readingText(r.celsius, units.temperature)} at ${clockText(r.at)}`)
              .join(', ')}
          </p>
        )}
        {brew.pulledDevice && (
          <p>
            <b>Pulled</b> on the {brew.pulledDevice}, nobody signed in
            {brew.pulledBy ? `; ${brew.pulledBy.name} says it was them` : ''}
          </p>
        )}
        {steeps.length > 1 && <ItsLeaf steeps={steeps} brew={brew} />}
        <WhatWasProposed proposal={proposal} brew={brew} units={units} />
        {next && (
          <p>
            <b>Next brew of this tea</b> {weekdayText(next.at)} {clockText(next.at)}: {next.verdict}
          </p>
        )}
      </div>
      <BrewFoot state={state} brew={brew} s={s} next={next} plan={plan} />
    </>
  );
}

/** How long the leaf was out meanwhile: those seconds are not of the steep. */
function outWords({ outs = [] }: Brew): string {
  const out = outs.reduce((sum, { lasted }) => sum + lasted, 0);
  return out > 0 ? `. The leaf was out for ${minutesText(Math.round(out))}, not counted` : '';
}
/** How the steep ended, against its window. */
function endOf({
  s,
  state,
  brew,
  window,
  plan,
}: {
  s: Seconds | null;
  state: BrewState;
  brew: Brew;
  window: { earliest: Seconds; best: Seconds; latest: Seconds };
  plan: Plan;
}) {
  if (s === null) {
    if (state.kind === 'abandoned') return `Given up. ${brew.remark}`;
    return 'Still on the bar.';
  }
  if (brew.timing === 'byTaste') return `${plan.pull.done} at ${minutesText(s)}, by its taste.`;
  if (s > window.latest) return `${plan.pull.done} ${minutesText(s - window.latest)} past latest.`;
  if (s < window.earliest)
    return `${plan.pull.done} ${minutesText(window.earliest - s)} before its window.`;
  return `${plan.pull.done} in its window, ${minutesText(Math.abs(s - window.best))} ${s >= window.best ? 'past' : 'before'} best.`;
}

/** How far the thermometer was from the plan, in words; nothing where it is not worth saying. */
function heatAgainstPlan({ brew, units }: { brew: Brew; units: Units }) {
  const off = brew.readings.flatMap((r) => {
    const on = onOf(brew);
    const planned = on === null ? null : plannedHeat(brew, secondsBetween(on, r.at));
    return planned === null ? [] : [r.celsius - planned];
  });
  const heat = off.length ? off.reduce((a, b) => a + b, 0) / off.length : 0;
  return Math.abs(heat) >= HEAT_WORTH_SAYING
    ? `${Math.round(Math.abs(heat) * (units.temperature === 'F' ? 1.8 : 1))} °${units.temperature} ${heat > 0 ? 'hotter' : 'cooler'} than planned. `
    : '';
}
