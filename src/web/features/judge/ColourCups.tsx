import { COLOUR_STEPS, type Mark, type Verdict } from '#core/corrections';
import type { Recipe } from '#core/recipes';
import type { KnownTea } from '#core/styles';
import { Cup } from '../../entities/teas/Cup';
import { swatchOf } from '../../entities/teas/liquor';

type Props = {
  verdict: Verdict;
  onMark: (what: 'colour', mark: Mark) => void;
  tea: KnownTea;
  recipe: Recipe;
};

/** Five cups on porcelain, numbered and named; the house cup carries the mark. */
export function ColourCups({ verdict, onMark, tea, recipe }: Props) {
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
          <Cup liquor={swatchOf(tea, recipe, s.strength)} size={114} />
          <span>
            {i + 1} · {s.word}
          </span>
        </button>
      ))}
    </div>
  );
}
