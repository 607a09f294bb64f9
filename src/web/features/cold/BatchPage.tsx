import { Link, useParams } from 'react-router';
import { weekdayAndTime } from '#core/time';
import { epochMs } from '#core/units';
import { Lane } from '../../entities/batches/Lane';
import { liquorOfBatch } from '../../entities/batches/liquor';
import { type ColdBatch, leftIn, pouredFirst } from '../../entities/batches/standing';
import { StateLine } from '../../entities/batches/StateLine';
import { useCold } from '../../entities/batches/useCold';
import { whereWords } from '../../entities/batches/words';
import { useClock, useUnits } from '../../entities/people/session';
import { useVesselsQuery } from '../../entities/vessels/api';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { useNow } from '../../platform/clock';
import { useFirstLoad } from '../../platform/useFirstLoad';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { BatchActs } from './BatchActs';
import { BatchFacts } from './BatchFacts';
import { LabelLine } from './LabelLine';
import { SharedVessel } from './SharedVessel';
import { Story } from './Story';
import { useWidth } from './useWidth';

const SCALE = 0.8;
const DRAWN_EVERY_MS = 10_000;
const HOUR_MS = 3_600_000;
/** What is hatched past the discard has so much room, px. */
const HATCH_ROOM = 26;
/** Hours before leaf in that are drawn. */
const AROUND_HOURS = 4;

/** One batch: how it stands, what can be done to it, and what was. */
export function BatchPage() {
  const { id } = useParams();
  const cold = useCold();
  const vessels = useVesselsQuery();
  const now = useNow(DRAWN_EVERY_MS);
  const go = useGo();
  const loads = useFirstLoad(cold, vessels);
  const batch = cold.batches.find((b) => b.id === id);
  useKeys([{ key: 'Escape', does: 'Back to Cold', run: () => go('/cold') }]);
  if (loads)
    return (
      <main className="page">
        <Loading what="the batch" />
      </main>
    );
  if (!batch)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/cold">
              To Cold
            </Link>
          }
        >
          This batch is not here. Cold shows the batches that are kept and those that ended in the
          last three days.
        </Nothing>
      </main>
    );
  const vessel = vessels.data?.vessels.find((v) => v.id === batch.vesselId);
  return (
    <main className="page split whole">
      {/* On a narrow screen what can be done stands before what was. */}
      <section className="work max-[1000px]:contents">
        <div className="max-[1000px]:px-4 max-[1000px]:pt-2">
          <BatchTitle batch={batch} now={now} />
          <div className="flex gap-6 items-end mt-3">
            {vessel && (
              <VesselDrawing
                vessel={vessel}
                scale={SCALE}
                label={`${vessel.name}, level now`}
                fill={leftIn(batch)}
                liquor={liquorOfBatch(batch)}
                leaf={batch.now.state.kind === 'infusing' ? batch.plan.leaf : undefined}
              />
            )}
            <WholeLane batch={batch} now={now} />
          </div>
        </div>
        <div className="max-[1000px]:order-2 max-[1000px]:px-4 max-[1000px]:pb-4">
          <BatchFacts batch={batch} />
          <Story batch={batch} />
        </div>
      </section>
      <section className="paper max-[1000px]:order-1" aria-label="What can be done">
        <SharedVessel batch={batch} standing={cold.standing} />
        <UseFirst first={pouredFirst(batch, cold.standing)} batch={batch} />
        <BatchActs batch={batch} now={now} />
        <LabelLine batch={batch} />
        <p className="small mt-2">
          Wash your hands and use a clean pitcher. Never pour new liquor into an old batch: the old
          time limit would hold for both. When in doubt, throw the batch out. The local food code
          decides.
        </p>
      </section>
    </main>
  );
}

/** Another of the same is to be poured before this one. */
function UseFirst({ first, batch }: { first: ColdBatch | undefined; batch: ColdBatch }) {
  const clock = useClock();
  if (!first || first.id === batch.id || batch.now.state.kind !== 'drawn') return null;
  return (
    <Note
      action={
        <Link className="btn" to={`/cold/${first.id}`}>
          Open {first.vesselName}
        </Link>
      }
    >
      <b>Use {first.vesselName} first:</b> the same tea, kept until{' '}
      {weekdayAndTime(clock, first.kept.discardAt)}.
    </Note>
  );
}

function BatchTitle({ batch, now }: { batch: ColdBatch; now: ReturnType<typeof useNow> }) {
  const units = useUnits();
  const clock = useClock();
  return (
    <>
      <h1 className="tea text-[30px] leading-tight">{batch.tea.name}</h1>
      <p className="flex flex-wrap gap-x-3 items-baseline">
        <span>{whereWords(batch, units)}</span>
        <StateLine batch={batch} now={now} clock={clock} />
        {batch.unsaved && <span className="small">not saved yet</span>}
      </p>
    </>
  );
}

/** All of its hours, as wide as there is room. */
function WholeLane({ batch, now }: { batch: ColdBatch; now: ReturnType<typeof useNow> }) {
  const clock = useClock();
  const [ref, width] = useWidth<HTMLDivElement>();
  const from = epochMs(batch.leafIn - AROUND_HOURS * HOUR_MS);
  const hours = (batch.kept.discardAt - from) / HOUR_MS;
  return (
    <div ref={ref} className="flex-1 min-w-0">
      {width > 0 && (
        <Lane
          batch={batch}
          now={now}
          time={{ from, hours, width: width - HATCH_ROOM }}
          clock={clock}
        />
      )}
    </div>
  );
}
