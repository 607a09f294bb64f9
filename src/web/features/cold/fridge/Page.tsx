import { useState } from 'react';
import { Link } from 'react-router';
import { placeOf } from '#core/cold';
import { celsius, readingText } from '#core/units';
import { useProbesQuery } from '../../../entities/batches/api';
import { useBatchCommands } from '../../../entities/batches/useBatchCommands';
import { useCold } from '../../../entities/batches/useCold';
import { useLimits, useSession, useUnits } from '../../../entities/people/session';
import { useNow } from '../../../platform/clock';
import { useFirstLoad } from '../../../platform/useFirstLoad';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Loading, Note } from '../../../ui/Note';
import { FridgeNow } from '../FridgeNow';
import { FridgeChart } from './FridgeChart';
import { Gaps } from './Gaps';
import { Moved } from './Moved';
import { Probes } from './Probes';
import { Readings } from './Readings';
import { ReadingsFile } from './ReadingsFile';

const DRAWN_EVERY_MS = 60_000;

/** How the fridge has stood: what was read, how warm the liquor was, and which batches that moved. */
export function FridgePage() {
  const cold = useCold();
  const { site, role } = useSession();
  const commands = useBatchCommands();
  const limits = useLimits();
  const units = useUnits();
  const now = useNow(DRAWN_EVERY_MS);
  const go = useGo();
  const probes = useProbesQuery();
  const [chosenId, choose] = useState<string | null>(null);
  useKeys([{ key: 'Escape', does: 'Back to Cold', run: () => go('/cold') }]);
  const loads = useFirstLoad(cold, probes);
  if (loads)
    return (
      <main className="page">
        <Loading what="the fridge log" />
      </main>
    );
  const inFridge = cold.standing.filter((b) => placeOf(b.plan, b.now) === 'fridge');
  const chosen = inFridge.find((b) => b.id === chosenId) ?? inFridge[0];
  const last = cold.readings.at(-1);
  return (
    <main className="page split">
      <div className="say" style={{ padding: '0 24px', alignItems: 'center' }}>
        <h1 className="font-normal">Fridge log</h1>
        <span className="flex gap-2 items-baseline flex-wrap">
          The fridge of {site.name} has <FridgeNow last={last} onRead={commands.readFridge} />
        </span>
        <span className="gap" />
        <Link className="btn quiet" to="/cold">
          To Cold
        </Link>
      </div>
      {/* On a narrow screen what is asked stands before the list of readings. */}
      <section className="work max-[1000px]:contents">
        <div className="max-[1000px]:px-4 max-[1000px]:pt-2">
          {cold.isError && <Note bad>The fridge log cannot be read just now.</Note>}
          {last && last.celsius > limits.limit && (
            <Note bad>
              <b>The fridge is warmer than {readingText(limits.limit, units.temperature)}.</b> Close
              the door, look at the setting, and read again in an hour.{' '}
              {inFridge.length > 0 &&
                `${inFridge.length === 1 ? 'One batch is' : `${inFridge.length} batches are`} in the fridge.`}
            </Note>
          )}
          <FridgeChart
            air={{ readings: cold.readings, gaps: cold.gaps }}
            batches={inFridge}
            chosen={chosen}
            now={now}
            onChoose={choose}
          />
        </div>
        <div className="max-[1000px]:order-2 max-[1000px]:px-4 max-[1000px]:pb-4">
          <Readings readings={cold.readings} />
        </div>
      </section>
      <section className="paper max-[1000px]:order-1" aria-label="Gaps, batches and probes">
        <Gaps air={{ readings: cold.readings, gaps: cold.gaps }} limits={limits} />
        <Moved batches={inFridge} />
        <Probes probes={probes.data?.probes ?? []} isLead={role === 'lead'} now={now} />
        {role === 'lead' && <ReadingsFile />}
        <p className="small mt-3">
          Cold is {readingText(celsius(limits.limit), units.temperature)} or less. Above that,
          minutes count as warm. The local food code decides.
        </p>
      </section>
    </main>
  );
}
