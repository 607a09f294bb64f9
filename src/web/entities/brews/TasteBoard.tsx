import { type Attribute, ATTRIBUTE_NAMES, ATTRIBUTES, type Mark, MARKS } from '#core/corrections';

type Props = {
  verdict: Readonly<Partial<Record<Attribute, Mark>>>;
  onMark: (what: Attribute, mark: Mark) => void;
};

/** Five columns over and under the waterline: on the line is right. One touch for what is off. */
export function TasteBoard({ verdict, onMark }: Props) {
  return (
    <div className="taste">
      {ATTRIBUTE_NAMES.map((a) => (
        <div className="h" key={a} id={`taste-${a}`}>
          {ATTRIBUTES[a].label}
        </div>
      ))}
      {MARKS.map((m) =>
        ATTRIBUTE_NAMES.map((a) => (
          <button
            type="button"
            key={`${a}${m}`}
            className={m === 0 ? 'right' : 'off'}
            role="radio"
            aria-checked={verdict[a] === m}
            aria-label={`${ATTRIBUTES[a].label}: ${ATTRIBUTES[a].words[m]}`}
            onClick={() => onMark(a, m)}
          >
            {ATTRIBUTES[a].words[m]}
          </button>
        )),
      )}
    </div>
  );
}
