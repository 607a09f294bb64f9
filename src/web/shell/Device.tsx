import { useState } from 'react';
import { useHouseQuery, useSignOutMutation } from '../entities/people/api';
import { deviceBehind } from '../platform/clock';
import { type Settings, settingsChanged } from '../platform/settings';
import { useAppDispatch, useAppSelector } from '../platform/store';

const LOUDNESS = ['Quiet', 'Soft', 'Middle', 'Loud'] as const;
const LOCKS = [
  [0, 'It is one person’s: never'],
  [2, '2 minutes'],
  [5, '5 minutes'],
  [15, '15 minutes'],
] as const;
/** A device clock off by more than this is said, s. */
const WORTH_SAYING = 5;

/** What belongs to this device: sound, light, whose it is; and leaving it. */
export function Device({ onLock, onClose }: { onLock: () => void; onClose: () => void }) {
  const [signOut, { isLoading, isError }] = useSignOutMutation();
  const dispatch = useAppDispatch();
  const s = useAppSelector((x) => x.settings);
  const waiting = useAppSelector((x) => x.outbox.waiting.length);
  const { data: house } = useHouseQuery();
  const paired = house?.device && !house.device.revoked ? house.device : null;
  const [name, setName] = useState(s.deviceName);
  const set = (over: Partial<Settings>) => {
    dispatch(settingsChanged(over));
  };
  const behind = deviceBehind();
  return (
    <div className="device">
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
      <fieldset>
        <legend>Sound at the pull</legend>
        <div className="flex flex-wrap gap-2">
          {LOUDNESS.map((word, i) => (
            <button
              type="button"
              key={word}
              className="btn slim"
              aria-pressed={s.sound === i}
              onClick={() => set({ sound: i as Settings['sound'] })}
            >
              {word}
            </button>
          ))}
        </div>
      </fieldset>
      <label className="check">
        <input
          type="checkbox"
          checked={s.vibrate}
          onChange={(e) => set({ vibrate: e.target.checked })}
        />
        It shakes too, where it can
      </label>
      <label className="check">
        <input
          type="checkbox"
          checked={s.frame}
          onChange={(e) => set({ frame: e.target.checked })}
        />
        A frame round the screen while a pull is due, seen across the room; it never flashes
      </label>
      <div className="flex flex-wrap gap-2 my-2">
        <button
          type="button"
          className="btn slim"
          onClick={() => set({ theme: s.theme === 'dim' ? 'light' : 'dim' })}
        >
          {s.theme === 'dim' ? 'Light room' : 'Dim room'}
        </button>
      </div>
      <fieldset>
        <legend>Several use it: lock it when nobody has touched it for</legend>
        <div className="flex flex-wrap gap-2">
          {LOCKS.map(([minutes, word]) => (
            <button
              type="button"
              key={minutes}
              className="btn slim"
              aria-pressed={s.lockAfter === minutes}
              onClick={() => set({ lockAfter: minutes })}
            >
              {word}
            </button>
          ))}
        </div>
        <p className="small">
          Locked, it shows the bar and a steep can be lifted; that is kept as the tablet’s until
          somebody says it was them.
        </p>
      </fieldset>
      {paired ? (
        <p className="small">
          This device is paired as {paired.name}. A lead names it: House, Devices.
        </p>
      ) : (
        <div className="field-row">
          <label htmlFor="device-name">It is called</label>
          <input
            id="device-name"
            className="box"
            maxLength={60}
            value={name}
            onChange={(e) => setName(e.target.value)}
            onBlur={() => (name.trim() ? set({ deviceName: name.trim() }) : setName(s.deviceName))}
          />
        </div>
      )}
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
    </div>
  );
}
