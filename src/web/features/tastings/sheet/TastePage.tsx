import { Link, Navigate, useParams, useSearchParams } from 'react-router';
import { foldTasting } from '#core/tastings';
import { useSession } from '../../../entities/people/session';
import { useBookQuery } from '../../../entities/teas/api';
import { clockText } from '../../../ui/days';
import { Loading, Nothing } from '../../../ui/Note';
import { exerciseName } from '../cups';
import { useTasting } from '../useTasting';
import { seatOf } from './seat';
import { TasterSheet } from './TasterSheet';

/** A taster's own sheet, on a phone or the tablet that is passed round. */
export function TastePage() {
  const { id = '' } = useParams();
  const [params, setParams] = useSearchParams();
  const me = useSession();
  const table = useTasting(id);
  const { data: book } = useBookQuery();
  const { view } = table;
  if (table.isLoading)
    return (
      <main className="page">
        <Loading what="your sheet" />
      </main>
    );
  const back = (
    <Link className="btn" to={view?.sees === 'all' ? `/table/${id}` : '/table'}>
      To the table
    </Link>
  );
  if (!view)
    return (
      <main className="page p-6">
        <Nothing action={back}>
          This tasting cannot be reached just now. What you kept is on this device.
        </Nothing>
      </main>
    );
  if (view.stage === 'revealed') return <Navigate to={`/table/${id}`} replace />;
  const wanted = params.get('for') ?? me.personId;
  const seat = seatOf(view, wanted);
  if (view.sees === 'all' && (!seat || params.get('for') === null)) {
    const open = foldTasting(view.exercise, view.events).tasters;
    if (!seat || open.length > 1) {
      return (
        <main className="page p-6 taste-page">
          <h1 className="text-[26px] font-bold">Whose sheet?</h1>
          <p className="small">
            {exerciseName(view)}, {view.tea.name}. Hand the tablet over, one after another.
          </p>
          <div className="toggles mt-4">
            {open.map((t) => (
              <button
                type="button"
                key={t.id}
                className="btn"
                disabled={t.handedIn !== null}
                onClick={() => setParams({ for: t.id })}
              >
                {t.name}
                {t.handedIn !== null ? ', submitted' : ''}
              </button>
            ))}
          </div>
          <div className="mt-6">{back}</div>
        </main>
      );
    }
  }
  if (!seat)
    return (
      <main className="page p-6">
        <Nothing action={back}>You do not taste at this one.</Nothing>
      </main>
    );
  if (view.stage === 'stopped')
    return (
      <main className="page p-6">
        <Nothing action={back}>This tasting was stopped.</Nothing>
      </main>
    );
  if (seat.handedIn !== null) {
    return (
      <main className="page p-6 taste-page">
        <Nothing action={back}>
          Submitted at {clockText(seat.handedIn)}
          {seat.name && wanted !== me.personId ? `, ${seat.name}` : ''}.{' '}
          {table.unsaved > 0
            ? 'It waits on this device and is sent by itself.'
            : 'The codes are shown when all have submitted.'}
        </Nothing>
        {view.sees === 'all' && (
          <Link className="btn mt-4" to={`/table/${id}/taste`}>
            The next taster
          </Link>
        )}
      </main>
    );
  }
  return (
    <TasterSheet
      key={`${id}${wanted}`}
      id={id}
      view={view}
      taster={wanted}
      seat={seat}
      who={wanted === me.personId ? 'self' : 'other'}
      words={book?.vocabulary ?? []}
      does={(act) => void table.does(act)}
    />
  );
}
