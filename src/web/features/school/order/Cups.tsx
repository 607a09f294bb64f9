import { displayedLab, labOf, type Liquor } from '#core/colour';
import type { OrderQuestion } from '#core/training';
import { numberText } from '#core/units';
import { Cup } from '../../../entities/teas/Cup';
import { inTray, letterName, type Ordering } from './model';

/** How the cups are shown: as they look, or by a figure for how light each is. */
export type Seen = 'colour' | 'figures';
const CUP = 72;

/** How light a liquor is on a screen, L* of 0 to 100. */
const lightness = (liquor: Liquor): string => numberText(displayedLab(labOf(liquor))[0], 1);

function OneCup({ liquor, seen }: { liquor: Liquor | undefined; seen: Seen }) {
  if (!liquor) return null;
  if (seen === 'colour') return <Cup liquor={liquor} size={CUP} />;
  return <span className="light-figure">{lightness(liquor)}</span>;
}

/** Cups that are in no place yet, and the one in hand. */
export function CupTray({
  state,
  order,
  seen,
  onLift,
}: {
  state: Ordering;
  order: OrderQuestion;
  seen: Seen;
  onLift: (letter: number) => void;
}) {
  const letters = [...inTray(state), ...(state.lifted === null ? [] : [state.lifted])].sort(
    (a, b) => a - b,
  );
  return (
    <>
      <h2>Not placed</h2>
      <div className="porcelain cup-row">
        {letters.map((letter) => (
          <button
            key={letter}
            type="button"
            className={`cup-place ${letter === state.lifted ? 'lifted' : ''}`}
            aria-pressed={letter === state.lifted}
            aria-label={`Cup ${letterName(letter)}`}
            onClick={() => onLift(letter)}
          >
            <OneCup liquor={order.liquors[letter]} seen={seen} />
            <b>{letterName(letter)}</b>
          </button>
        ))}
      </div>
    </>
  );
}

/** Numbered places, the lightest at the left; after the answer each says where its cup belongs. */
export function CupLine({
  state,
  order,
  seen,
  ranks,
  onPlace,
}: {
  state: Ordering;
  order: OrderQuestion;
  seen: Seen;
  ranks: readonly number[] | null;
  onPlace: (at: number) => void;
}) {
  const wordsAt = (letter: number | null, at: number): string => {
    if (letter === null) {
      const isHere = state.lifted !== null && state.waiting === at;
      return isHere && state.lifted !== null ? `${letterName(state.lifted)} here` : '';
    }
    const rank = ranks?.[letter];
    if (rank === undefined) return letterName(letter);
    return rank === at ? `${letterName(letter)} right` : `${letterName(letter)} is ${rank + 1}`;
  };
  return (
    <>
      <h2 className="mt-4">
        In order<small>the lightest at the left</small>
      </h2>
      <div className="porcelain cup-row cup-line">
        {state.places.map((letter, at) => (
          <button
            key={at}
            type="button"
            className={`cup-place ${state.lifted !== null && state.waiting === at ? 'waiting' : ''}`}
            aria-label={`Place ${at + 1}${letter === null ? ', empty' : `, cup ${letterName(letter)}`}`}
            onClick={() => onPlace(at)}
          >
            {letter === null ? (
              <span className="no-cup" aria-hidden="true" />
            ) : (
              <OneCup liquor={order.liquors[letter]} seen={seen} />
            )}
            <b>{wordsAt(letter, at)}</b>
            <small>{at + 1}</small>
          </button>
        ))}
      </div>
    </>
  );
}
