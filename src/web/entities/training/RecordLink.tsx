import type { ReactNode } from 'react';
import { pathOf, ROUTES } from '#contracts/routes';

/** All answers and sign-offs of one person, as a file. */
export function RecordLink({ personId, children }: { personId: string; children: ReactNode }) {
  return (
    <a className="btn quiet" href={pathOf(ROUTES.exportTraining, { personId })} download>
      {children}
    </a>
  );
}
