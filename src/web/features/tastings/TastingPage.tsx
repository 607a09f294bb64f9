import { Link, Navigate, useParams } from 'react-router';
import type { OpenTasting } from '#contracts/tastings';
import { Loading, Nothing } from '../../ui/Note';
import { Result } from './result/Result';
import { Run } from './run/Run';
import { useFolded, useTasting } from './useTasting';

/** One tasting: run it, or, once it is revealed, read it. A taster is taken to the sheet. */
export function TastingPage() {
  const { id = '' } = useParams();
  const table = useTasting(id);
  if (table.isLoading)
    return (
      <main className="page">
        <Loading what="the tasting" />
      </main>
    );
  if (!table.view)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/table">
              To the table
            </Link>
          }
        >
          This tasting is not here, or cannot be reached just now.
        </Nothing>
      </main>
    );
  if (table.view.sees === 'own') return <Navigate to={`/table/${id}/taste`} replace />;
  return <Open view={table.view} table={table} />;
}
function Open({ view, table }: { view: OpenTasting; table: ReturnType<typeof useTasting> }) {
  const now = useFolded(view);
  if (now.stage === 'stopped')
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/table">
              To the table
            </Link>
          }
        >
          This tasting was stopped{now.stopped ? `: ${now.stopped}` : ''}. What was submitted is
          kept.
        </Nothing>
      </main>
    );
  return now.stage === 'revealed' ? (
    <Result view={view} now={now} />
  ) : (
    <Run view={view} now={now} does={table.does} />
  );
}
