import { useState } from 'react';
import { CLARITIES, type Clarity, clarityAdvice, MOST_WORDS, type Observed } from '#core/brews';
import { LEAF_WORDS } from '#core/teas';
import { toggled } from '../../ui/toggled';
import { WordToggles } from '../../ui/WordToggles';
import { useBookQuery } from '../teas/api';

const isClarity = (word: string): boolean => (CLARITIES as readonly string[]).includes(word);
/** What a button says that opens a list of words: those that are chosen, or what they are for. */
const chosenOr = (chosen: readonly string[], words: string): string =>
  chosen.length > 0 ? chosen.join(', ') : words;

type Props = { teaId: string; observed: Observed; onObserved: (next: Observed) => void };
type List = 'words' | 'leaf';

/** What may be noted of a cup beside its marks: how clear it is, the house's words, words for the infused leaf. */
export function AlsoSeen({ teaId, observed, onObserved }: Props) {
  const { data: book } = useBookQuery();
  const [open, setOpen] = useState<List | null>(null);
  const traits = book?.teas.find((tea) => tea.id === teaId)?.leaf.traits ?? [];
  const advice = clarityAdvice(observed.clarity, traits);
  const lists: Record<List, { label: string; words: readonly string[] }> = {
    words: {
      label: 'Words for this cup',
      words: (book?.vocabulary ?? []).filter((word) => !isClarity(word)),
    },
    leaf: { label: 'Words for the infused leaf', words: LEAF_WORDS },
  };
  const toggle = (list: List, word: string) => {
    const next = toggled(observed[list], word);
    if (next.length <= MOST_WORDS) onObserved({ ...observed, [list]: next });
  };
  const opener = (list: List, words: string) => (
    <button
      type="button"
      className="toggle opens"
      aria-expanded={open === list}
      aria-label={`${lists[list].label}: ${chosenOr(observed[list], 'none')}`}
      onClick={() => setOpen(open === list ? null : list)}
    >
      {chosenOr(observed[list], words)}
    </button>
  );
  return (
    <section className="also-seen" aria-label="Also seen">
      <div className="also-row">
        <ClarityPick
          clarity={observed.clarity}
          onClarity={(clarity) => onObserved({ ...observed, clarity })}
        />
        {opener('words', 'Words')}
        {opener('leaf', 'Infused leaf')}
      </div>
      {advice && <p className="small">{advice}</p>}
      {open && (
        <WordToggles
          {...lists[open]}
          chosen={observed[open]}
          onToggle={(word) => toggle(open, word)}
        />
      )}
    </section>
  );
}

/** One touch says how clear the cup is; the same touch again takes it back. */
function ClarityPick({
  clarity,
  onClarity,
}: {
  clarity: Clarity | null;
  onClarity: (next: Clarity | null) => void;
}) {
  return (
    <div className="toggles" role="group" aria-label="Clarity">
      {CLARITIES.map((one) => (
        <button
          type="button"
          key={one}
          className="toggle"
          aria-pressed={clarity === one}
          onClick={() => onClarity(clarity === one ? null : one)}
        >
          {one}
        </button>
      ))}
    </div>
  );
}
