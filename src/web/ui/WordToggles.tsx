import { useState } from 'react';

/** Words that fit, each a touch; one's own beside those of the list. `label` names the group. */
export function WordToggles({
  label,
  words,
  chosen,
  onToggle,
}: {
  label: string;
  words: readonly string[];
  chosen: readonly string[];
  onToggle: (w: string) => void;
}) {
  const [own, setOwn] = useState<string | null>(null);
  const all = [...words, ...chosen.filter((w) => !words.includes(w))];
  return (
    <div className="toggles" role="group" aria-label={label}>
      {all.map((w) => (
        <button
          type="button"
          key={w}
          className="toggle"
          aria-pressed={chosen.includes(w)}
          onClick={() => onToggle(w)}
        >
          {w}
        </button>
      ))}
      {own === null ? (
        <button type="button" className="toggle" onClick={() => setOwn('')}>
          another
        </button>
      ) : (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            if (own.trim()) onToggle(own.trim().slice(0, 40));
            setOwn(null);
          }}
        >
          <input
            className="box w-[140px]"
            aria-label="Another word"
            autoFocus
            value={own}
            maxLength={40}
            onChange={(e) => setOwn(e.target.value)}
            onBlur={() => {
              if (own.trim()) onToggle(own.trim().slice(0, 40));
              setOwn(null);
            }}
          />
        </form>
      )}
    </div>
  );
}
