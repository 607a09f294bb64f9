import { capital } from '#core/units';
import { Loading, Note } from '../ui/Note';
import { failureOf } from './api';

/** What a page asked for first. */
type Asked = {
  readonly data?: unknown;
  readonly error?: unknown;
  readonly refetch: () => unknown;
};

/** In the place of records that are not here: they are fetched, or it says why not and asks again by a touch. */
export function Unread({ what, of }: { what: string; of: readonly Asked[] }) {
  const failed = of.filter((query) => query.data === undefined && query.error !== undefined);
  const [first] = failed;
  if (!first) return <Loading what={what} />;
  return (
    <div className="p-6">
      <Note
        bad
        action={
          <button
            type="button"
            className="btn"
            onClick={() => {
              for (const query of failed) query.refetch();
            }}
          >
            Try again
          </button>
        }
      >
        <b>{capital(what)} cannot be read just now.</b> {failureOf(first.error).message}
      </Note>
    </div>
  );
}
/** The same as a whole page. */
export const Awaited = (props: { what: string; of: readonly Asked[] }) => (
  <main className="page">
    <Unread {...props} />
  </main>
);
