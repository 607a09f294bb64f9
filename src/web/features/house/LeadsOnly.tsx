import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useSession } from '../../entities/people/session';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Nothing } from '../../ui/Note';

/** A page of the house that leads have; others are told whose it is. Escape goes back to the house. */
export function LeadsOnly({ says, children }: { says: string; children: ReactNode }) {
  const { role } = useSession();
  const go = useGo();
  useKeys([{ key: 'Escape', does: 'Back to the house', run: () => go('/house') }]);
  if (role === 'lead') return children;
  return (
    <main className="page p-6">
      <Nothing action={<Link to="/house">To the house</Link>}>{says}</Nothing>
    </main>
  );
}
/** The way back from a page of the house. */
export const ToTheHouse = () => (
  <p>
    <Link className="btn quiet" to="/house">
      To the house
    </Link>
  </p>
);
