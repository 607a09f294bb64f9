/** One of a few, as buttons in a row. */
export function OneOf<T extends string>({
  label,
  options,
  chosen,
  onChoose,
}: {
  label: string;
  options: readonly { readonly value: T; readonly words: string }[];
  chosen: T;
  onChoose: (value: T) => void;
}) {
  return (
    <div className="flex flex-wrap gap-2" role="radiogroup" aria-label={label}>
      {options.map(({ value, words }) => (
        <button
          key={value}
          type="button"
          role="radio"
          className="btn slim"
          aria-checked={chosen === value}
          onClick={() => onChoose(value)}
        >
          {words}
        </button>
      ))}
    </div>
  );
}
