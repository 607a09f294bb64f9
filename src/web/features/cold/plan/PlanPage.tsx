import { useMemo, useReducer, useState } from 'react';
import { Link } from 'react-router';
import { planDays } from '#core/coldPlan';
import { siteDate } from '#core/time';
import type { ColdPlanAnswer } from '#contracts/coldPlans';
import { useChangeColdPlanMutation, useColdPlanQuery } from '../../../entities/batches/api';
import { useClock, useSession } from '../../../entities/people/session';
import { useNow } from '../../../platform/clock';
import { newId } from '../../../platform/ids';
import { NotSaved } from '../../../platform/NotSaved';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Loading, Nothing } from '../../../ui/Note';
import { DemandTable } from './DemandTable';
import { batchesOfPlan, draftAfter, draftOf } from './draft';
import { PlannedTable } from './PlannedTable';
import { PlanResult } from './PlanResult';
import { PlanSentence } from './PlanSentence';
import { PLAN_DAYS, usePlanHouse } from './usePlanHouse';
import { usePlanner } from './usePlanner';

const DRAWN_EVERY_MS = 60_000;

/** What is wanted of the cold teas in the next seven days, and when leaf has to go in for it. */
export function PlanPage() {
  const { site, role } = useSession();
  const { data, isError } = useColdPlanQuery();
  if (!site.hours)
    return (
      <main className="page p-6">
        <Nothing
          action={
            role === 'lead' && (
              <Link className="btn go" to="/house/hours">
                Type the hours
              </Link>
            )
          }
        >
          A plan needs the hours of {site.name}: when somebody is there, and when it serves.
          {role !== 'lead' && ' A lead types them under House.'}
        </Nothing>
      </main>
    );
  if (!data)
    return (
      <main className="page p-6">
        {isError ? (
          <Nothing action={<Link to="/cold">Back to Cold</Link>}>
            The plan is out of reach: no connection to the house’s server.
          </Nothing>
        ) : (
          <Loading what="the plan" />
        )}
      </main>
    );
  return <Plan kept={data} />;
}

function Plan({ kept }: { kept: ColdPlanAnswer }) {
  const { site, role } = useSession();
  const clock = useClock();
  const now = useNow(DRAWN_EVERY_MS);
  const go = useGo();
  const [draft, act] = useReducer(draftAfter, kept.plan, draftOf);
  const [rev, setRev] = useState(kept.plan.rev);
  const [save, saving] = useChangeColdPlanMutation();
  const house = usePlanHouse(draft, now);
  const { teas } = house;
  const planner = usePlanner(house.house);
  const { ended, found } = planner;
  const asked = found?.asked ?? null;
  const plan = ended?.kind === 'plan' ? ended.plan : null;
  const today = siteDate(clock.zone, now);
  const days = useMemo(() => planDays(today, PLAN_DAYS), [today]);
  const mayKeep = role !== 'trainee';
  const canKeep = mayKeep && asked !== null && plan !== null && planner.stage === 'done';
  const keep = async () => {
    if (!canKeep || saving.isLoading) return;
    const { demand, places, leftFree } = draft;
    const batches = batchesOfPlan(plan, asked, [...draft.batches, ...kept.plan.batches], newId);
    const saved = await save({
      ...{ demand, places, batches, rev },
      leftFree: leftFree.filter((o) => o.to > now),
    });
    if (!saved.error) go('/cold');
  };
  useKeys([
    { key: 'Escape', does: 'Back to Cold', run: () => go('/cold') },
    ...(canKeep ? [{ key: 'k', does: 'Keep the plan', run: () => void keep() }] : []),
  ]);
  if (house.isLoading || !asked || !site.hours)
    return (
      <main className="page p-6">
        {planner.stage === 'failed' ? (
          <Nothing action={<Link to="/cold">Back to Cold</Link>}>
            The planner stopped. Load the page again.
          </Nothing>
        ) : (
          <Loading what="recipes, pitchers and batches" />
        )}
      </main>
    );
  return (
    <main className="page split plan-page">
      <h1 className="visually-hidden">Plan of cold batches</h1>
      <PlanSentence
        {...{ draft, teas, asked, act, clock }}
        end={
          !mayKeep ? (
            <span className="small">A brewer or a lead keeps the plan.</span>
          ) : (
            <button
              type="button"
              className="btn go"
              disabled={!canKeep || saving.isLoading}
              onClick={() => void keep()}
            >
              Keep the plan <kbd>K</kbd>
            </button>
          )
        }
      />
      <section className="work wanted">
        <NotSaved error={saving.error} onKeepMine={setRev} />
        <DemandTable {...{ draft, teas, days, act }} hours={site.hours} poured={kept.poured} />
      </section>
      <PlanResult
        {...{ draft, teas, asked, act, clock, planner }}
        vessels={house.vessels}
        changed={kept.plan.changed}
      />
      <section className="work planned" aria-label="To brew">
        {plan && (
          <PlannedTable
            {...{ teas, plan, act, clock }}
            batches={draft.batches}
            leftFree={draft.leftFree}
            asked={ended?.asked ?? asked}
            vessels={house.vessels}
          />
        )}
      </section>
    </main>
  );
}
