import { useState } from 'react';
import {
  type HouseLimits,
  LIMIT_NAMES,
  LIMIT_RANGES,
  type LimitName,
  USUAL_HOUSE_LIMITS,
} from '#core/cold';
import { numberText, parseWithin } from '#core/units';
import { useLimits } from '../../entities/people/session';
import { Note } from '../../ui/Note';
import { SafetyFields, useSafety } from './SafetyFields';
import { SiteSetting } from './SiteSetting';

type Words = { readonly name: string; readonly unit: string; readonly what: string };
const WORDS: Readonly<Record<LimitName, Words>> = {
  keepHours: { name: 'Keep', unit: 'h', what: 'after lifting, in the fridge' },
  warmStartKeepHours: { name: 'Keep after a warm start', unit: 'h', what: 'warm-then-cold brews' },
  limit: { name: 'Cold is at most', unit: '°C', what: 'above this, warm minutes count' },
  warmHours: { name: 'Warm at most', unit: 'h', what: 'in all, then the batch is thrown out' },
  coolHours: { name: 'Cold within', unit: 'h', what: 'from leaf in' },
  wetLeafHours: { name: 'Wet leaf', unit: 'h', what: 'between two hot steeps, on the bar' },
  counterHours: { name: 'Counter brews', unit: 'h', what: 'from leaf in, whatever follows' },
};
type Typed = Readonly<Record<LimitName, string>>;
const typedOf = (limits: HouseLimits): Typed =>
  Object.fromEntries(LIMIT_NAMES.map((n) => [n, numberText(limits[n])])) as Typed;
const readOf = (name: LimitName, text: string) => {
  const [least, most] = LIMIT_RANGES[name];
  return parseWithin(text, WORDS[name].name, WORDS[name].unit, least, most);
};

/** How long cold liquor is kept at this site, and how cold. */
export function LimitsPage() {
  const limits = useLimits();
  const [typed, setTyped] = useState(() => typedOf(limits));
  const [counterAllowed, allowCounter] = useState(limits.counterAllowed === true);
  const safety = useSafety();
  const [tried, setTried] = useState(false);
  const read = LIMIT_NAMES.map((name) => ({ name, ...readOf(name, typed[name]) }));
  const laxer = read.filter((r) => r.kind === 'ok' && r.value > USUAL_HOUSE_LIMITS[r.name]);
  const readAll = () => {
    setTried(true);
    const typedSafety = safety.read();
    if (!typedSafety || read.some((r) => r.kind !== 'ok')) return null;
    const found = Object.fromEntries(
      read.map((r) => [r.name, r.kind === 'ok' ? r.value : 0]),
    ) as unknown as HouseLimits;
    return { limits: { ...found, counterAllowed }, safety: typedSafety };
  };
  return (
    <SiteSetting
      title="Limits"
      forLeads="A lead types the limits."
      saveWords="Save the limits"
      read={readAll}
      more={
        <button type="button" className="btn" onClick={() => setTyped(typedOf(USUAL_HOUSE_LIMITS))}>
          The usual figures
        </button>
      }
    >
      <div className="grid gap-x-12 gap-y-5 items-start min-[1100px]:grid-cols-[minmax(0,7fr)_minmax(0,6fr)]">
        <div className="flex flex-col gap-4">
          <p className="max-w-[720px]">
            For cold tea, and for wet leaf between steeps. The usual figures are common guidance,
            from memory, and cautious on purpose. The local food code decides.
          </p>
          <div className="limits-list">
            {LIMIT_NAMES.map((name) => (
              <LimitField
                key={name}
                name={name}
                text={typed[name]}
                shows={tried}
                onType={(text) => setTyped((t) => ({ ...t, [name]: text }))}
              />
            ))}
          </div>
          <label className="check max-w-[720px]">
            <input
              type="checkbox"
              checked={counterAllowed}
              onChange={(e) => allowCounter(e.target.checked)}
            />
            Allow counter brews: leaf in water at room temperature
          </label>
          {counterAllowed && (
            <Note bad>
              <b>Tea at room temperature is food outside the fridge.</b> The hours count from leaf
              in and the fridge does not lengthen them. Allow this only if the local food code does.
            </Note>
          )}
          {laxer.length > 0 && (
            <Note bad>
              <b>
                {laxer.map((r) => WORDS[r.name].name).join(', ')}: more than the usual guidance.
              </b>{' '}
              Only with the word of the local food authority.
            </Note>
          )}
          <p className="small max-w-[720px]">
            A limit that is made shorter holds at once for every batch in the fridge: print new
            labels. One that is made longer holds for batches that start after it.
          </p>
        </div>
        <SafetyFields safety={safety} shows={tried} />
      </div>
    </SiteSetting>
  );
}

/** One limit; what is wrong with it stands beside it once it was left or the form was sent. */
function LimitField({
  name,
  text,
  shows,
  onType,
}: {
  name: LimitName;
  text: string;
  shows: boolean;
  onType: (text: string) => void;
}) {
  const [left, setLeft] = useState(false);
  const { name: label, unit, what } = WORDS[name];
  const read = readOf(name, text);
  const fault = (left || shows) && read.kind === 'bad' ? read.why : null;
  return (
    <label className="grid grid-cols-[150px_110px_minmax(0,1fr)] items-center gap-x-3 gap-y-1 max-[700px]:grid-cols-[minmax(0,1fr)_110px]">
      <span className="font-semibold">{label}</span>
      <span className="with-unit">
        <input
          className="box"
          inputMode="decimal"
          aria-label={`${label}, ${unit}`}
          value={text}
          aria-invalid={fault !== null}
          onChange={(e) => onType(e.target.value)}
          onBlur={() => setLeft(true)}
        />
        <span className="w-7 shrink-0">{unit}</span>
      </span>
      <span className="small max-[700px]:col-span-2">
        {what}; usually {numberText(USUAL_HOUSE_LIMITS[name])} {unit}
      </span>
      {fault && (
        <span className="fault col-span-2" role="alert">
          {fault}
        </span>
      )}
    </label>
  );
}
