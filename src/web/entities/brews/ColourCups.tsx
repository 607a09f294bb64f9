import type { Liquor } from '#core/colour';
import { COLOUR_STEPS, type Mark, type Verdict } from '#core/corrections';
import { Cup } from '../teas/Cup';

type Props = {
  verdict: Verdict;
  onMark: (what: 'colour', mark: Mark) => void;
  /** The house cup, so many times as strong. */
  liquorAt: (strength: number) => Liquor;
};

/** Five cups on porcelain, numbered and named; the house cup carries the mark. */
export function ColourCups({ verdict, onMark, liquorAt }: Props) {
  return (
    <div className="cups" role="radiogroup" aria-label="Colour">
      {COLOUR_STEPS.map((s, i) => (
        <button
          type="button"
          role="radio"
          key={s.mark}
          className={s.mark === 0 ? 'house' : ''}
          aria-checked={verdict.colour === s.mark}
          onClick={() => onMark('colour', s.mark)}
        >
          <Cup liquor={liquorAt(s.strength)} size={114} />
          <span>
            {i + 1} · {s.word}
          </span>
        </button>
      ))}
    </div>
  );
}
