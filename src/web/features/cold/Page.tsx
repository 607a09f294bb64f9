import { useState } from 'react';
import { Link } from 'react-router';
import { isLabelOutdated } from '#core/cold';
import { type EpochMs, epochMs } from '#core/units';
import type { ColdBatch } from '../../entities/batches/standing';
import { useBatchCommands } from '../../entities/batches/useBatchCommands';
import { useCold } from '../../entities/batches/useCold';
import { useClock, useSession } from '../../entities/people/session';
import { CannotRead } from '../../platform/Awaited';
import { useNow } from '../../platform/clock';
import { useFirstLoad } from '../../platform/useFirstLoad';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { ColdFoot } from './ColdFoot';
import { ColdHead } from './ColdHead';
import { EndedLine } from './EndedLine';
import { InspectionRecord } from './InspectionRecord';
import { Lanes, type LaneView } from './Lanes';
import { usePlanned } from './usePlanned';

const HOUR_MS = 3_600_000;
/** So many hours before now are in sight at first. */
const BEFORE_HOURS = { days: 10, day: 4 } as const;
const STEP_HOURS = 6;
/** Minutes pass slowly here. */
const DRAWN_EVERY_MS = 20_000;

/** What is cold: every batch along its hours, what hands are wanted for next, and how the fridge stands. */
export function ColdPage() {
  const cold = useCold();
  const { role } = useSession();
  const now = useNow(DRAWN_EVERY_MS);
  const go = useGo();
  const commands = useBatchCommands();
  const [chosenId, choose] = useState<string | null>(null);
  const [moved, move] = useState(0);
  const [view, see] = useState<LaneView>('days');
  const { standing } = cold;
  const { planned, isLoading } = usePlanned();
  const at = Math.max(
    0,
    standing.findIndex((b) => b.id === chosenId),
  );
  const chosen = standing[at];
  const walk = (by: number) => {
    const next = standing[Math.max(0, Math.min(standing.length - 1, at + by))];
    if (next) choose(next.id);
  };
  useKeys([
    { key: 'n', does: 'Start a batch', run: () => go('/cold/start') },
    { key: 'p', does: 'Plan the week', run: () => go('/cold/plan') },
    { key: 'ArrowDown', does: 'The next batch', run: () => walk(1) },
    { key: 'ArrowUp', does: 'The batch before', run: () => walk(-1) },
    {
      key: 'v',
      does: view === 'days' ? 'See one day' : 'See some days',
      run: () => see(view === 'days' ? 'day' : 'days'),
    },
    { key: 'ArrowRight', does: 'Six hours on', run: () => move((m) => m + STEP_HOURS) },
    { key: 'ArrowLeft', does: 'Six hours back', run: () => move((m) => m - STEP_HOURS) },
    ...(chosen
      ? [{ key: 'Enter', does: 'Open the batch', run: () => go(`/cold/${chosen.id}`) }]
      : []),
  ]);
  const loads = useFirstLoad(cold, { isLoading });
  if (loads)
    return (
      <main className="page">
        <Loading what="the cold batches" />
      </main>
    );
  const from = epochMs(
    Math.floor(now / HOUR_MS) * HOUR_MS + (moved - BEFORE_HOURS[view]) * HOUR_MS,
  );
  return (
    <main className="page grid grid-rows-[auto_minmax(0,1fr)_auto]">
      <h1 className="visually-hidden">Cold</h1>
      <ColdHead cold={cold} view={view} onView={see} onRead={commands.readFridge} />
      <div className="min-h-0 overflow-auto px-6 max-[700px]:px-4">
        {cold.isError && <CannotRead what="the cold batches" onAgain={() => void cold.refetch()} />}
        <LabelsToPrint batches={standing} />
        {standing.length + planned.length === 0 && !cold.isError ? (
          <NothingCold />
        ) : (
          <Lanes {...{ planned, chosen, now, from, view }} batches={standing} onChoose={choose} />
        )}
        <Ended batches={cold.ended} now={now} />
        {role !== 'trainee' && <InspectionRecord now={now} />}
      </div>
      <ColdFoot next={standing[0]} planned={planned[0]} now={now} />
    </main>
  );
}

/** Batches whose label says too late a time, or another vessel. */
function LabelsToPrint({ batches }: { batches: readonly ColdBatch[] }) {
  const outdated = batches.filter((b) => isLabelOutdated(b.now, b.kept.discardAt));
  if (outdated.length === 0) return null;
  return (
    <Note bad>
      <b>Labels out of date: print new labels.</b>{' '}
      {outdated.map((b, i) => (
        <span key={b.id}>
          {i > 0 && ', '}
          <Link to={`/cold/${b.id}`}>{b.vesselName}</Link>
        </span>
      ))}
      .
    </Note>
  );
}

function NothingCold() {
  return (
    <Nothing
      action={
        <Link className="btn go" to="/cold/start">
          Start a batch
        </Link>
      }
    >
      No cold batch yet.
    </Nothing>
  );
}

/** What ended in the last days, by a line each. */
function Ended({ batches, now }: { batches: readonly ColdBatch[]; now: EpochMs }) {
  const clock = useClock();
  if (batches.length === 0) return null;
  return (
    <details className="mt-4 mb-4">
      <summary className="small min-h-[44px]">
        {batches.length === 1 ? 'One batch' : `${batches.length} batches`} ended in the last three
        days
      </summary>
      <ul className="grid gap-1">
        {batches.map((b) => (
          <li key={b.id}>
            <EndedLine batch={b} now={now} clock={clock} />
          </li>
        ))}
      </ul>
    </details>
  );
}
