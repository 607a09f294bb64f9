import { type FormEvent, useState } from 'react';
import { type ProbeDoubt } from '#core/cold';
import { type SiteClock, weekdayAndTime } from '#core/time';
import type { EpochMs } from '#core/units';
import { type Probe } from '#contracts/probes';
import { ROUTES } from '#contracts/routes';
import { useAddProbeMutation, useEndProbeMutation } from '../../../entities/batches/api';
import { useClock, useSession } from '../../../entities/people/session';
import { failureOf, fieldFaults } from '../../../platform/api';
import { newId } from '../../../platform/ids';
import { Note } from '../../../ui/Note';

/** A probe that has said nothing for an hour is silent. */
const SILENT_MS = 3_600_000;
const DOUBTS: Readonly<Record<ProbeDoubt, string>> = {
  absurd: 'probe not believed: no fridge has that temperature. Read the thermometer and type it.',
  stuck: 'probe not believed: the same value for 12 hours. Read the thermometer and type it.',
};

/** Thermometers that send their readings themselves; a lead gives each a key, and ends it. */
export function Probes({
  probes,
  isLead,
  now,
}: {
  probes: readonly Probe[];
  isLead: boolean;
  now: EpochMs;
}) {
  const inUse = probes.filter((p) => p.ended === null);
  if (inUse.length === 0 && !isLead) return null;
  return (
    <>
      <h2 className="mt-4">
        Probes<small>thermometers that send their own readings</small>
      </h2>
      <ul className="grid gap-2 mt-1">
        {inUse.map((p) => (
          <ProbeLine key={p.id} probe={p} isLead={isLead} now={now} />
        ))}
      </ul>
      {isLead && <AddProbe />}
    </>
  );
}

function ProbeLine({ probe, isLead, now }: { probe: Probe; isLead: boolean; now: EpochMs }) {
  const clock = useClock();
  const [end, ending] = useEndProbeMutation();
  return (
    <li className="flex flex-wrap gap-2 items-baseline">
      <span className="flex-1 min-w-[200px]">
        <b>{probe.name}</b>: {stateOf(probe, now, clock)}
      </span>
      {isLead && (
        <button
          type="button"
          className="btn quiet slim"
          disabled={ending.isLoading}
          onClick={() => void end(probe.id)}
        >
          End key of {probe.name}
        </button>
      )}
    </li>
  );
}
function stateOf({ heard, doubt }: Probe, now: EpochMs, clock: SiteClock): string {
  if (heard === null) return 'no reading yet';
  if (doubt !== null) return DOUBTS[doubt];
  const at = weekdayAndTime(clock, heard as EpochMs);
  return now - heard > SILENT_MS ? `silent since ${at}. Type readings until then` : `last at ${at}`;
}

/** A new probe: its key is shown once, with the address it sends to. */
function AddProbe() {
  const { site } = useSession();
  const [id, setId] = useState(newId);
  const [name, setName] = useState('');
  const [add, adding] = useAddProbeMutation();
  const submit = async (e: FormEvent) => {
    e.preventDefault();
    const made = await add({ id, siteId: site.id, name });
    if (made.error) return;
    setName('');
    setId(newId());
  };
  const fault = adding.error
    ? (fieldFaults(adding.error).name ?? failureOf(adding.error).message)
    : null;
  return (
    <>
      <form className="with-unit mt-2" noValidate onSubmit={(e) => void submit(e)}>
        <input
          className="box"
          aria-label="Name of the new probe"
          placeholder="Back of the fridge"
          maxLength={60}
          value={name}
          aria-invalid={fault !== null}
          onChange={(e) => setName(e.target.value)}
        />
        <button type="submit" className="btn slim" disabled={adding.isLoading}>
          Add probe
        </button>
      </form>
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
      {adding.data?.key && (
        <Note>
          <b>Key of {adding.data.probe.name}:</b>{' '}
          <code className="break-all">{adding.data.key}</code>. Copy the key now: the key is shown
          only once. The probe sends <code>{'{"celsius": 4.2}'}</code> by POST to{' '}
          <code className="break-all">{`${location.origin}${ROUTES.addProbeReading.path}`}</code>{' '}
          with the header <code>Authorization: Bearer</code> and its key.
        </Note>
      )}
    </>
  );
}
