import { useState } from 'react';
import { type Millilitres, numberText, volumeText } from '#core/units';
import type { Vessel } from '#contracts/vessels';
import { useUnits } from '../../entities/people/session';
import { useChangeVesselMutation } from '../../entities/vessels/api';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { failureOf } from '../../platform/api';
import { ScalePanel } from '../../platform/scale/ScalePanel';
import { Note } from '../../ui/Note';
import {
  type Faults,
  faultsOf,
  readWeights,
  type Stage,
  stageAfter,
  STAGES,
  type TypedWeights,
  withWeights,
  wordsOf,
} from './weighIn/model';

/** Weighed once: empty, to the mark, to the brim. Grams of water at its heat become ml. */
export function WeighIn({ vessel, onDone }: { vessel: Vessel; onDone: () => void }) {
  const [change, { isLoading, error }] = useChangeVesselMutation();
  const [typed, setTyped] = useState(() => typedOf(vessel));
  const [at, setAt] = useState<Stage>('empty');
  const [faults, setFaults] = useState<Faults>({});
  const read = readWeights(typed);
  const type = (what: keyof TypedWeights, text: string) =>
    setTyped((before) => ({ ...before, [what]: text }));
  const take = (weight: number) => {
    type(at, numberText(weight, 1));
    setAt(stageAfter(at));
  };
  const save = async () => {
    const found = faultsOf(typed, read);
    setFaults(found);
    const { id, siteId: _site, rev, retired, ...fields } = vessel;
    const next = withWeights(fields, read);
    if (next === null || Object.keys(found).length > 0) return;
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
  const fills = { empty: undefined, toMark: vessel.mark, toBrim: vessel.brim };
  const volumes = { empty: null, toMark: read.mark, toBrim: read.brim };
  return (
    <section className="weigh-in" aria-label="Weigh it">
      <h2>
        Weigh it<small>with its lid off; the water grey</small>
      </h2>
      <div className="thrice">
        {STAGES.map(({ stage, words }) => (
          <button
            type="button"
            key={stage}
            aria-pressed={stage === at}
            onClick={() => setAt(stage)}
          >
            <VesselDrawing
              vessel={vessel}
              scale={Math.min(0.62, 74 / Math.cbrt(vessel.brim))}
              label=""
              bowl={false}
              fill={fills[stage]}
              water
            />
            <span>{words}</span>
          </button>
        ))}
      </div>
      <div className="pair">
        {STAGES.map(({ stage, words }) => (
          <WeightField
            key={stage}
            id={`w-${stage}`}
            words={words}
            text={typed[stage]}
            fault={faults[stage]}
            volume={volumes[stage]}
            onFocus={() => setAt(stage)}
            onType={(text) => type(stage, text)}
          />
        ))}
        <div className="field-row">
          <label htmlFor="w-heat">Water at</label>
          <div className="with-unit">
            <input
              id="w-heat"
              className="box"
              value={typed.heat}
              onChange={(e) => type('heat', e.target.value)}
            />
            <span>°C</span>
          </div>
          {faults.heat && (
            <p className="fault" role="alert">
              {faults.heat}
            </p>
          )}
        </div>
      </div>
      <ScalePanel onTake={take} takeWords={`Take it: ${wordsOf(at)}`} />
      {(faults.all || failure) && (
        <Note bad>
          <b>Not saved.</b> {faults.all ?? server ?? failure?.message}
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

/** What was weighed before, to be weighed again. */
function typedOf({ weighed }: Vessel): TypedWeights {
  const text = (g: number | null | undefined) => (g ? numberText(g, 1) : '');
  return {
    empty: text(weighed?.empty),
    toMark: text(weighed?.toMark),
    toBrim: text(weighed?.toBrim),
    heat: numberText(weighed?.water ?? 15),
  };
}

/** One weight, typed, with what it comes to in ml or what is wrong. */
function WeightField({
  id,
  words,
  text,
  fault,
  volume,
  onFocus,
  onType,
}: {
  id: string;
  words: string;
  text: string;
  fault: string | undefined;
  volume: Millilitres | null;
  onFocus: () => void;
  onType: (text: string) => void;
}) {
  const units = useUnits();
  return (
    <div className="field-row">
      <label htmlFor={id}>{words}</label>
      <div className="with-unit">
        <input
          id={id}
          className="box"
          inputMode="decimal"
          value={text}
          aria-invalid={fault ? true : undefined}
          onFocus={onFocus}
          onChange={(e) => onType(e.target.value)}
        />
        <span>g</span>
      </div>
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
      {!fault && volume !== null && (
        <p className="hint" data-testid={id.replace('w-', 'volume-')}>
          {volumeText(volume, units.volume)}
        </p>
      )}
    </div>
  );
}
