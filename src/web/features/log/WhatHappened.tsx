import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { type BrewState, knownFrom, observedWords, tastesWords } from '#core/brews';
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
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf, swatchOf } from '../../entities/teas/liquor';
import { clockText, weekdayText } from '../../ui/days';
import { FoundTime } from './FoundTime';
import { colourWords, TASTED_WORDS } from './happened';
import { plannedHeat } from './HeatCourse';
import { Refractometer } from './Refractometer';
import { onOf } from './timeLineMarks';

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

/** The cup as it was judged beside the house cup. */
function JudgedCups({
  plan,
  brew,
  strength,
  verdict,
}: {
  plan: Plan;
  brew: Brew;
  strength: number;
  verdict: NonNullable<Brew['verdict']>;
}) {
  return (
    <div className="cups mt-3" style={{ gridTemplateColumns: '1fr 1fr' }}>
      <div className="grid justify-items-center py-3 text-[#14191d] text-[15px]">
        <Cup liquor={swatchOf(knownFrom(plan, brew.tea.style), plan.recipe, strength)} size={92} />
        judged: {COLOUR_STEPS.find((c) => c.mark === verdict.colour)?.word}
      </div>
      <div className="grid justify-items-center py-3 text-[#14191d] text-[15px]">
        <Cup liquor={houseLiquorOf(knownFrom(plan, brew.tea.style), plan.recipe)} size={92} />
        house
      </div>
    </div>
  );
}

/** The verdict in words, or that there is none. */
function verdictLine(verdict: NonNullable<Brew['verdict']> | null, brew: Brew, state: BrewState) {
  if (verdict) return `${verdictWords(verdict)}${brew.judgedBy ? `, ${brew.judgedBy.name}` : ''}`;
  if (state.kind === 'judged') return 'none kept';
  return 'not judged yet';
}

/** The steeps of this leaf, this one bold. */
function ItsLeaf({
  steeps,
  brew,
}: {
  steeps: readonly { id: string; number: number; steeped: number | null }[];
  brew: Brew;
}) {
  return (
    <p>
      <b>Its leaf</b>{' '}
      {steeps.map((x, i) => (
        <span key={x.id}>
          {i > 0 && ', '}
          {x.id === brew.id ? (
            <strong>
              {x.number}. {x.steeped === null ? 'steeping' : minutesText(x.steeped)}
            </strong>
          ) : (
            <Link to={`/log/${x.id}`}>
              {x.number}. {x.steeped === null ? 'steeping' : minutesText(x.steeped)}
            </Link>
          )}
        </span>
      ))}
    </p>
  );
}

/** The correction that was proposed, whether it was taken, and what was said of the cup in hand. */
function WhatWasProposed({
  proposal,
  brew,
  units,
}: {
  proposal: NonNullable<Brew['proposal']> | undefined | null;
  brew: Brew;
  units: Units;
}) {
  return (
    <>
      {proposal && proposal.lever !== 'keep' && (
        <p>
          <b>Proposed</b> {proposal.headline}. {proposal.change} {proposal.reason}
        </p>
      )}
      {proposal && proposal.lever !== 'keep' && (
        <p>
          <b>Taken</b> {brew.accepted ? 'yes, noted for the lead' : 'no'}
        </p>
      )}
      {proposal?.cup.text && (
        <p>
          <b>Cup in hand</b>{' '}
          {proposal.cup.water > 0
            ? `${volumeText(proposal.cup.water, units.volume)} hot water. `
            : ''}
          {proposal.cup.text}
        </p>
      )}
    </>
  );
}

/** What can be done with this brew now. */
function BrewFoot({
  state,
  brew,
  s,
  next,
  plan,
}: {
  state: BrewState;
  brew: Brew;
  s: Seconds | null;
  next: { id: string; at: number; verdict: string } | null;
  plan: Plan;
}) {
  return (
    <div className="foot flex-wrap">
      {state.kind === 'pulled' && (
        <Link className="btn go" to={`/judge/${brew.id}`}>
          Judge the cup
        </Link>
      )}
      {s !== null && state.kind !== 'abandoned' && (
        <Link className="btn" to={`/table/colour?brew=${brew.id}`}>
          Read the colour
        </Link>
      )}
      {brew.verdict && (
        <Link className="btn" to={`/log/${brew.id}/taste`}>
          Taste again <kbd>A</kbd>
        </Link>
      )}
      {s !== null && state.kind !== 'abandoned' && <Refractometer brew={brew} />}
      {next && (
        <Link className="btn" to={`/log/${next.id}`}>
          Next of this tea <kbd>K</kbd>
        </Link>
      )}
      <Link
        className="btn"
        to={`/start?tea=${brew.tea.id}&vessel=${brew.vesselId ?? ''}&water=${plan.water}`}
      >
        Brew again
      </Link>
    </div>
  );
}
