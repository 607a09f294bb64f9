import { useState } from 'react';
import { numberText } from '#core/units';
import type { Change, Thing } from '#contracts/history';
import { clockText, dayText } from '../../ui/days';
import { useHistoryQuery } from './api';

const FIELDS: Readonly<Record<string, string>> = {
  allergens: 'allergens',
  altitudeM: 'altitude, m',
  ambient: 'room, °C',
  basket: 'basket, ml',
  basketDepth: 'basket depth, mm',
  bestBefore: 'best before',
  boil: 'boil',
  brim: 'brim, ml',
  coldWater: 'cold water, °C',
  hours: 'hours',
  limits: 'limits of cold tea',
  region: 'dates and times',
  safety: 'food code and card words',
  covers: 'covers the leaf, ml',
  dead: 'stays in it, ml',
  measuredBoiling: 'boils at, °C',
  ml: 'ml',
  pourLoss: 'pour loses',
  setPoints: 'set points',
  siteIds: 'sites',
  temperatureUnit: 'heat in',
  versionId: 'dialled-in version',
  volumeUnit: 'volumes in',
  wallGrams: 'weighs, g',
  volume: 'holds, ml',
};
const fieldText = (f: string) => FIELDS[f] ?? f.replace(/([A-Z])/g, ' $1').toLowerCase();
/** Words for what is kept as a name alone. */
const VALUES: Readonly<Record<string, string>> = {
  dayMonth: 'day first',
  monthDay: 'month first',
};
/** A value as a line can say it. */
function valueText(v: unknown): string {
  if (v === null || v === undefined || v === '') return 'nothing';
  if (typeof v === 'number') return numberText(v, 4);
  if (typeof v === 'boolean') return v ? 'yes' : 'no';
  if (Array.isArray(v)) return v.length === 0 ? 'none' : v.map(valueText).join(', ');
  if (typeof v === 'object')
    return (
      Object.entries(v)
        .filter(([, x]) => x !== null && !(Array.isArray(x) && x.length === 0))
        .map(([k, x]) => `${fieldText(k)} ${valueText(x)}`)
        .join(', ') || 'nothing'
    );
  return VALUES[String(v)] ?? String(v);
}

/** Everything a lead changed on a thing: who, when, what it was and what it became. Asked for when opened. */
export function History({ thing, id }: { thing: Thing; id: string }) {
  const [open, setOpen] = useState(false);
  return (
    <details className="history mt-3" open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="btn quiet slim">History</summary>
      {open && <Changes thing={thing} id={id} />}
    </details>
  );
}

/** Each field that was changed, what it was and what it became. */
export const ChangeLines = ({ lines }: { lines: Change['lines'] }) => (
  <ul>
    {lines.map((l) => (
      <li key={l.field}>
        {fieldText(l.field)}:{' '}
        {l.before === null ? (
          ''
        ) : (
          <>
            <s>{valueText(l.before)}</s>{' '}
          </>
        )}
        {valueText(l.after)}
      </li>
    ))}
  </ul>
);

function Changes({ thing, id }: { thing: Thing; id: string }) {
  const { data, isError } = useHistoryQuery({ thing, id });
  if (isError) return <p className="small">The history cannot be read just now.</p>;
  if (!data) return <p className="small"> </p>;
  if (data.changes.length === 0)
    return <p className="small">Nothing was changed since it was made.</p>;
  return (
    <ol className="changes">
      {data.changes.map((c) => (
        <li key={c.id}>
          <p>
            <b>{c.by.name}</b>{' '}
            <span className="small">
              {dayText(c.at)} {clockText(c.at)}
            </span>
          </p>
          <ChangeLines lines={c.lines} />
        </li>
      ))}
    </ol>
  );
}
