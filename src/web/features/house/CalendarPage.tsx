import { useState } from 'react';
import { Link } from 'react-router';
import { dayAndTime } from '#core/time';
import type { EpochMs } from '#core/units';
import { useCalendarQuery, useRenewCalendarMutation } from '../../entities/people/calendarApi';
import { useClock, useSession } from '../../entities/people/session';
import { newId } from '../../platform/ids';
import { NotSaved } from '../../platform/NotSaved';
import { oneTap } from '../../ui/keys';
import { Loading, Note } from '../../ui/Note';
import { LeadsOnly } from './LeadsOnly';

/** The calendar address of this site: what is to be done for cold batches, in any calendar program. */
export const CalendarPage = () => (
  <LeadsOnly says="A lead makes the calendar address.">
    <SiteCalendar />
  </LeadsOnly>
);

function SiteCalendar() {
  const { site } = useSession();
  const { data, isLoading } = useCalendarQuery();
  if (isLoading)
    return (
      <main className="page">
        <Loading what="the calendar address" />
      </main>
    );
  return (
    <main className="page content-start p-6 max-[700px]:p-4">
      <h1 className="text-[26px]">Calendar of {site.name}</h1>
      <p className="max-w-[720px] mt-2">
        A calendar program that has this address shows when to start, lift and throw out each cold
        batch, and rings at the best time to lift. The address shows tea, vessel and time, and no
        person’s name. Everybody who has the address can read the calendar.
      </p>
      <Address made={data?.made ?? null} by={data?.by ?? null} />
    </main>
  );
}

function Address({ made, by }: { made: number | null; by: string | null }) {
  const { site } = useSession();
  const clock = useClock();
  const [id, setId] = useState(newId);
  const [sure, setSure] = useState(false);
  const [renew, renewing] = useRenewCalendarMutation();
  const path = renewing.data?.path ?? null;
  const make = async () => {
    // An address that is in use ends: asked once more.
    if (made !== null && !sure) return setSure(true);
    const done = await renew({ id, siteId: site.id });
    setSure(false);
    if (!done.error) setId(newId());
  };
  return (
    <div className="grid gap-3 mt-3 max-w-[720px] justify-items-start">
      <p>
        {made === null
          ? 'This site has no calendar address yet.'
          : `In use: an address made ${dayAndTime(clock, made as EpochMs)} by ${by ?? 'a lead'}`}
      </p>
      {sure && (
        <Note bad>
          The address in use ends at once. Every calendar that has it needs the new one.
        </Note>
      )}
      <NotSaved error={renewing.error} />
      <div className="flex gap-2">
        <button
          type="button"
          className="btn go"
          disabled={renewing.isLoading}
          onClick={oneTap(() => void make())}
        >
          {makeWords(made, sure)}
        </button>
        {sure && (
          <button type="button" className="btn quiet" onClick={() => setSure(false)}>
            Keep the address
          </button>
        )}
      </div>
      {path !== null && (
        <Note>
          <b>The new address:</b>{' '}
          <code className="break-all" data-testid="calendar-address">
            {`${location.origin}${path}`}
          </code>
          . Copy the address now: the address is shown only once.
        </Note>
      )}
      <Link className="btn quiet" to="/house">
        To the house
      </Link>
    </div>
  );
}
function makeWords(made: number | null, sure: boolean): string {
  if (made === null) return 'Make an address';
  return sure ? 'End the old address, make a new one' : 'Make a new address';
}
