import { useState } from 'react';
import { daysAfter, siteDate, wallMoment } from '#core/time';
import type { EpochMs } from '#core/units';
import { pathOf, ROUTES } from '#contracts/routes';
import { useSession, useZone } from '../../entities/people/session';
import { RecordFile } from './RecordFile';

const DAYS_AT_FIRST = 30;
const FILES = [
  ['batches', 'pdf', 'Batches, PDF'],
  ['temperatures', 'pdf', 'Temperatures, PDF'],
  ['batches', 'csv', 'Batches, CSV'],
  ['temperatures', 'csv', 'Temperatures, CSV'],
  ['limits', 'csv', 'Limits, CSV'],
  ['record', 'json', 'Everything, JSON'],
] as const;

/** What an inspection asks for: a period, as files. */
export function InspectionRecord({ now }: { now: EpochMs }) {
  const zone = useZone();
  const { role } = useSession();
  const today = siteDate(zone, now);
  const [from, setFrom] = useState(() => daysAfter(today, -DAYS_AT_FIRST));
  const [to, setTo] = useState(today);
  const isPeriod = from !== '' && to !== '' && from <= to;
  const query = () =>
    new URLSearchParams({
      from: String(wallMoment(zone, from, '00:00').at),
      // The last day is one of them.
      to: String(wallMoment(zone, daysAfter(to, 1), '00:00').at),
      zone,
    });
  return (
    <details className="mb-4">
      <summary className="small min-h-[44px]">Record for an inspection</summary>
      <div className="flex flex-wrap gap-3 items-end">
        <div className="field-row">
          <label htmlFor="record-from">First day</label>
          <input
            id="record-from"
            type="date"
            className="box"
            value={from}
            onChange={(e) => setFrom(e.target.value)}
          />
        </div>
        <div className="field-row">
          <label htmlFor="record-to">Last day</label>
          <input
            id="record-to"
            type="date"
            className="box"
            value={to}
            onChange={(e) => setTo(e.target.value)}
          />
        </div>
        {isPeriod ? (
          FILES.map(([table, form, words]) => (
            <a
              key={words}
              className="btn"
              href={`${pathOf(ROUTES.exportCold, { table, form })}?${query()}`}
            >
              {words}
            </a>
          ))
        ) : (
          <p className="fault" role="alert">
            Choose a first day that is not after the last day.
          </p>
        )}
      </div>
      {role === 'lead' && <RecordFile />}
    </details>
  );
}
