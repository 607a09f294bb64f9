import type { SeenAs } from '#core/training';
import { type CupToSee, SeenCup, seenText } from '../SeenAs';
import { inTray, letterName, type Ordering } from './model';

const CUP = 72;

/** The cups by letter, and how they are shown. */
export type ShownCups = { readonly cups: readonly CupToSee[]; readonly seen: SeenAs };

function OneCup({ letter, shown: { cups, seen } }: { letter: number; shown: ShownCups }) {
  const cup = cups[letter];
  return cup ? <SeenCup cup={cup} seen={seen} among={cups} size={CUP} /> : null;
}
/** "Cup B, lightness 63.2". */
function nameOf(letter: number, { cups, seen }: ShownCups): string {
  const cup = cups[letter];
  const text = cup ? seenText(cup, seen) : '';
  return `${letterName(letter)}${text ? `, ${text}` : ''}`;
}

/** Cups that are in no place yet, and the one in hand. */
export function CupTray({
  state,
  shown,
  onLift,
}: {
  state: Ordering;
  shown: ShownCups;
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
            aria-label={`Cup ${nameOf(letter, shown)}`}
            onClick={() => onLift(letter)}
          >
            <OneCup letter={letter} shown={shown} />
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
  shown,
  ranks,
  onPlace,
}: {
  state: Ordering;
  shown: ShownCups;
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
            aria-label={`Place ${at + 1}${letter === null ? ', empty' : `, cup ${nameOf(letter, shown)}`}`}
            onClick={() => onPlace(at)}
          >
            {letter === null ? (
              <span className="no-cup" aria-hidden="true" />
            ) : (
              <OneCup letter={letter} shown={shown} />
            )}
            <b>{wordsAt(letter, at)}</b>
            <small>{at + 1}</small>
          </button>
        ))}
      </div>
    </>
  );
}
