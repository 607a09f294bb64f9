import { Suspense, useEffect, useState } from 'react';
import { RouterProvider } from 'react-router/dom';
import { type Region, USUAL_REGION } from '#core/time';
import type { House } from '#contracts/sites';
import { useHouseQuery } from '../entities/people/api';
import { SessionProvider } from '../entities/people/session';
import { FirstHousePage, SignInPage } from '../features/signin';
import { GuestPage } from '../features/tastings';
import { failureOf } from '../platform/api';
import { SIGNED_IN_HERE } from '../platform/earlyRequests';
import { writeDatesAs } from '../ui/days';
import { Loading, Note } from '../ui/Note';
import { router } from './router';

/** The house is asked for again after so long; sooner while nobody knows who is here, ms. */
const POLL_MS = 60_000;
const FIRST_POLL_MS = 2000;

/** Where guests sit down, without an account. */
const GUESTS = '/guest';

/** Where the region changes, every date on the page is written anew. */
const regionKey = ({ dates, hours, weekBegins }: Region): string =>
  `${dates} ${hours} ${weekBegins}`;

/** A guest's sheet, or the house. */
export const App = () =>
  window.location.pathname === GUESTS ? (
    <Suspense fallback={<Loading what="the table" />}>
      <GuestPage />
    </Suspense>
  ) : (
    <HouseApp />
  );

/** Asks the house who is here; then the first page, the names, or the places. */
function HouseApp() {
  const [last, setLast] = useState<House | null>(null);
  const { data, error, isLoading, refetch } = useHouseQuery(undefined, {
    pollingInterval: last ? POLL_MS : FIRST_POLL_MS,
  });
  if (data && data !== last) setLast(data);
  // A server that is gone for a while takes nobody off the bar.
  const house = data ?? last;
  useEffect(() => {
    if (!house) return;
    if (house.session) localStorage.setItem(SIGNED_IN_HERE, '1');
    else localStorage.removeItem(SIGNED_IN_HERE);
  }, [house]);
  const region = house?.session?.site.region ?? USUAL_REGION;
  writeDatesAs(region);
  // A touch shows its effect at once: the bar's clock draws five times a second and would hold a transition back.
  if (house?.session)
    return (
      <SessionProvider key={regionKey(region)} session={house.session}>
        <RouterProvider router={router} useTransitions={false} />
      </SessionProvider>
    );
  if (house)
    return (
      <Suspense fallback={null}>
        {house.state === 'empty' ? (
          <FirstHousePage asksWord={house.asksWord} />
        ) : (
          <SignInPage house={house} />
        )}
      </Suspense>
    );
  if (isLoading) return <Loading what="the house" />;
  return (
    <div className="p-8 max-w-[640px]">
      <Note
        bad
        action={
          <button type="button" className="btn" onClick={() => void refetch()}>
            Try again
          </button>
        }
      >
        <b>The house’s server does not answer.</b> {error ? failureOf(error).message : ''} No record
        is lost. This page asks again every two seconds.
      </Note>
    </div>
  );
}
