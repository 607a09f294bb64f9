import { useState } from 'react';
import { WEEKDAYS, weekOrder } from '#core/time';
import { useClock, useSession } from '../../entities/people/session';
import { faultIn, hoursOf, type Part, PARTS, typedOf } from './hoursTyped';
import { OtherDays } from './OtherDays';
import { SiteSetting } from './SiteSetting';

const PART_WORDS: Readonly<Record<Part, { name: string; what: string }>> = {
  open: { name: 'Somebody is there', what: 'to start a batch and to lift its leaf' },
  preferred: { name: 'Preferred', what: 'when people would rather start and lift batches' },
  services: { name: 'Services', what: 'when cold tea is served' },
};

/** The week of this site: when hands are there, and when it serves. */
export function HoursPage() {
  const { site } = useSession();
  const here = useClock();
  const order = weekOrder(here.region);
  const first = order[0] ?? 0;
  const [typed, setTyped] = useState(() => typedOf(site.hours, here));
  const [tried, setTried] = useState(false);
  const type = (part: Part, day: number, text: string) =>
    setTyped((t) => ({ ...t, [part]: t[part].map((old, i) => (i === day ? text : old)) }));
  const toEveryDay = (part: Part) =>
    setTyped((t) => ({ ...t, [part]: WEEKDAYS.map(() => t[part][first] ?? '') }));
  const read = () => {
    setTried(true);
    const hours = hoursOf(typed);
    return hours && { hours };
  };
  return (
    <SiteSetting
      title="Hours"
      forLeads="A lead types the hours."
      saveWords="Save the hours"
      read={read}
    >
      <label className="grid gap-1 max-w-[320px]">
        <span className="font-semibold">Time zone</span>
        <select
          className="box"
          value={typed.zone}
          onChange={(e) => setTyped({ ...typed, zone: e.target.value })}
        >
          {[...new Set([typed.zone, ...Intl.supportedValuesOf('timeZone')])].map((z) => (
            <option key={z}>{z}</option>
          ))}
        </select>
      </label>
      <div className="hours-week">
        {PARTS.map((part) => (
          <fieldset key={part} className="grid gap-2 content-start min-w-0">
            <legend className="font-semibold">
              {PART_WORDS[part].name}
              <small className="small block font-normal">{PART_WORDS[part].what}</small>
            </legend>
            {order.map((i) => (
              <HoursField
                key={i}
                day={WEEKDAYS[i] ?? ''}
                part={PART_WORDS[part].name}
                text={typed[part][i] ?? ''}
                shows={tried}
                onType={(text) => type(part, i, text)}
              />
            ))}
            <button type="button" className="btn quiet slim" onClick={() => toEveryDay(part)}>
              {WEEKDAYS[first]}’s for every day
            </button>
          </fieldset>
        ))}
      </div>
      <OtherDays
        days={typed.others}
        shows={tried}
        onChange={(others) => setTyped({ ...typed, others })}
      />
    </SiteSetting>
  );
}

/** One day of one part; what is wrong with it stands under it once it was left or the form was sent. */
function HoursField({
  day,
  part,
  text,
  shows,
  onType,
}: {
  day: string;
  part: string;
  text: string;
  shows: boolean;
  onType: (text: string) => void;
}) {
  const [left, setLeft] = useState(false);
  const fault = left || shows ? faultIn(text) : null;
  return (
    <label className="grid grid-cols-[92px_minmax(0,1fr)] items-center gap-x-2">
      <span>{day}</span>
      <input
        className="box"
        aria-label={`${part}, ${day}`}
        value={text}
        placeholder="closed"
        aria-invalid={fault !== null}
        onChange={(e) => onType(e.target.value)}
        onBlur={() => setLeft(true)}
      />
      {fault && (
        <span className="fault col-start-2" role="alert">
          {fault}
        </span>
      )}
    </label>
  );
}
