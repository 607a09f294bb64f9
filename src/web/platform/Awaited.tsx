import type { ReactNode } from 'react';
import { capital } from '#core/units';
import { Loading, Note } from '../ui/Note';
import { failureOf } from './api';

/** What a page asked for first. */
export type Asked = {
  readonly data?: unknown;
  readonly error?: unknown;
  readonly refetch: () => unknown;
};

/**
 * Neither here nor refused: its first answer is on its way. `isLoading` is true again at each new try, as when another
 * part of the page asks for the same.
 */
export const isComing = ({ data, error }: Asked): boolean =>
  data === undefined && error === undefined;

/** Asked for in vain, and not here from before. */
export const isUnread = ({ data, error }: Asked): boolean =>
  data === undefined && error !== undefined;

/** Records could not be read: said, with another try. */
export const CannotRead = ({
  what,
  onAgain,
  children,
}: {
  what: string;
  onAgain: () => void;
  children?: ReactNode;
}) => (
  <Note
    bad
    action={
      <button type="button" className="btn" onClick={onAgain}>
        Try again
      </button>
    }
  >
    <b>{capital(what)} cannot be read just now.</b> {children}
  </Note>
);

/** In the place of records that are not here: they are fetched, or it says why not and asks again by a touch. */
export function Unread({
  what,
  of,
  room = 'p-6',
  children,
}: {
  what: string;
  of: readonly Asked[];
  /** Classes of the room around what it says. */
  room?: string;
  /** More to know while it cannot be read. */
  children?: ReactNode;
}) {
  const failed = of.filter(isUnread);
  const [first] = failed;
  if (!first) return <Loading what={what} />;
  const again = () => {
    for (const query of failed) query.refetch();
  };
  return (
    <div className={room}>
      <CannotRead what={what} onAgain={again}>
        {failureOf(first.error).message} {children}
      </CannotRead>
    </div>
  );
}
/** The same as a whole page. */
export const Awaited = (props: { what: string; of: readonly Asked[] }) => (
  <main className="page">
    <Unread {...props} />
  </main>
);
