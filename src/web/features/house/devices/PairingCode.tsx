/** The code of a device, large enough to be read across the counter. */
export function PairingCode({
  name,
  code,
  onDone,
}: {
  name: string;
  code: string;
  onDone: () => void;
}) {
  return (
    <div className="form" role="status">
      <p>
        On <b>{name}</b>: open Limnos, touch <i>Pair this device</i> below the names, and type
      </p>
      <p className="text-[40px] font-semibold tracking-[0.08em]" data-testid="pairing-code">
        {code}
      </p>
      <p className="small">
        The code is good for 15 minutes and for one device. The code is shown only here.
      </p>
      <div>
        <button type="button" className="btn" onClick={onDone}>
          Done
        </button>
      </div>
    </div>
  );
}
