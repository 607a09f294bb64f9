import { type ReactNode, useState } from 'react';
import { Link, useParams } from 'react-router';
import { knownFrom } from '#core/brews';
import { COLOUR_STEPS, verdictWords } from '#core/corrections';
import { minutesText, numberText, readingText, secondsBetween, volumeText } from '#core/units';
import type { Brew, Happened } from '#contracts/brews';
import { pathOf, ROUTES } from '#contracts/routes';
import { useBrewQuery } from '../../entities/brews/api';
import { BrewWorking } from '../../entities/brews/BrewWorking';
import { liquorOf } from '../../entities/brews/liquor';
import { useDropBrewPhotoMutation } from '../../entities/brews/logApi';
import { readSolids, REFRACTOMETER } from '../../entities/brews/refractometer';
import { useBrewCommands } from '../../entities/brews/useBrewCommands';
import { useSession, useUnits } from '../../entities/people/session';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf, swatchOf } from '../../entities/teas/liquor';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { failureOf } from '../../platform/api';
import { now } from '../../platform/clock';
import { useGo } from '../../platform/useGo';
import { clockText, weekdayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { colourWords, happenedWords } from './happened';
import { HeatCourse, plannedHeat, TimeLine } from './TimeLine';

const clockSeconds = (at: number): string =>
  `${clockText(at)}:${String(new Date(at).getSeconds()).padStart(2, '0')}`;

/** One brew's story: planned above the line, real below it, the liquor, the verdict and what was done. */
export function BrewPage() {
  const { id } = useParams();
  const { data, isLoading } = useBrewQuery(id ?? '');
  const go = useGo();
  const units = useUnits();
  const next = data?.next;
  useKeys([
    { key: 'Escape', does: 'Back to the list', run: () => go('/log') },
    ...(next
      ? [{ key: 'k', does: 'Next brew of this tea', run: () => go(`/log/${next.id}`) }]
      : []),
  ]);
  if (isLoading)
    return (
      <main className="page">
        <Loading what="the brew" />
      </main>
    );
  if (!data)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/log">
              To the log
            </Link>
          }
        >
          This brew is not in the log.
        </Nothing>
      </main>
    );
  const { brew, events, steeps } = data;
  return (
    <main className="page split" style={{ gridTemplateColumns: undefined }}>
      <div className="say">
        <h1 className="tea text-[25px]">{brew.tea.name}</h1>
        <span className="small text-[16px]">
          {brew.plan.vessel.name}, {weekdayText(brew.startedAt)} {clockText(brew.startedAt)},{' '}
          {brew.startedBy.name}, {brew.lot ? `${brew.lot.name}, ` : ''}recipe version{' '}
          {brew.versionNumber}
        </span>
        <span className="gap" />
        <Link className="btn quiet" to="/log">
          Back to the list <kbd>Esc</kbd>
        </Link>
      </div>
      <section className="work">
        <TimeLine brew={brew} />
        <HeatCourse brew={brew} />
        <div className="grid gap-6 mt-4 items-start" style={{ gridTemplateColumns: 'auto 1fr' }}>
          <div className="border-b-[3px] border-ink">
            <VesselDrawing
              vessel={brew.plan.vessel}
              scale={0.8}
              bowl={false}
              fill={brew.plan.water}
              leaf={brew.plan.leaf}
              liquor={liquorOf(brew, now()) ?? undefined}
              level
              label={`${brew.plan.vessel.name}, ${Math.round(brew.plan.water)} ml`}
            />
          </div>
          <div>
            <h2 className="mb-2">The card</h2>
            <BrewWorking brew={brew} />
            {events.length > 0 && (
              <details className="mt-3">
                <summary>Everything that was done to it, {events.length}</summary>
                <ol className="events">
                  {events.map((e) => (
                    <li key={e.id} className={e.undone ? 'undone' : ''}>
                      <span>{clockSeconds(e.at)}</span>
                      <span>
                        {happenedWords(e, brew, units)}
                        {e.undone ? ', taken back' : ''}
                      </span>
                      <span className="small">{e.by}</span>
                    </li>
                  ))}
                </ol>
              </details>
            )}
          </div>
        </div>
      </section>
      <section className="paper" aria-label="What happened">
        <WhatHappened
          brew={brew}
          next={next ?? null}
          steeps={steeps}
          events={events}
          photo={data.photo ? <CupPhoto brewId={brew.id} photo={data.photo} /> : null}
        />
      </section>
    </main>
  );
}
/** Heat further from the plan than this is worth a word, °C (a thermometer in a pot reads to about 1). */
const HEAT_WORTH_SAYING = 3;

function WhatHappened({
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
  const words =
    s === null
      ? state.kind === 'abandoned'
        ? `Given up. ${brew.remark}`
        : 'Still on the bar.'
      : s > window.latest
        ? `${plan.pull.done} ${minutesText(s - window.latest)} past latest.`
        : s < window.earliest
          ? `${plan.pull.done} ${minutesText(window.earliest - s)} before its window.`
          : `${plan.pull.done} in its window, ${minutesText(Math.abs(s - window.best))} ${s >= window.best ? 'past' : 'before'} best.`;
  const off = brew.readings.flatMap((r) => {
    const planned =
      'waterOn' in state ? plannedHeat(brew, secondsBetween(state.waterOn, r.at)) : null;
    return planned === null ? [] : [r.celsius - planned];
  });
  const heat = off.length ? off.reduce((a, b) => a + b, 0) / off.length : 0;
  const heatWords =
    Math.abs(heat) >= HEAT_WORTH_SAYING
      ? `${Math.round(Math.abs(heat) * (units.temperature === 'F' ? 1.8 : 1))} °${units.temperature} ${heat > 0 ? 'hotter' : 'cooler'} than planned. `
      : '';
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
      </p>
      {verdict && (
        <div className="cups mt-3" style={{ gridTemplateColumns: '1fr 1fr' }}>
          <div className="grid justify-items-center py-3 text-[#14191d] text-[15px]">
            <Cup
              liquor={swatchOf(knownFrom(plan, brew.tea.style), plan.recipe, strength)}
              size={92}
            />
            judged: {COLOUR_STEPS.find((c) => c.mark === verdict.colour)?.word}
          </div>
          <div className="grid justify-items-center py-3 text-[#14191d] text-[15px]">
            <Cup liquor={houseLiquorOf(knownFrom(plan, brew.tea.style), plan.recipe)} size={92} />
            house
          </div>
        </div>
      )}
      <div className="working mt-3">
        <p>
          <b>Verdict</b>{' '}
          {verdict
            ? `${verdictWords(verdict)}${brew.judgedBy ? `, ${brew.judgedBy.name}` : ''}`
            : state.kind === 'judged'
              ? 'none kept'
              : 'not judged yet'}
          {brew.remark && state.kind !== 'abandoned' ? `. ${brew.remark}` : ''}
        </p>
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
        {steeps.length > 1 && (
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
        )}
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
        {next && (
          <p>
            <b>Next brew of this tea</b> {weekdayText(next.at)} {clockText(next.at)}: {next.verdict}
          </p>
        )}
      </div>
      <div className="foot">
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
        {s !== null && state.kind !== 'abandoned' && <Refractometer brew={brew} />}
        {next && (
          <Link className="btn" to={`/log/${next.id}`}>
            Next of this tea <kbd>K</kbd>
          </Link>
        )}
        <Link
          className="btn"
          to={`/start?tea=${brew.tea.id}&vessel=${brew.vesselId}&water=${plan.water}`}
        >
          Brew again
        </Link>
      </div>
    </>
  );
}

/** The picture that was kept with its colour reading; whoever kept it, or a lead, takes it away again. */
function CupPhoto({ brewId, photo }: { brewId: string; photo: { id: string; by: string } }) {
  const me = useSession();
  const [drop, { isLoading, error }] = useDropBrewPhotoMutation();
  return (
    <figure className="cup-photo">
      <img src={pathOf(ROUTES.getBrewPhoto, { id: photo.id })} alt="The cups as they were read" />
      {(photo.by === me.personId || me.role === 'lead') && (
        <button
          type="button"
          className="btn quiet slim"
          disabled={isLoading}
          onClick={() => void drop(brewId)}
        >
          Take the picture away
        </button>
      )}
      {error && (
        <p className="fault" role="alert">
          {failureOf(error).message}
        </p>
      )}
    </figure>
  );
}
/** Dissolved solids typed from a refractometer: part of what a tea is fitted by. */
function Refractometer({ brew }: { brew: Brew }) {
  const commands = useBrewCommands();
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const read = readSolids(typed);
  const fault = typed.trim() !== '' && read.kind === 'bad' ? read.why : null;
  if (!open)
    return (
      <button type="button" className="btn quiet" onClick={() => setOpen(true)}>
        Refractometer
      </button>
    );
  const keep = () => {
    if (read.kind === 'bad') return;
    commands.solids(brew, read.value);
    setOpen(false);
  };
  return (
    <form
      className="solids-form"
      onSubmit={(e) => {
        e.preventDefault();
        keep();
      }}
    >
      <label>
        Dissolved, %{' '}
        <input
          className="box"
          inputMode="decimal"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          autoFocus
        />
      </label>
      <button type="submit" className="btn" disabled={read.kind === 'bad'}>
        Keep
      </button>
      <button type="button" className="btn quiet" onClick={() => setOpen(false)}>
        Leave
      </button>
      <p className={fault ? 'fault' : 'small'} role={fault ? 'alert' : undefined}>
        {fault ?? REFRACTOMETER}
      </p>
    </form>
  );
}
