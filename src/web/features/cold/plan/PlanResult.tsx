import {
  boundWords,
  type PinsRefused,
  type PlanAsked,
  type PlanSay,
  reasonWords,
  type UnmetBecause,
  type WeekPlan,
} from '#core/coldPlan';
import { weekdayAndTime, type Zone } from '#core/time';
import { millilitres, parseWithin, volumeText } from '#core/units';
import type { ColdPlan } from '#contracts/batches';
import type { Plannable } from '../../../entities/batches/coldTeas';
import { useUnits } from '../../../entities/people/session';
import { Note } from '../../../ui/Note';
import { TypedPick } from '../../../ui/TypedPick';
import { type DraftAct, instantOf, type PlanDraft } from './draft';
import type { usePlanner } from './usePlanner';

type Props = {
  draft: PlanDraft;
  teas: readonly Plannable[];
  vessels: readonly { readonly id: string; readonly name: string }[];
  asked: PlanAsked;
  planner: ReturnType<typeof usePlanner>;
  act: (a: DraftAct) => void;
  zone: Zone;
  changed: ColdPlan['changed'];
};

/** How good the plan is, what it leaves short and why, and what is thrown out. */
export function PlanResult(props: Props) {
  const { planner, asked, vessels, zone, draft, act, changed } = props;
  const say: PlanSay = {
    time: (minute) => weekdayAndTime(zone, instantOf(asked, minute)),
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
        The plan covers seven days from now. Batches in the fridge are poured first. Where the last
        glass needs a whole pitcher, type one glass less.
        {changed && ` The kept plan is by ${changed.by}, ${weekdayAndTime(zone, changed.at)}.`}
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

function Verdict({
  plan,
  share,
  say,
  asked,
  teas,
  planner,
  zone,
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
      <p className="mt-2" role="status">
        {planner.stage === 'looking'
          ? `Looking for a better plan: ${Math.round(share * 100)} %.`
          : boundWords(plan, (ml) => volumeText(millilitres(ml), units.volume))}{' '}
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
      </p>
      {because.length > 0 && (
        <>
          <h2 className="mt-3">Short</h2>
          <ul className="grid gap-2 mt-1">
            {because.map((u) => (
              <li key={`${u.line} ${u.service}`} className="leading-snug">
                <b>
                  {weekdayAndTime(zone, asked.services[u.service]?.from ?? asked.begins)}:{' '}
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
