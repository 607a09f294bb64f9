import { numberText } from '#core/units';

/** How much it is liked: nobody has to say. */
export const Liking = ({
  value,
  onValue,
}: {
  value: number | undefined;
  onValue: (v: number) => void;
}) => (
  <div className="scores">
    <label className={value === undefined ? 'open' : ''}>
      <span>I like it</span>
      <input
        type="range"
        min="0"
        max="10"
        step="0.5"
        value={value ?? 5}
        aria-label="How much you like it, 0 to 10"
        aria-valuetext={value === undefined ? 'not said' : numberText(value)}
        onChange={(e) => onValue(Number(e.target.value))}
        onPointerDown={(e) => {
          if (value === undefined) onValue(Number(e.currentTarget.value));
        }}
      />
      <b>{value === undefined ? '–' : numberText(value)}</b>
    </label>
  </div>
);

/** The last look before a sheet without an order goes in, once. */
export function HandIn({
  unkept,
  onBack,
  onHandIn,
}: {
  unkept: readonly string[];
  onBack: () => void;
  onHandIn: () => void;
}) {
  return (
    <>
      <section className="sheet-body">
        <h1 className="text-[22px] font-bold">Submit your sheet</h1>
        <p>
          {unkept.length > 0
            ? `Not marked: ${unkept.join(', ')}. ${unkept.length === 1 ? 'It goes' : 'They go'} in without marks.`
            : 'Every cup is marked.'}{' '}
          After that nothing is changed.
        </p>
      </section>
      <div className="foot">
        <button type="button" className="btn go" onClick={onHandIn}>
          Submit sheet
        </button>
        <button type="button" className="btn" onClick={onBack}>
          Back to the cups
        </button>
      </div>
    </>
  );
}
