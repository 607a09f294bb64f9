import {
  boundWords,
  lastGlasses,
  type PinsRefused,
  type PlanAsked,
  type PlanSay,
  reasonWords,
  type UnmetBecause,
  wantedOn,
  type WeekPlan,
} from '#core/coldPlan';
import { type SiteClock, weekdayAndTime } from '#core/time';
import { millilitres, parseWithin, volumeText } from '#core/units';
import type { ColdPlan } from '#contracts/coldPlans';
import type { Plannable } from '../../../entities/batches/coldTeas';
import { useUnits } from '../../../entities/people/session';
import { Note } from '../../../ui/Note';
import { TypedPick } from '../../../ui/TypedPick';
import { demandId, type DraftAct, instantOf, type PlanDraft } from './draft';
import type { usePlanner } from './usePlanner';

type Props = {
  draft: PlanDraft;
  teas: readonly Plannable[];
  vessels: readonly { readonly id: string; readonly name: string }[];
  asked: PlanAsked;
  planner: ReturnType<typeof usePlanner>;
  act: (a: DraftAct) => void;
  clock: SiteClock;
  changed: ColdPlan['changed'];
};

/** How good the plan is, what it leaves short and why, and what is thrown out. */
export function PlanResult(props: Props) {
  const { planner, asked, vessels, clock, draft, act, changed } = props;
  const say: PlanSay = {
    time: (minute) => weekdayAndTime(clock, instantOf(asked, minute)),
    vessel: (id) => vessels.find((v) => v.id === id)?.name ?? 'a pitcher',
  };
  const { found } = planner;
  return (
    <section className="paper" aria-label="The plan">
      <p className="mb-2">
        The fridge has room for{' '}
        <TypedPick
          label="Pitchers in the fridge"
          text={draft.places === null ? 'every pitcher' : String(draft.places)}
          typed={draft.places === null ? '' : String(draft.places)}
          read={(text) => {
            const read = parseWithin(text, 'Pitchers', '', 0, 500);
            return read.kind === 'ok' ? { ...read, value: Math.round(read.value) } : read;
          }}
          onValue={(places) => act({ kind: 'places', places })}
        />
        {draft.places !== null && (
          <button
            type="button"
            className="btn quiet slim"
            onClick={() => act({ kind: 'places', places: null })}
          >
            For every pitcher
          </button>
        )}
      </p>
      {planner.stage === 'failed' && (
        <Note bad>
          <b>The planner stopped.</b> Change a figure to plan again.
        </Note>
      )}
      {found?.kind === 'refused' && (
        <Note bad>
          <b>{refusedWords(found.refused, say)}</b>
        </Note>
      )}
      {found?.kind === 'plan' && (
        <Verdict {...props} plan={found.plan} share={found.share} say={say} />
      )}
      <p className="small mt-2">
        The plan covers seven days from now. Batches in the fridge are poured first.
        {changed && ` The kept plan is by ${changed.by}, ${weekdayAndTime(clock, changed.at)}.`}
      </p>
      <p className="small mt-2">
        Wash every pitcher before it is filled again. The local food code decides how long cold tea
        keeps.
      </p>
    </section>
  );
}

function refusedWords(r: PinsRefused, say: PlanSay): string {
  return {
    vessel: `Two batches want one pitcher at ${say.time(r.at)}. Move one of them, or untick “stays”.`,
    places: `The fridge has no place for every batch that stays at ${say.time(r.at)}.`,
    litres: `The fridge has no room for the water of every batch that stays at ${say.time(r.at)}.`,
  }[r.why];
}

/** Where a whole fill is made for one glass: that glass may be left short at a touch. */
function LastGlasses({
  plan,
  asked,
  teas,
  draft,
  act,
  clock,
  say,
}: Pick<Props, 'asked' | 'teas' | 'draft' | 'act' | 'clock'> & { plan: WeekPlan; say: PlanSay }) {
  const units = useUnits();
  return lastGlasses(asked.problem, plan).map((last) => {
    const service = asked.services[last.service];
    const demand = draft.demand.find((d) => demandId(d) === last.line);
    if (!service || !demand) return null;
    const leave = () =>
      act({
        kind: 'wanted',
        coldTea: last.line,
        date: service.date,
        scope: 'date',
        glasses: wantedOn(demand, service.date).map((n, i) =>
          i === service.index ? Math.max(0, n - 1) : n,
        ),
      });
    return (
      <Note
        key={`${last.line} ${last.service} ${last.vessel}`}
        action={
          <button type="button" className="btn slim" onClick={leave}>
            Leave this glass short
          </button>
        }
      >
        <b>{weekdayAndTime(clock, service.from)}:</b> {say.vessel(last.vessel)} is filled for one
        glass of {teas.find((t) => t.id === last.line)?.name}.{' '}
        {volumeText(millilitres(last.thrown), units.volume)} are thrown out.
      </Note>
    );
  });
}

function Verdict({
  plan,
  share,
  say,
  asked,
  teas,
  planner,
  draft,
  act,
  clock,
}: Props & { plan: WeekPlan; share: number; say: PlanSay }) {
  const { ended } = planner;
  const because: readonly UnmetBecause[] = ended?.kind === 'plan' ? ended.because : [];
  const units = useUnits();
  const { merit } = plan;
  const wanted = asked.problem.lines.flatMap((l) => l.demand).reduce((a, b) => a + b, 0);
  const thrown = volumeText(millilitres(merit.thrown), units.volume);
  return (
    <>
      <div className="facts">
        <div>
          <b>
            {wanted - merit.unmet}
            <span>of {wanted}</span>
          </b>
          glasses served
        </div>
        <div>
          <b>{merit.batches}</b>batches
        </div>
        <div>
          <b>{thrown}</b>thrown out
        </div>
      </div>
      {/* Over the words, whose length changes while it looks: a button under a finger stays where it is. */}
      <div className="min-h-[44px] mt-1">
        {planner.stage === 'looking' ? (
          <button type="button" className="btn quiet slim" onClick={planner.stop}>
            Stop
          </button>
        ) : (
          !plan.proven && (
            <button type="button" className="btn quiet slim" onClick={planner.goOn}>
              Look further
            </button>
          )
        )}
      </div>
      <p role="status">
        {planner.stage === 'looking'
          ? `Looking for a better plan: ${Math.round(share * 100)} %.`
          : boundWords(plan, (ml) => volumeText(millilitres(ml), units.volume))}
      </p>
      <LastGlasses {...{ plan, asked, teas, draft, act, clock }} say={say} />
      {because.length > 0 && (
        <>
          <h2 className="mt-3">Short</h2>
          <ul className="grid gap-2 mt-1">
            {because.map((u) => (
              <li key={`${u.line} ${u.service}`} className="leading-snug">
                <b>
                  {weekdayAndTime(clock, asked.services[u.service]?.from ?? asked.begins)}:{' '}
                  {u.glasses} of {teas.find((t) => t.id === u.line)?.name}.
                </b>{' '}
                {reasonWords(u.because, say)}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}
