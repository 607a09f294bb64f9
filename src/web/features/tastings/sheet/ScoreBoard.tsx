import { type Attribute, ATTRIBUTE_NAMES, ATTRIBUTES } from '#core/corrections';
import { numberText } from '#core/units';

/** Where amounts are asked, colour is not: it would tell the bowls of one cup. */

/** Amounts from none to a great deal, half a point at a time; a row untouched is not scored. */
export function ScoreBoard({
  scores,
  onScore,
}: {
  scores: Readonly<Partial<Record<Attribute, number>>>;
  onScore: (what: Attribute, v: number) => void;
}) {
  return (
    <div className="scores">
      {ATTRIBUTE_NAMES.map((a) => {
        const v = scores[a];
        return (
          <label key={a} className={v === undefined ? 'open' : ''}>
            <span>{ATTRIBUTES[a].label}</span>
            <input
              type="range"
              min="0"
              max="10"
              step="0.5"
              value={v ?? 5}
              aria-label={`${ATTRIBUTES[a].label}, 0 to 10`}
              aria-valuetext={v === undefined ? 'not scored' : numberText(v)}
              onChange={(e) => onScore(a, Number(e.target.value))}
              onPointerDown={(e) => {
                if (v === undefined) onScore(a, Number(e.currentTarget.value));
              }}
            />
            <b>{v === undefined ? '–' : numberText(v)}</b>
          </label>
        );
      })}
      <p className="scale" aria-hidden="true">
        <span>none</span>
        <span>some</span>
        <span>a great deal</span>
      </p>
    </div>
  );
}
