import { useState } from 'react';
import { newId } from '../../platform/ids';
import { dateFault, faultIn, type OtherDay } from './hoursTyped';

type Props = {
  days: readonly OtherDay[];
  /** The form was sent: what is wrong is said everywhere. */
  shows: boolean;
  onChange: (days: readonly OtherDay[]) => void;
};

/** Holidays and other days that are unlike their weekday: closed, or with hours of their own. */
export function OtherDays({ days, shows, onChange }: Props) {
  const change = (id: string, typed: Partial<OtherDay>) =>
    onChange(days.map((d) => (d.id === id ? { ...d, ...typed } : d)));
  return (
    <fieldset className="grid gap-2 max-w-[1120px] min-w-0">
      <legend className="visually-hidden">Other days</legend>
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1">
        <p>
          <b className="font-semibold">Other days</b>
          <small className="small block">
            Holidays and days with other hours. Leave a field empty when the shop is closed, or
            serves no cold tea.
          </small>
        </p>
        <button
          type="button"
          className="btn slim"
          onClick={() => onChange([...days, { id: newId(), date: '', open: '', services: '' }])}
        >
          Add a day
        </button>
      </div>
      {days.map((day) => (
        <OtherDayRow
          key={day.id}
          {...{ day, days, shows }}
          onType={(typed) => change(day.id, typed)}
          onRemove={() => onChange(days.filter((d) => d.id !== day.id))}
        />
      ))}
    </fieldset>
  );
}

function OtherDayRow({
  day,
  days,
  shows,
  onType,
  onRemove,
}: {
  day: OtherDay;
  days: readonly OtherDay[];
  shows: boolean;
  onType: (typed: Partial<OtherDay>) => void;
  onRemove: () => void;
}) {
  const [left, setLeft] = useState(false);
  const of = day.date === '' ? 'the new day' : day.date;
  const faults = [
    dateFault(day, days),
    ...([day.open, day.services] as const).map(faultIn),
  ].flatMap((fault) => fault ?? []);
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-1">
      <label className="grid gap-1">
        <span className="small">Date</span>
        <input
          type="date"
          className="box"
          value={day.date}
          aria-invalid={(left || shows) && dateFault(day, days) !== null}
          onChange={(e) => onType({ date: e.target.value })}
          onBlur={() => setLeft(true)}
        />
      </label>
      {(
        [
          ['open', 'Somebody is there'],
          ['services', 'Services'],
        ] as const
      ).map(([part, words]) => (
        <label key={part} className="grid gap-1 min-w-[180px] flex-1 max-w-[320px]">
          <span className="small">{words}</span>
          <input
            className="box"
            aria-label={`${words}, ${of}`}
            placeholder={part === 'open' ? 'closed' : 'none'}
            value={day[part]}
            aria-invalid={(left || shows) && faultIn(day[part]) !== null}
            onChange={(e) => onType({ [part]: e.target.value })}
            onBlur={() => setLeft(true)}
          />
        </label>
      ))}
      <button
        type="button"
        className="btn quiet slim"
        aria-label={`Remove ${of}`}
        onClick={onRemove}
      >
        Remove
      </button>
      {(left || shows) && faults.length > 0 && (
        <span className="fault basis-full" role="alert">
          {faults.join(' ')}
        </span>
      )}
    </div>
  );
}
