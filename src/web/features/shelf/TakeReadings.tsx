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
  const [add, { isLoading, error }] = useAddReadingMutation();
  const [began, setBegan] = useState<{ boil: string; at: number } | null>(null);
  const [typed, setTyped] = useState({
    heat: '',
    water: `${Math.round(kettle.volume * 0.85)}`,
    poured: '',
    at: '',
  });
  const [wrong, setWrong] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const at = useNow(500);
  // The clock is drawn twice a second: it may be a moment behind the start.
  const elapsed = began ? Math.max(0, (at - began.at) / 1000) * (practise ? FASTER : 1) : 0;
  const water = parseVolume(typed.water, site.volumeUnit);
  const made = useSimulatedKettle(kettle, site);
  useEffect(() => {
    if (began) field.current?.focus();
  }, [began]);
  const shown = practise && began ? made.reading(seconds(Math.round(elapsed))) : null;
  const keep = async (kind: 'cooling' | 'poured', text: string, seconds_: number) => {
    const t = heatTyped(text, site.temperatureUnit);
    const kettleNow = kind === 'poured' ? heatTyped(typed.heat, site.temperatureUnit) : null;
    if (t.kind === 'bad' || water.kind === 'bad' || kettleNow?.kind === 'bad')
      return setWrong(readingFault(t, water));
    if (t.value > siteBoiling(site) + 1.5 || t.value < 0)
      return setWrong(
        `Water boils at ${numberText(siteBoiling(site))} °C here: ${numberText(t.value)} °C cannot be.`,
      );
    setWrong('');
    try {
      await add({
        id: kettle.id,
        body: {
          id: newId(),
          kind,
          boil: began?.boil ?? newId(),
          seconds: seconds(Math.round(seconds_)),
          celsius: t.value,
          kettleCelsius: kettleNow?.kind === 'ok' ? kettleNow.value : null,
          water: water.value,
          ambient: site.ambient,
          simulated: practise,
          at: Math.round(now()),
        },
      }).unwrap();
      setTyped((v) => (kind === 'cooling' ? { ...v, heat: '', at: '' } : { ...v, poured: '' }));
      field.current?.focus();
    } catch {
      // Shown below; what was typed stays.
    }
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
            value={typed.water}
            disabled={began !== null}
            onChange={(e) => setTyped({ ...typed, water: e.target.value })}
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
            {shown !== null && (
              <p className="small">
                thermometer <b className="text-[20px]">{numberText(shown)}°</b>
              </p>
            )}
            <CoolingReading
              keep={keep}
              typed={typed}
              shown={shown}
              elapsed={elapsed}
              field={field}
              setTyped={setTyped}
              practise={practise}
              isLoading={isLoading}
            />
          </>
        )}
        <button type="button" className="btn quiet" onClick={onDone}>
          Done
        </button>
      </div>
      <PourReading
        keep={keep}
        typed={typed}
        elapsed={elapsed}
        practise={practise}
        began={began}
        made={made}
        setTyped={setTyped}
        isLoading={isLoading}
      />
      {(wrong || error) && (
        <p className="fault" role="alert">
          {wrong || failureOf(error).message}
        </p>
      )}
      <p className="small">Steam scalds: hold the thermometer from the side, not over the spout.</p>
    </div>
  );
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
