import { useState } from 'react';
import { parseRanges, rangesText, type WallRange, type Week } from '#core/time';
import type { SiteHours } from '#contracts/sites';
import { useSession, useZone } from '../../entities/people/session';
import { SiteSetting } from './SiteSetting';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
const PARTS = ['open', 'preferred', 'services'] as const;
type Part = (typeof PARTS)[number];
const PART_WORDS: Readonly<Record<Part, { name: string; what: string }>> = {
  open: { name: 'Somebody is there', what: 'to start a batch and to lift its leaf' },
  preferred: { name: 'Preferred', what: 'when people would rather start and lift batches' },
  services: { name: 'Services', what: 'when cold tea is served' },
};
/** What a shop begins with until its own hours are typed. */
const USUAL: Readonly<Record<Part, string>> = {
  open: '08:00-22:00',
  preferred: '08:00-10:00, 21:00-22:00',
  services: '11:00-14:00, 14:00-18:00',
};
/** As typed: a text for each day of each part. */
type Typed = Readonly<Record<Part, readonly string[]>>;
const typedOf = (hours: SiteHours | null): Typed => ({
  open: DAYS.map((_, i) => (hours ? rangesText(hours.open[i] ?? []) : USUAL.open)),
  preferred: DAYS.map((_, i) => (hours ? rangesText(hours.preferred[i] ?? []) : USUAL.preferred)),
  services: DAYS.map((_, i) => (hours ? rangesText(hours.services[i] ?? []) : USUAL.services)),
});
const ranges = (texts: readonly string[]): WallRange[][] =>
  texts.map((text) => {
    const read = parseRanges(text);
    return read.kind === 'ok' ? read.ranges : [];
  });
const faultIn = (text: string): string | null => {
  const read = parseRanges(text);
  return read.kind === 'bad' ? read.why : null;
};

/** The week of this site: when hands are there, and when it serves. */
export function HoursPage() {
  const { site } = useSession();
  const here = useZone();
  const [zone, setZone] = useState(here);
  const [typed, setTyped] = useState(() => typedOf(site.hours));
  const [tried, setTried] = useState(false);
  const type = (part: Part, day: number, text: string) =>
    setTyped((t) => ({ ...t, [part]: t[part].map((old, i) => (i === day ? text : old)) }));
  const toEveryDay = (part: Part) =>
    setTyped((t) => ({ ...t, [part]: DAYS.map(() => t[part][0] ?? '') }));
  const read = () => {
    setTried(true);
    if (PARTS.some((part) => typed[part].some((text) => faultIn(text) !== null))) return null;
    const week = (part: Part) => ranges(typed[part]) as unknown as Week;
    const hours: SiteHours = {
      zone,
      open: week('open'),
      preferred: week('preferred'),
      services: week('services'),
    };
    return { hours };
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
        <select className="box" value={zone} onChange={(e) => setZone(e.target.value)}>
          {[...new Set([zone, ...Intl.supportedValuesOf('timeZone')])].map((z) => (
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
            {DAYS.map((day, i) => (
              <HoursField
                key={day}
                day={day}
                part={PART_WORDS[part].name}
                text={typed[part][i] ?? ''}
                shows={tried}
                onType={(text) => type(part, i, text)}
              />
            ))}
            <button type="button" className="btn quiet slim" onClick={() => toEveryDay(part)}>
              Monday’s for every day
            </button>
          </fieldset>
        ))}
      </div>
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
