import { type RefObject, useState } from 'react';
import { type Celsius, minutesText, numberText } from '#core/units';

/** Seconds off the boil as typed, "2:30" or "150"; null when nothing is. */
function timeTyped(text: string): number | null {
  const m = /^\s*(\d{1,3})(?::(\d{2}))?\s*$/.exec(text);
  return m ? Number(m[1]) * 60 + Number(m[2] ?? 0) : null;
}

/** The thermometer in the kettle, now or at a time; what it read and how long it is off the boil, s. */
export function CoolingReading({
  heat,
  elapsed,
  simulated,
  field,
  isBusy,
  onHeat,
  onKeep,
}: {
  heat: string;
  elapsed: number;
  /** What the simulated thermometer shows; null with a real one. */
  simulated: Celsius | null;
  field: RefObject<HTMLInputElement | null>;
  isBusy: boolean;
  onHeat: (text: string) => void;
  onKeep: (text: string, elapsed: number) => Promise<boolean>;
}) {
  const [at, setAt] = useState('');
  const shown = simulated === null ? '' : numberText(simulated);
  const keep = async () => {
    if (await onKeep(heat || shown, timeTyped(at) ?? elapsed)) setAt('');
  };
  return (
    <form
      className="flex flex-wrap gap-2 items-end"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <label className="field-row">
        <span>Thermometer</span>
        <input
          ref={field}
          className="box w-[100px]"
          inputMode="decimal"
          value={heat}
          placeholder={shown || '91.4'}
          onChange={(e) => onHeat(e.target.value)}
        />
      </label>
      {simulated === null && (
        <label className="field-row">
          <span>at (empty: now)</span>
          <input
            className="box w-[90px]"
            value={at}
            placeholder={minutesText(elapsed)}
            onChange={(e) => setAt(e.target.value)}
          />
        </label>
      )}
      <button type="submit" className="btn" disabled={isBusy}>
        Keep the reading
      </button>
    </form>
  );
}

/** Once: the kettle, read above, and what was just poured from it. */
export function PourReading({
  simulated,
  canKeep,
  onKeep,
}: {
  /** What the simulated thermometer would show in the cup; null with a real one. */
  simulated: Celsius | null;
  /** The kettle was read, and nothing is being saved. */
  canKeep: boolean;
  onKeep: (text: string) => Promise<boolean>;
}) {
  const [poured, setPoured] = useState('');
  const keep = async () => {
    if (await onKeep(poured)) setPoured('');
  };
  return (
    <form
      className="flex flex-wrap gap-2 items-end mt-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <span className="small">
        The pour: read the kettle above, pour into a thin cup, read at once.
      </span>
      <label className="field-row">
        <span>Just poured</span>
        <input
          className="box w-[100px]"
          inputMode="decimal"
          value={poured}
          placeholder={simulated === null ? '93' : numberText(simulated)}
          onChange={(e) => setPoured(e.target.value)}
        />
      </label>
      <button type="submit" className="btn slim" disabled={!canKeep || poured.trim() === ''}>
        Keep the pour
      </button>
    </form>
  );
}
