import { useEffect, useMemo, useRef, useState } from 'react';
import { simulatedKettle } from '#core/heat';
import { seeded } from '#core/numeric';
import { siteBoiling } from '#core/recipes';
import {
  type Celsius,
  type Millilitres,
  millilitres,
  minutesText,
  numberText,
  type Parsed,
  parseTemperature,
  parseVolume,
  seconds,
} from '#core/units';
import type { Kettle } from '#contracts/kettles';
import type { Site } from '#contracts/sites';
import { useAddReadingMutation } from '../../entities/kettles/api';
import { useSession } from '../../entities/people/session';
import { failureOf } from '../../platform/api';
import { now, useNow } from '../../platform/clock';
import { newId } from '../../platform/ids';
import { CoolingReading, PourReading } from './ReadingForms';

/** The made-up kettle runs this many times faster, so that half an hour of cooling is a minute. */
const FASTER = 30;

/** Degrees as typed: in the site's own where no unit is said. */
const heatTyped = (text: string, unit: 'C' | 'F') =>
  parseTemperature(/[cf]\s*$/i.test(text) ? text : `${text}${unit}`);
type Kind = 'cooling' | 'poured';
/** Keeps a reading: true when it is kept; what is wrong is said, and what was typed stays. */
function useKeepReading(
  kettle: Kettle,
  practise: boolean,
  boil: string | null,
  waterTyped: string,
) {
  const { site } = useSession();
  const [add, { isLoading, error }] = useAddReadingMutation();
  const [wrong, setWrong] = useState('');
  const reading = useReadingId();
  const water = parseVolume(waterTyped, site.volumeUnit);
  /** @param heat what is typed of the kettle, beside what was poured */
  const keep = async (kind: Kind, text: string, after: number, heat: string) => {
    const read = heatTyped(text, site.temperatureUnit);
    const inKettle = kind === 'poured' ? heatTyped(heat, site.temperatureUnit) : null;
    if (read.kind === 'bad' || water.kind === 'bad' || inKettle?.kind === 'bad') {
      setWrong(readingFault(read, water));
      return false;
    }
    if (read.value > siteBoiling(site) + 1.5 || read.value < 0) {
      setWrong(
        `Water boils at ${numberText(siteBoiling(site))} °C here: ${numberText(read.value)} °C cannot be.`,
      );
      return false;
    }
    setWrong('');
    const added = await add({
      id: kettle.id,
      body: {
        id: reading.idFor(`${kind} ${text} ${heat}`),
        kind,
        boil: boil ?? newId(),
        seconds: seconds(Math.round(after)),
        celsius: read.value,
        kettleCelsius: inKettle?.value ?? null,
        water: water.value,
        ambient: site.ambient,
        simulated: practise,
        at: Math.round(now()),
      },
    });
    if ('error' in added) return false;
    reading.kept();
    return true;
  };
  return { keep, isBusy: isLoading, fault: wrong || (error ? failureOf(error).message : '') };
}

/** A thermometer in the kettle: boil, press start, read now and then; and once in what was just poured. */
export function TakeReadings({
  kettle,
  practise,
  onDone,
}: {
  kettle: Kettle;
  practise: boolean;
  onDone: () => void;
}) {
  const { site } = useSession();
  const [began, setBegan] = useState<{ boil: string; at: number } | null>(null);
  const [heat, setHeat] = useState('');
  const [waterTyped, setWaterTyped] = useState(`${Math.round(kettle.volume * 0.85)}`);
  const field = useRef<HTMLInputElement>(null);
  const { keep, isBusy, fault } = useKeepReading(kettle, practise, began?.boil ?? null, waterTyped);
  const at = useNow(500);
  // The clock is drawn twice a second: it may be a moment behind the start.
  const elapsed = began ? Math.max(0, (at - began.at) / 1000) * (practise ? FASTER : 1) : 0;
  const made = useSimulatedKettle(kettle, site);
  useEffect(() => {
    if (began) field.current?.focus();
  }, [began]);
  const moment = seconds(Math.round(elapsed));
  const simulated = practise && began ? made : null;
  const keepIt = async (kind: Kind, text: string, after: number) => {
    if (!(await keep(kind, text, after, heat))) return false;
    if (kind === 'cooling') setHeat('');
    field.current?.focus();
    return true;
  };
  return (
    <div className="take-readings">
      <p>
        {practise
          ? 'A simulated kettle and thermometer, thirty times as fast. Its readings are marked as simulated.'
          : 'Fill it as usual and boil it. Press start as it boils; read the thermometer now and then while it cools by 10 °C or more.'}
      </p>
      <div className="flex flex-wrap gap-2 items-end">
        <label className="field-row">
          <span>Water in it</span>
          <input
            className="box w-[110px]"
            value={waterTyped}
            disabled={began !== null}
            onChange={(e) => setWaterTyped(e.target.value)}
          />
        </label>
        {!began ? (
          <button
            type="button"
            className="btn go"
            onClick={() => setBegan({ boil: newId(), at: now() })}
          >
            It boils: start
          </button>
        ) : (
          <>
            <p className="clock-large" data-testid="off-the-boil">
              {minutesText(elapsed)}
              <small> off the boil</small>
            </p>
            {simulated && (
              <p className="small">
                thermometer <b className="text-[20px]">{numberText(simulated.reading(moment))}°</b>
              </p>
            )}
            <CoolingReading
              heat={heat}
              elapsed={elapsed}
              simulated={simulated?.reading(moment) ?? null}
              field={field}
              isBusy={isBusy}
              onHeat={setHeat}
              onKeep={(text, after) => keepIt('cooling', text, after)}
            />
          </>
        )}
        <button type="button" className="btn quiet" onClick={onDone}>
          Done
        </button>
      </div>
      <PourReading
        simulated={simulated?.poured(moment) ?? null}
        canKeep={!isBusy && heat.trim() !== ''}
        onKeep={(text) => keepIt('poured', text, elapsed)}
      />
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
      <p className="small">Steam scalds: hold the thermometer from the side, not over the spout.</p>
    </div>
  );
}

/** Pressed again because no answer came, the same words are the same reading; once it is kept, the next is another. */
function useReadingId() {
  const last = useRef<{ words: string; id: string } | null>(null);
  return {
    idFor: (words: string): string => {
      if (last.current?.words !== words) last.current = { words, id: newId() };
      return last.current.id;
    },
    kept: () => {
      last.current = null;
    },
  };
}

/** A kettle for practice: it cools as a real one does. */
function useSimulatedKettle(kettle: Kettle, site: Site) {
  return useMemo(
    () =>
      simulatedKettle(
        seeded(Math.round(kettle.volume) + 7),
        { volume: millilitres(kettle.volume * 0.85), material: kettle.material, lid: kettle.lid },
        { times: 1.2, loss: 0.09, ambient: site.ambient, boiling: siteBoiling(site) },
      ),
    [kettle.volume, kettle.material, kettle.lid, site],
  );
}

/** Why a reading cannot be kept. */
function readingFault(t: Parsed<Celsius>, water: Parsed<Millilitres>) {
  if (t.kind === 'bad') return t.why;
  if (water.kind === 'bad') return water.why;
  return 'Read the kettle too: both are needed.';
}
