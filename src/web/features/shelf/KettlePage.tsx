import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { MATERIALS } from '#core/heat';
import { minutesText, numberText, temperatureText, volumeText } from '#core/units';
import type { Kettle } from '#contracts/kettles';
import { History } from '../../entities/history/History';
import { useDropReadingMutation } from '../../entities/kettles/api';
import { useKettlesQuery } from '../../entities/kettles/api';
import { useSession, useUnits } from '../../entities/people/session';
import { useGo } from '../../platform/useGo';
import { dayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { Cooling } from './Cooling';
import { factsOf, type KettleFacts } from './kettle';
import { KettleDrawing } from './KettleDrawing';
import { KettleForm } from './KettleForm';
import { TakeReadings } from './TakeReadings';
import { UseHere, Waits } from './Waits';

/** One kettle: how it cools against the usual, its readings, and what to do to have a heat on the leaf. */
export function KettlePage() {
  const { id } = useParams();
  const { data, isLoading } = useKettlesQuery();
  const { role, site } = useSession();
  const go = useGo();
  const [doing, setDoing] = useState<'edit' | 'read' | 'practise' | null>(null);
  const kettle = data?.kettles.find((k) => k.id === id);
  useKeys([
    {
      key: 'Escape',
      does: 'Back to the shelf',
      run: () => (doing ? setDoing(null) : go('/shelf')),
    },
    ...(kettle && role !== 'trainee'
      ? [{ key: 'r', does: 'Take a reading', run: () => setDoing('read') }]
      : []),
    ...(role === 'lead' && kettle ? [{ key: 'e', does: 'Edit', run: () => setDoing('edit') }] : []),
  ]);
  if (isLoading)
    return (
      <main className="page">
        <Loading what="the kettle" />
      </main>
    );
  if (id === 'new' && role === 'lead')
    return (
      <main className="page scroll">
        <div className="p-6 max-w-[760px]">
          <h1 className="text-[28px] mb-3">New kettle</h1>
          <KettleForm kettle={null} onDone={() => go('/shelf')} />
        </div>
      </main>
    );
  if (!kettle)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/shelf">
              To the shelf
            </Link>
          }
        >
          This kettle is not on the shelf.
        </Nothing>
      </main>
    );
  if (doing === 'edit')
    return (
      <main className="page scroll">
        <div className="p-6 max-w-[760px]">
          <h1 className="text-[28px] mb-3">{kettle.name}</h1>
          <KettleForm kettle={kettle} onDone={() => setDoing(null)} />
        </div>
      </main>
    );
  const facts = factsOf(kettle, site);
  return (
    <main className="page split whole">
      <section className="work">
        <div className="kettle-head">
          <KettleDrawing kettle={kettle} />
          <div>
            <h1 className="text-[30px] leading-tight">{kettle.name}</h1>
            <p className="small">
              {[
                MATERIALS[kettle.material].label,
                volumeText(kettle.volume, 'ml'),
                kettle.lid ? 'lid on' : 'lid open',
                kettle.setPoints
                  ? `set points ${numberText(kettle.setPoints.from)} to ${numberText(kettle.setPoints.to)} by ${numberText(kettle.setPoints.step)}`
                  : 'boils only',
                `boils at ${temperatureText(facts.boiling, site.temperatureUnit)} here`,
                kettle.retired ? 'retired' : '',
              ]
                .filter(Boolean)
                .join(' · ')}
            </p>
          </div>
          {role !== 'trainee' && (
            <button type="button" className="btn go" onClick={() => setDoing('read')}>
              Take a reading <kbd>R</kbd>
            </button>
          )}
        </div>
        {(doing === 'read' || doing === 'practise') && (
          <TakeReadings
            kettle={kettle}
            practise={doing === 'practise'}
            onDone={() => setDoing(null)}
          />
        )}
        <Cooling facts={facts} kettle={kettle} unit={site.temperatureUnit} />
        <Readings kettle={kettle} lead={role === 'lead'} />
        <Standing facts={facts} />
        {role === 'lead' && <History thing="kettle" id={kettle.id} />}
      </section>
      <section className="paper" aria-label="To have it on the leaf">
        <Waits facts={facts} site={site} />
        <div className="foot">
          {role === 'lead' && <UseHere kettle={kettle} facts={facts} site={site} />}
          <button type="button" className="btn" onClick={() => setDoing('practise')}>
            Practise with a simulated kettle
          </button>
          {role === 'lead' && (
            <button type="button" className="btn quiet" onClick={() => setDoing('edit')}>
              Edit <kbd>E</kbd>
            </button>
          )}
        </div>
      </section>
    </main>
  );
}

function Readings({ kettle, lead }: { kettle: Kettle; lead: boolean }) {
  const [drop, { isLoading }] = useDropReadingMutation();
  const [editing, setEditing] = useState(false);
  const units = useUnits();
  const list = kettle.readings;
  if (list.length === 0) return null;
  const by = list.at(-1);
  return (
    <>
      <ul className="readings">
        {list.slice(-12).map((r) => (
          <li key={r.id}>
            <span className="small">{r.kind === 'poured' ? 'poured' : minutesText(r.seconds)}</span>
            <b>{numberText(r.celsius)}°</b>
            {editing && (
              <button
                type="button"
                className="btn quiet slim"
                disabled={isLoading}
                aria-label={`Take out ${numberText(r.celsius)} degrees at ${minutesText(r.seconds)}`}
                onClick={() => void drop({ id: kettle.id, reading: r.id })}
              >
                Out
              </button>
            )}
          </li>
        ))}
        {lead && (
          <li>
            <button type="button" className="btn quiet slim" onClick={() => setEditing(!editing)}>
              {editing ? 'Done' : 'Edit'}
            </button>
          </li>
        )}
      </ul>
      <p className="small">
        {list.length} {list.length === 1 ? 'reading' : 'readings'}, the last by {by?.by.name},{' '}
        {dayText(by?.at ?? 0)}; {volumeText(by?.water ?? kettle.volume, units.volume)} in it, room{' '}
        {temperatureText(by?.ambient ?? (20 as never), units.temperature)}.
        {list.some((r) => r.simulated) ? ' Some are from the simulated kettle.' : ''}
      </p>
    </>
  );
}

function Standing({ facts: { fit, loss } }: { facts: KettleFacts }) {
  if (fit.kind !== 'fitted')
    return (
      <p className="small mt-1">
        <b>The usual of its kind, not measured.</b> {fit.words}
      </p>
    );
  const percent = Math.round((fit.times - 1) * 100);
  return (
    <p className="small mt-1" data-testid="standing">
      <b>Fitted to this kettle</b>, its rate good to {numberText(fit.error * 100, 0)} %, readings
      within {numberText(fit.scatter)} °C of the curve over {numberText(fit.drop, 0)} °C of cooling.
      It cools{' '}
      {percent === 0 ? 'like' : `${Math.abs(percent)} % ${percent > 0 ? 'faster' : 'slower'} than`}{' '}
      the usual of its kind.
      {loss
        ? ` The pour loses ${numberText(loss.loss * 100)} ±${numberText(loss.error * 100)} % of the way to the room.`
        : ''}
    </p>
  );
}
