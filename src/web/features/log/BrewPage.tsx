import { Link, useParams } from 'react-router';
import { pathOf, ROUTES } from '#contracts/routes';
import { useBrewQuery } from '../../entities/brews/api';
import { BrewWorking } from '../../entities/brews/BrewWorking';
import { liquorOf } from '../../entities/brews/liquor';
import { useDropBrewPhotoMutation } from '../../entities/brews/logApi';
import { useSession, useUnits } from '../../entities/people/session';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { failureOf } from '../../platform/api';
import { now } from '../../platform/clock';
import { useGo } from '../../platform/useGo';
import { clockSecondsText, clockText, weekdayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { happenedWords } from './happened';
import { HeatCourse } from './HeatCourse';
import { TimeLine } from './TimeLine';
import { WhatHappened } from './WhatHappened';

/** One brew's story: planned above the line, real below it, the liquor, the verdict and what was done. */
export function BrewPage() {
  const { id } = useParams();
  const { data, isLoading } = useBrewQuery(id ?? '');
  const go = useGo();
  const units = useUnits();
  const next = data?.next;
  useKeys([
    { key: 'Escape', does: 'Back to the list', run: () => go('/log') },
    ...(data?.brew.verdict
      ? [{ key: 'a', does: 'Taste this cup again', run: () => go(`/log/${id ?? ''}/taste`) }]
      : []),
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
                      <span>{clockSecondsText(e.at)}</span>
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
