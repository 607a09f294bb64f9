import { useState } from 'react';
import { useHouseQuery, useSignOutMutation } from '../entities/people/api';
import { RoomChoice, SoundChoice, useDeviceSettings } from '../entities/people/DeviceSettings';
import { deviceBehind } from '../platform/clock';
import type { Settings } from '../platform/settings';
import { useAppSelector } from '../platform/store';
import { OneOf } from '../ui/OneOf';

const LOCKS = [
  { value: '0', words: 'It is one person’s: never' },
  { value: '2', words: '2 minutes' },
  { value: '5', words: '5 minutes' },
  { value: '15', words: '15 minutes' },
] as const;
/** A device clock off by more than this is said, s. */
const WORTH_SAYING = 5;

/** What belongs to this device: sound, light, whose it is; and leaving it. */
export function Device({ onLock, onClose }: { onLock: () => void; onClose: () => void }) {
  return (
    <div className="device">
      <Leaving onLock={onLock} onClose={onClose} />
      <SoundAndLight />
      <LockAfter />
      <DeviceName />
      <ClockAndWaiting />
    </div>
  );
}

/** Out, locked, or not after all. */
function Leaving({ onLock, onClose }: { onLock: () => void; onClose: () => void }) {
  const [signOut, { isLoading, isError }] = useSignOutMutation();
  return (
    <>
      <p>Running brews stay on the bar. Whoever signs in next goes on with them.</p>
      {isError && <p className="fault">Sign-out did not reach the server. Try again.</p>}
      <div className="flex flex-wrap gap-2 mt-3 mb-4">
        <button
          type="button"
          className="btn go"
          disabled={isLoading}
          onClick={() =>
            void signOut()
              .unwrap()
              .then(onClose, () => undefined)
          }
        >
          Sign out
        </button>
        <button type="button" className="btn" onClick={onLock}>
          Lock it <kbd>L</kbd>
        </button>
        <button type="button" className="btn quiet" onClick={onClose}>
          Stay
        </button>
      </div>
    </>
  );
}

/** What says that a pull is due, and how bright the room is. */
function SoundAndLight() {
  const { settings, set } = useDeviceSettings();
  return (
    <>
      <fieldset>
        <legend>Sound at the pull</legend>
        <SoundChoice />
      </fieldset>
      <label className="check">
        <input
          type="checkbox"
          checked={settings.vibrate}
          onChange={(e) => set({ vibrate: e.target.checked })}
        />
        It shakes too, where it can
      </label>
      <label className="check">
        <input
          type="checkbox"
          checked={settings.frame}
          onChange={(e) => set({ frame: e.target.checked })}
        />
        A frame round the screen while a pull is due, seen across the room; it never flashes
      </label>
      <div className="my-2">
        <RoomChoice />
      </div>
    </>
  );
}

/** After how long without a touch it locks. */
function LockAfter() {
  const { settings, set } = useDeviceSettings();
  return (
    <fieldset>
      <legend>Several use it: lock it when nobody has touched it for</legend>
      <OneOf
        label="Lock after"
        options={LOCKS}
        chosen={String(settings.lockAfter)}
        onChoose={(minutes) => set({ lockAfter: Number(minutes) as Settings['lockAfter'] })}
      />
      <p className="small">
        Locked, it shows the bar and a steep can be lifted; that is kept as the tablet’s until
        somebody says it was them.
      </p>
    </fieldset>
  );
}

/** A paired device has the name that a lead gave it; any other the one that is typed here. */
function DeviceName() {
  const { settings, set } = useDeviceSettings();
  const { data: house } = useHouseQuery();
  const [name, setName] = useState(settings.deviceName);
  if (house?.device && !house.device.revoked)
    return (
      <p className="small">
        This device is paired as {house.device.name}. A lead names it: House, Devices.
      </p>
    );
  return (
    <div className="field-row">
      <label htmlFor="device-name">It is called</label>
      <input
        id="device-name"
        className="box"
        maxLength={60}
        value={name}
        onChange={(e) => setName(e.target.value)}
        onBlur={() =>
          name.trim() ? set({ deviceName: name.trim() }) : setName(settings.deviceName)
        }
      />
    </div>
  );
}

/** A clock that is off, and what is not saved yet: said only where there is something to say. */
function ClockAndWaiting() {
  const waiting = useAppSelector((x) => x.outbox.waiting.length);
  const behind = deviceBehind();
  return (
    <>
      {Math.abs(behind) > WORTH_SAYING && (
        <p className="small">
          This device’s own clock is {Math.round(Math.abs(behind))} s{' '}
          {behind > 0 ? 'behind' : 'ahead of'} the server’s. Times here follow the server’s.
        </p>
      )}
      {waiting > 0 && (
        <p className="small">
          {waiting} not saved yet: they are kept on this device and sent when the server is there.
        </p>
      )}
    </>
  );
}
