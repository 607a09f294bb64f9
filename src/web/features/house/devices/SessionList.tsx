import type { OpenSession } from '#contracts/devices';
import { useEndSessionMutation, useEndSessionsMutation } from '../../../entities/people/devicesApi';
import { useSession } from '../../../entities/people/session';
import { useNow } from '../../../platform/clock';
import { NotSaved } from '../../../platform/NotSaved';
import { agoText } from '../../../ui/ago';
import { oneTap } from '../../../ui/keys';

/** Who is signed in where; each is ended by itself, or all of them. */
export function SessionList({ sessions }: { sessions: readonly OpenSession[] }) {
  const { sites } = useSession();
  const now = useNow(15_000);
  const [end, ending] = useEndSessionMutation();
  const [endAll, endingAll] = useEndSessionsMutation();
  const others = sessions.filter((s) => !s.mine && !s.locked);
  return (
    <section>
      <h2>
        Signed in<small>{sessions.length} now</small>
      </h2>
      <NotSaved error={ending.error ?? endingAll.error} />
      <ul className="mt-1">
        {sessions.map((s) => (
          <li key={s.id} className="flex items-center gap-3 border-b border-line py-2">
            <div className="flex-1 min-w-0">
              <b>{s.locked ? s.device : s.person.name}</b>{' '}
              {s.locked ? `locked, last ${s.person.name}` : `on ${s.device}`}
              {s.mine && <span className="small"> this one</span>}
              <div className="small">
                {sites.find((x) => x.id === s.siteId)?.name}, signed in {agoText(s.begun, now)},
                used {agoText(s.seen, now)}
              </div>
            </div>
            {!s.mine && (
              <button
                type="button"
                className="btn quiet slim"
                disabled={ending.isLoading}
                onClick={oneTap(() => void end(s.id))}
              >
                End
                <span className="visually-hidden">
                  {' '}
                  the session of {s.person.name} on {s.device}
                </span>
              </button>
            )}
          </li>
        ))}
      </ul>
      {others.length > 1 && (
        <button
          type="button"
          className="btn mt-3"
          disabled={endingAll.isLoading}
          onClick={oneTap(() => void endAll({ personId: null }))}
        >
          End all but this one and locked tablets
        </button>
      )}
      <p className="small mt-2">
        Whoever is signed out types the PIN again. Records that wait on the device are sent then.
      </p>
    </section>
  );
}
