import { useState } from 'react';
import { ATTRIBUTES } from '#core/corrections';
import { Note } from '../../../ui/Note';
import type { SheetView } from './seat';

/** A pair, a triangle or a duo-trio: one bowl is chosen. */
export function Choose({
  view,
  codes,
  onHandIn,
}: {
  view: SheetView;
  codes: readonly string[];
  onHandIn: (code: string) => void;
}) {
  const [chosen, setChosen] = useState<string | null>(null);
  const question = questionOf(view);
  return (
    <>
      <h1 className="text-[24px] font-bold px-4 pt-4">{question}</h1>
      <p className="small px-4">
        Taste from left to right, water between. You must choose, even if it is a guess.
      </p>
      <div className="bowls" role="radiogroup" aria-label={question}>
        {codes.map((c) => (
          <button
            type="button"
            role="radio"
            key={c}
            aria-checked={chosen === c}
            onClick={() => setChosen(c)}
          >
            <span className="bowl" aria-hidden="true" />
            <b>{c}</b>
          </button>
        ))}
      </div>
      {codes.length < 2 && <Note>Cups were left out: nothing can be chosen.</Note>}
      <div className="foot">
        <button
          type="button"
          className="btn go"
          disabled={chosen === null}
          onClick={() => chosen && onHandIn(chosen)}
        >
          {chosen ? `Submit ${chosen}` : 'Choose one'}
        </button>
      </div>
    </>
  );
}

/** What is asked of whoever must choose. */
function questionOf(view: SheetView) {
  if (view.kind === 'triangle') return 'Two are the same tea. Which is the odd one?';
  if (view.kind === 'duoTrio') return 'Which one is the same as the reference?';
  if (view.asks === 'preferred') return 'Which do you like better?';
  return `Which has more: ${ATTRIBUTES[view.asks].label.toLowerCase()}?`;
}
