import { type Dispatch, type SetStateAction, useState } from 'react';
import {
  type Celsius,
  celsius,
  grams,
  type Millilitres,
  millilitres,
  numberText,
  parseTemperature,
  parseWithin,
  volumeText,
} from '#core/units';
import { volumeWeighed } from '#core/weighing';
import type { Vessel, VesselFields } from '#contracts/vessels';
import { type Units, useUnits } from '../../entities/people/session';
import { useChangeVesselMutation } from '../../entities/vessels/api';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { failureOf } from '../../platform/api';
import { ScalePanel } from '../../platform/scale/ScalePanel';
import { Note } from '../../ui/Note';

const STAGES = [
  ['empty', 'empty'],
  ['toMark', 'to the mark'],
  ['toBrim', 'to the brim'],
] as const;
type Stage = (typeof STAGES)[number][0];
type Typed = Record<Stage, string>;
type Faults = Partial<Record<Stage | 'heat' | 'all', string>>;

/** Weighed once: empty, to the mark, to the brim. Grams of water at its heat become ml. */
export function WeighIn({ vessel, onDone }: { vessel: Vessel; onDone: () => void }) {
  const units = useUnits();
  const [change, { isLoading, error }] = useChangeVesselMutation();
  const was = vessel.weighed;
  const text = (g: number | null | undefined) => (g ? numberText(g, 1) : '');
  const [typed, setTyped] = useState<Typed>({
    empty: text(was?.empty),
    toMark: text(was?.toMark),
    toBrim: text(was?.toBrim),
  });
  const [heat, setHeat] = useState(numberText(was?.water ?? 15));
  const [at, setAt] = useState<Stage>('empty');
  const [wrong, setWrong] = useState<Faults>({});
  const water = parseTemperature(/[cf]\s*$/i.test(heat) ? heat : `${heat}C`);
  const value = (s: Stage): number | null => {
    const p = parseWithin(typed[s], 'Weight', 'g', 1, 40_000);
    return p.kind === 'ok' ? p.value : null;
  };
  const volume = (s: 'toMark' | 'toBrim') => {
    const [empty, full] = [value('empty'), value(s)];
    return empty !== null &&
      full !== null &&
      full > empty &&
      water.kind === 'ok' &&
      water.value >= 0 &&
      water.value <= 100
      ? volumeWeighed(grams(empty), grams(full), water.value)
      : null;
  };
  const take = (g: number) => {
    setTyped((t) => ({ ...t, [at]: numberText(g, 1) }));
    setAt(
      (s) => STAGES[Math.min(STAGES.length - 1, STAGES.findIndex(([n]) => n === s) + 1)]?.[0] ?? s,
    );
  };
  const save = async () => {
    const { mark, brim, empty, faults } = weighingFaults({ volume, value, typed, water });
    setWrong(faults);
    if (Object.keys(faults).length || empty === null || water.kind === 'bad') return;
    const { id, siteId: _s, rev, retired, ...fields } = vessel;
    const next = withWeighing({ fields, empty, brim, mark, value, water });
    try {
      await change({ id, body: { ...next, rev, retired } }).unwrap();
      onDone();
    } catch {
      // Said below; what was typed stays.
    }
  };
  const failure = error ? failureOf(error) : null;
  const server =
    failure?.kind === 'answer' && failure.fields ? Object.values(failure.fields)[0] : undefined;
  return (
    <section className="weigh-in" aria-label="Weigh it">
      <h2>
        Weigh it<small>with its lid off; the water grey</small>
      </h2>
      <div className="thrice">
        {STAGES.map(([s, words], i) => (
          <button type="button" key={s} aria-pressed={s === at} onClick={() => setAt(s)}>
            <VesselDrawing
              vessel={vessel}
              scale={Math.min(0.62, 74 / Math.cbrt(vessel.brim))}
              label=""
              bowl={false}
              fill={stageFill(i, vessel)}
              water
            />
            <span>{words}</span>
          </button>
        ))}
      </div>
      <div className="pair">
        {STAGES.map(([s, words]) => (
          <WeightField
            key={s}
            s={s}
            words={words}
            typed={typed}
            wrong={wrong}
            setAt={setAt}
            setTyped={setTyped}
            volume={volume}
            units={units}
          />
        ))}
        <div className="field-row">
          <label htmlFor="w-heat">Water at</label>
          <div className="with-unit">
            <input
              id="w-heat"
              className="box"
              value={heat}
              onChange={(e) => setHeat(e.target.value)}
            />
            <span>°C</span>
          </div>
          {wrong.heat && (
            <p className="fault" role="alert">
              {wrong.heat}
            </p>
          )}
        </div>
      </div>
      <ScalePanel onTake={take} takeWords={`Take it: ${STAGES.find(([s]) => s === at)?.[1]}`} />
      {(wrong.all || failure) && (
        <Note bad>
          <b>Not saved.</b> {wrong.all ?? server ?? failure?.message}
        </Note>
      )}
      <div className="flex gap-2 mt-3">
        <button type="button" className="btn go" disabled={isLoading} onClick={() => void save()}>
          Keep what it holds
        </button>
        <button type="button" className="btn quiet" onClick={onDone}>
          Leave it
        </button>
      </div>
    </section>
  );
}

/** What is missing or cannot be, stage by stage. */
function weighingFaults({
  volume,
  value,
  typed,
  water,
}: {
  volume: (s: 'toMark' | 'toBrim') => Millilitres | null;
  value: (s: Stage) => number | null;
  typed: Typed;
  water: ReturnType<typeof parseTemperature>;
}) {
  const [mark, brim, empty] = [volume('toMark'), volume('toBrim'), value('empty')];
  const faults: Faults = {};
  if (empty === null) faults.empty = 'Weigh it empty first.';
  if (typed.toMark.trim() && mark === null) faults.toMark = 'It must be heavier than empty.';
  if (typed.toBrim.trim() && brim === null) faults.toBrim = 'It must be heavier than empty.';
  if (mark !== null && brim !== null && mark > brim)
    faults.toMark = 'More to the mark than to the brim: were they swapped?';
  if (water.kind === 'bad' || water.value < 0 || water.value > 100)
    faults.heat = 'How warm was the water, in °C?';
  if (empty !== null && mark === null && brim === null && !faults.toMark && !faults.toBrim)
    faults.all = 'Weigh it to the mark or to the brim too.';
  return { mark, brim, empty, faults };
}

/** The vessel's facts with what was weighed. */
function withWeighing({
  fields,
  empty,
  brim,
  mark,
  value,
  water,
}: {
  fields: VesselFields;
  empty: number;
  brim: Millilitres | null;
  mark: Millilitres | null;
  value: (s: Stage) => number | null;
  water: { kind: 'ok'; value: Celsius };
}) {
  const round = (v: number) => millilitres(Math.round(v * 10) / 10);
  const next: VesselFields = {
    ...fields,
    wallGrams: grams(Math.max(5, empty)),
    brim: brim === null ? fields.brim : round(brim),
    mark: mark === null ? fields.mark : round(mark),
    weighed: {
      empty: grams(empty),
      toMark: mark === null ? null : grams(value('toMark') ?? 0),
      toBrim: brim === null ? null : grams(value('toBrim') ?? 0),
      water: celsius(water.value),
    },
  };
  return next;
}

/** How full the vessel is drawn at each stage. */
function stageFill(i: number, vessel: Vessel) {
  if (i === 0) return undefined;
  if (i === 1) return vessel.mark;
  return vessel.brim;
}

/** One weight, typed, with what it comes to in ml or what is wrong. */
function WeightField({
  s,
  words,
  typed,
  wrong,
  setAt,
  setTyped,
  volume,
  units,
}: {
  s: 'empty' | 'toMark' | 'toBrim';
  words: 'empty' | 'to the mark' | 'to the brim';
  typed: Typed;
  wrong: Faults;
  setAt: Dispatch<SetStateAction<Stage>>;
  setTyped: Dispatch<SetStateAction<Typed>>;
  volume: (s: 'toMark' | 'toBrim') => Millilitres | null;
  units: Units;
}) {
  return (
    <div className="field-row">
      <label htmlFor={`w-${s}`}>{words}</label>
      <div className="with-unit">
        <input
          id={`w-${s}`}
          className="box"
          inputMode="decimal"
          value={typed[s]}
          aria-invalid={wrong[s] ? true : undefined}
          onFocus={() => setAt(s)}
          onChange={(e) => setTyped({ ...typed, [s]: e.target.value })}
        />
        <span>g</span>
      </div>
      {wrong[s] ? (
        <p className="fault" role="alert">
          {wrong[s]}
        </p>
      ) : (
        s !== 'empty' &&
        volume(s) !== null && (
          <p className="hint" data-testid={`volume-${s}`}>
            {volumeText(volume(s) as never, units.volume)}
          </p>
        )
      )}
    </div>
  );
}
