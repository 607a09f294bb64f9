import type { ReactNode } from 'react';

/** One thing to choose; after the answer it says what was right. */
export function Choice({
  words,
  isChosen,
  verdict,
  disabled,
  digit,
  onPick,
}: {
  words: string;
  isChosen: boolean;
  verdict: string;
  disabled: boolean;
  /** The key that chooses it. */
  digit?: number;
  onPick: () => void;
}) {
  return (
    <button
      type="button"
      className={`btn choice ${isChosen ? 'chosen' : ''}`}
      aria-pressed={isChosen}
      disabled={disabled}
      onClick={onPick}
    >
      {words}
      {digit !== undefined && (
        <>
          {' '}
          <kbd>{digit}</kbd>
        </>
      )}
      {verdict && <small>{verdict}</small>}
    </button>
  );
}

/** Choices of one question in a row beside its name. */
export function ChoiceRow({ name, children }: { name: string; children: ReactNode }) {
  return (
    <fieldset className="choice-row">
      <legend>{name}</legend>
      <div>{children}</div>
    </fieldset>
  );
}
