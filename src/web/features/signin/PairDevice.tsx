import { type FormEvent, useState } from 'react';
import { usePairDeviceMutation } from '../../entities/people/devicesApi';
import { failureOf } from '../../platform/api';
import { settingsChanged } from '../../platform/settings';
import { useAppDispatch } from '../../platform/store';

/** Below the names: the code that a lead reads out makes this browser a device of the house. */
export function PairDevice() {
  const dispatch = useAppDispatch();
  const [open, setOpen] = useState(false);
  const [code, setCode] = useState('');
  const [pair, { error, isLoading }] = usePairDeviceMutation();
  if (!open)
    return (
      <button type="button" className="btn quiet slim mt-4" onClick={() => setOpen(true)}>
        Pair this device
      </button>
    );
  const submit = async (e: FormEvent) => {
    e.preventDefault();
    const done = await pair({ code });
    if (!done.data) return;
    dispatch(settingsChanged({ deviceName: done.data.name, siteId: done.data.siteId }));
    setOpen(false);
  };
  return (
    <form className="mt-4 grid gap-2 justify-items-start" onSubmit={(e) => void submit(e)}>
      <div className="field-row">
        <label htmlFor="pairing">Code from House, Devices</label>
        <input
          id="pairing"
          className="box"
          autoCapitalize="characters"
          autoComplete="off"
          spellCheck={false}
          autoFocus
          value={code}
          aria-describedby={error ? 'pairing-fault' : undefined}
          onChange={(e) => setCode(e.target.value)}
        />
      </div>
      {error && (
        <p className="fault" id="pairing-fault" role="alert">
          {failureOf(error).message}
        </p>
      )}
      <div className="flex gap-2">
        <button type="submit" className="btn" disabled={code.trim() === '' || isLoading}>
          Pair
        </button>
        <button type="button" className="btn quiet" onClick={() => setOpen(false)}>
          Leave it
        </button>
      </div>
    </form>
  );
}
