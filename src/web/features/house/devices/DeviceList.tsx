import { useState } from 'react';
import type { Device } from '#contracts/devices';
import {
  useRenameDeviceMutation,
  useRenewDeviceCodeMutation,
  useRevokeDeviceMutation,
} from '../../../entities/people/devicesApi';
import { useSession } from '../../../entities/people/session';
import { useNow } from '../../../platform/clock';
import { newId } from '../../../platform/ids';
import { NotSaved } from '../../../platform/NotSaved';
import { agoText } from '../../../ui/ago';
import { oneTap } from '../../../ui/keys';
import { Note } from '../../../ui/Note';
import { PairingCode } from './PairingCode';

function stateText(d: Device, now: number): string {
  if (d.revoked !== null) return `taken out ${agoText(d.revoked, now)}`;
  if (d.paired === null) return d.codeUntil === null ? 'its code has ended' : 'its code waits';
  return d.seen === null ? `paired ${agoText(d.paired, now)}` : `used ${agoText(d.seen, now)}`;
}

/** Every device, those in the house first. */
export function DeviceList({ devices }: { devices: readonly Device[] }) {
  const { sites } = useSession();
  const now = useNow(15_000);
  const [open, setOpen] = useState<string | null>(null);
  if (devices.length === 0) return <p className="small">No device is paired yet.</p>;
  const sorted = [...devices].sort(
    (a, b) => Number(a.revoked !== null) - Number(b.revoked !== null),
  );
  return (
    <ul>
      {sorted.map((d) => (
        <li key={d.id} className="border-b border-line py-2">
          <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
            <b className={`flex-1 min-w-[160px] ${d.revoked === null ? '' : 'line-through'}`}>
              {d.name}
            </b>
            <span className="small">{sites.find((s) => s.id === d.siteId)?.name}</span>
            <span className="min-w-[180px]">{stateText(d, now)}</span>
            <button
              type="button"
              className="btn quiet slim"
              aria-expanded={open === d.id}
              onClick={() => setOpen(open === d.id ? null : d.id)}
            >
              Change<span className="visually-hidden"> {d.name}</span>
            </button>
          </div>
          {open === d.id && <DeviceChanges key={d.id} device={d} onDone={() => setOpen(null)} />}
        </li>
      ))}
    </ul>
  );
}

/** Another name, another code, or out of the house. */
function DeviceChanges({ device, onDone }: { device: Device; onDone: () => void }) {
  const [name, setName] = useState(device.name);
  const [codeId] = useState(newId);
  const [sure, setSure] = useState(false);
  const [rename, renaming] = useRenameDeviceMutation();
  const [renew, renewing] = useRenewDeviceCodeMutation();
  const [revoke, revoking] = useRevokeDeviceMutation();
  const code = renewing.data?.code ?? null;
  if (code !== null) return <PairingCode name={device.name} code={code} onDone={onDone} />;
  const save = async () => {
    const done = await rename({ id: device.id, name });
    if (!done.error) onDone();
  };
  const takeOut = async () => {
    if (!sure) return setSure(true);
    const done = await revoke(device.id);
    if (!done.error) onDone();
  };
  return (
    <div className="grid gap-3 mt-2">
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void save();
        }}
      >
        <div className="field-row">
          <label htmlFor={`name-${device.id}`}>Name</label>
          <input
            id={`name-${device.id}`}
            className="box"
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
        </div>
        <button
          type="submit"
          className="btn"
          disabled={renaming.isLoading || name.trim() === '' || name.trim() === device.name}
        >
          Save the name
        </button>
      </form>
      <NotSaved error={renaming.error ?? renewing.error ?? revoking.error} />
      {sure && (
        <Note bad>
          Everybody who is signed in on {device.name} is signed out at once, and the device forgets
          what it had read. Records that it has not sent yet stay on it until its own person signs
          in there again.
        </Note>
      )}
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn"
          disabled={renewing.isLoading}
          onClick={oneTap(() => void renew({ id: device.id, codeId }))}
        >
          {device.paired === null || device.revoked !== null ? 'New code' : 'Pair again: new code'}
        </button>
        {device.revoked === null && (
          <button
            type="button"
            className="btn"
            disabled={revoking.isLoading}
            onClick={oneTap(() => void takeOut())}
          >
            {sure ? `Take ${device.name} out now` : 'Take the device out of the house'}
          </button>
        )}
      </div>
    </div>
  );
}
