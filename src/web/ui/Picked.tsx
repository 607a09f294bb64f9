/** One of a list, with its label over it, outside of a form's own fields. */
export function Picked<T extends string>({
  label,
  value,
  options,
  onPick,
}: {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onPick: (value: T) => void;
}) {
  return (
    <label className="field-row">
      <span>{label}</span>
      <select className="box" value={value} onChange={(e) => onPick(e.target.value as T)}>
        {options.map(([v, words]) => (
          <option key={v} value={v}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
