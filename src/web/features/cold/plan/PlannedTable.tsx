import { memo } from 'react';
import type { PlanAsked, PlannedBatch, WeekPlan } from '#core/coldPlan';
import { clockTime, type SiteClock, weekdayAndTime } from '#core/time';
import { epochMs, millilitres, volumeText } from '#core/units';
import type { LeftFree, PlannedCold } from '#contracts/coldPlans';
import type { Plannable } from '../../../entities/batches/coldTeas';
import { useUnits } from '../../../entities/people/session';
import { newId } from '../../../platform/ids';
import { PickList } from '../../../ui/PickList';
import { batchesOfPlan, type DraftAct, instantOf } from './draft';

type Props = {
  /** What the draft has of batches, and of pitchers that are kept out of the plan. */
  batches: readonly PlannedCold[];
  leftFree: readonly LeftFree[];
  teas: readonly Plannable[];
  vessels: readonly { readonly id: string; readonly name: string }[];
  asked: PlanAsked;
  plan: WeekPlan;
  act: (a: DraftAct) => void;
  clock: SiteClock;
};

/**
 * The batches of the plan in the order in which their leaf goes in. Drawn again only when that changes: the planner begins
 * once a typed figure is drawn.
 */
export const PlannedTable = memo(function PlannedTable(props: Props) {
  const { plan } = props;
  const coming = plan.batches.filter((b) => b.start >= 0).sort((a, b) => a.start - b.start);
  if (coming.length === 0) return <LeftFreeList {...props} />;
  return (
    <>
      <h2>
        To brew<small>each as late as possible</small>
      </h2>
      <div className="plan-table">
        <table className="grid-table plain planned-list">
          <thead>
            <tr>
              <th className="l">leaf in</th>
              <th className="l">tea</th>
              <th className="l">pitcher</th>
              <th className="l">lift</th>
              <th>glasses</th>
              <th className="l">for</th>
              <th>stays</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {coming.map((b) => (
              <PlannedRow key={`${b.line} ${b.vessel} ${b.start}`} batch={b} {...props} />
            ))}
          </tbody>
        </table>
      </div>
      <LeftFreeList {...props} />
    </>
  );
});

/** "Sat 11:00 to 14:00": the beginnings of the first service and of the last. */
function servedSpan(asked: PlanAsked, clock: SiteClock, first: number, last: number): string {
  const [from, to] = [asked.services[first]?.from, asked.services[last]?.from];
  if (from === undefined || to === undefined) return '';
  if (first === last) return weekdayAndTime(clock, from);
  const sameDay = asked.services[first]?.date === asked.services[last]?.date;
  return `${weekdayAndTime(clock, from)} to ${sameDay ? clockTime(clock, to) : weekdayAndTime(clock, to)}`;
}

/** As long as a batch would hold its pitcher. */
const spanOf = (b: PlannedCold): LeftFree => ({
  vesselId: b.vesselId,
  from: b.start,
  to: Math.max(b.until ?? 0, b.lift),
});

/** Pitchers that somebody keeps out of the plan for a while, and the way back. */
function LeftFreeList({ leftFree, vessels, act, clock }: Props) {
  if (leftFree.length === 0) return null;
  const time = (at: number) => weekdayAndTime(clock, epochMs(at));
  return (
    <ul className="grid gap-1 mt-2">
      {leftFree.map((span) => {
        const name = vessels.find((v) => v.id === span.vesselId)?.name ?? 'A pitcher';
        return (
          <li key={`${span.vesselId} ${span.from}`} className="flex flex-wrap items-center gap-3">
            {name} stays free from {time(span.from)} to {time(span.to)}.
            <button
              type="button"
              className="btn quiet slim"
              aria-label={`Use ${name} again, ${time(span.from)}`}
              onClick={() => act({ kind: 'usedAgain', span })}
            >
              Use {name} again
            </button>
          </li>
        );
      })}
    </ul>
  );
}

function PlannedRow({
  batch,
  batches,
  teas,
  vessels,
  asked,
  plan,
  act,
  clock,
}: Props & { batch: PlannedBatch }) {
  const units = useUnits();
  const tea = teas.find((t) => t.id === batch.line);
  const vessel = vessels.find((v) => v.id === batch.vessel);
  const time = (minute: number) => weekdayAndTime(clock, instantOf(asked, minute));
  const [own] = batchesOfPlan({ ...plan, batches: [batch] }, asked, batches, newId);
  /** Kept where it is when all else is planned again; its leaf goes in and comes out as many minutes later or earlier. */
  const pinAt = (start: number) => {
    if (!own) return;
    const by = (start - batch.start) * 60_000;
    act({ kind: 'pinned', batch: { ...own, start: own.start + by, lift: own.lift + by } });
  };
  // What was just ticked stays, before it was planned again.
  const isPinned = batches.some((b) => b.pinned && b.id === own?.id);
  const [first, last] = [batch.pours[0], batch.pours.at(-1)];
  const span = first && last ? servedSpan(asked, clock, first.service, last.service) : 'nobody';
  return (
    <tr>
      <td className="l">
        <PickList
          label={`Leaf in of ${tea?.name ?? ''}`}
          shown={time(batch.start)}
          className="small-pick"
          chosen={batch.start}
          choices={() => asked.problem.hands.map((h) => ({ value: h.at, text: time(h.at) }))}
          onPick={pinAt}
        />
      </td>
      <td className="l tea text-[17px]">{tea?.name}</td>
      <td className="l">
        {vessel?.name},{' '}
        <span className="small whitespace-nowrap">
          {volumeText(millilitres(batch.water), units.volume)}
        </span>
      </td>
      <td className="l" data-what="lift">
        {time(batch.lift)}
      </td>
      <td data-what="glasses">
        {batch.pours.reduce((sum, p) => sum + p.glasses, 0)} of {batch.glasses}
      </td>
      <td className="l small" data-what="for">
        {span}
      </td>
      <td data-what="stays">
        <input
          type="checkbox"
          className="stays"
          aria-label={`${tea?.name ?? ''} in ${vessel?.name ?? ''}, ${time(batch.start)}: stays there`}
          checked={isPinned}
          onChange={(e) => {
            if (!own) return;
            if (e.target.checked) pinAt(batch.start);
            else act({ kind: 'unpinned', id: own.id });
          }}
        />
      </td>
      <td>
        <button
          type="button"
          className="btn quiet slim"
          aria-label={`Skip the batch in ${vessel?.name ?? ''}, ${time(batch.start)}`}
          onClick={() => own && act({ kind: 'leftFree', batch: own.id, span: spanOf(own) })}
        >
          Skip batch
        </button>
      </td>
    </tr>
  );
}
