import type { Dispatch, RefObject, SetStateAction } from 'react';
import { type Celsius, minutesText, numberText, type Seconds, seconds } from '#core/units';

/** Seconds off the boil as typed, "2:30" or "150"; null when nothing is. */
function timeTyped(text: string): number | null {
  const m = /^\s*(\d{1,3})(?::(\d{2}))?\s*$/.exec(text);
  return m ? Number(m[1]) * 60 + Number(m[2] ?? 0) : null;
}

/** The thermometer in the kettle, now or at a time. */
export function CoolingReading({
  keep,
  typed,
  shown,
  elapsed,
  field,
  setTyped,
  practise,
  isLoading,
}: {
  keep: (kind: 'cooling' | 'poured', text: string, seconds_: number) => Promise<void>;
  typed: { heat: string; water: string; poured: string; at: string };
  shown: Celsius | null;
  elapsed: number;
  field: RefObject<HTMLInputElement | null>;
  setTyped: Dispatch<SetStateAction<{ heat: string; water: string; poured: string; at: string }>>;
  practise: boolean;
  isLoading: boolean;
}) {
  return (
    <form
      className="flex flex-wrap gap-2 items-end"
      onSubmit={(e) => {
        e.preventDefault();
        void keep(
          'cooling',
          typed.heat || (shown === null ? '' : numberText(shown)),
          timeTyped(typed.at) ?? elapsed,
        );
      }}
    >
      <label className="field-row">
        <span>Thermometer</span>
        <input
          ref={field}
          className="box w-[100px]"
          inputMode="decimal"
          value={typed.heat}
          placeholder={shown === null ? '91.4' : numberText(shown)}
          onChange={(e) => setTyped({ ...typed, heat: e.target.value })}
        />
      </label>
      {!practise && (
        <label className="field-row">
          <span>at (empty: now)</span>
          <input
            className="box w-[90px]"
            value={typed.at}
            placeholder={minutesText(elapsed)}
            onChange={(e) => setTyped({ ...typed, at: e.target.value })}
          />
        </label>
      )}
      <button type="submit" className="btn" disabled={isLoading}>
        Keep the reading
      </button>
    </form>
  );
}

/** Once: the kettle, and what was just poured from it. */
export function PourReading({
  keep,
  typed,
  elapsed,
  practise,
  began,
  made,
  setTyped,
  isLoading,
}: {
  keep: (kind: 'cooling' | 'poured', text: string, seconds_: number) => Promise<void>;
  typed: { heat: string; water: string; poured: string; at: string };
  elapsed: number;
  practise: boolean;
  began: { boil: string; at: number } | null;
  made: {
    reading: (at: Seconds) => Celsius;
    poured: (at: Seconds) => Celsius;
    times: number;
    loss: number;
    ambient: Celsius;
    until: (to: Celsius) => Seconds;
  };
  setTyped: Dispatch<SetStateAction<{ heat: string; water: string; poured: string; at: string }>>;
  isLoading: boolean;
}) {
  return (
    <form
      className="flex flex-wrap gap-2 items-end mt-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep('poured', typed.poured, elapsed);
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
          value={typed.poured}
          placeholder={
            practise && began ? numberText(made.poured(seconds(Math.round(elapsed)))) : '93'
          }
          onChange={(e) => setTyped({ ...typed, poured: e.target.value })}
        />
      </label>
      <button
        type="submit"
        className="btn slim"
        disabled={isLoading || typed.poured.trim() === '' || typed.heat.trim() === ''}
      >
        Keep the pour
      </button>
    </form>
  );
}
