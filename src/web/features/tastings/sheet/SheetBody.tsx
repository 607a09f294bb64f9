import { ATTRIBUTE_NAMES, COLOUR_STEPS } from '#core/corrections';
import { type ExerciseKind, EXERCISES, type Sheet } from '#core/tastings';
import { LEAF_WORDS } from '#core/teas';
import { TasteBoard } from '../../../entities/brews/TasteBoard';
import { toggled } from '../../../ui/toggled';
import { WordToggles } from '../../../ui/WordToggles';
import { marked, openAttributes, openWords, restRight } from './model';
import { ScoreBoard } from './ScoreBoard';
import type { Step } from './seat';
import { Liking } from './sheetParts';

type Props = { sheet: Sheet; onWrite: (next: Sheet) => void };
type Given = Props & {
  /** The house's words for teas. */
  words: readonly string[];
  /** A guest marks what is right for a guest: nobody else knows the house's cup. */
  isGuest: boolean;
};

function Look({ sheet, onWrite, isGuest }: Given) {
  return (
    <>
      <p className="small">
        Side by side, from above, on white. Against{' '}
        {isGuest ? 'what you would like' : 'the house cup as you know it'}.
      </p>
      <div className="look" role="radiogroup" aria-label="Colour">
        {COLOUR_STEPS.map((s) => (
          <button
            type="button"
            role="radio"
            key={s.mark}
            aria-checked={sheet.marks.colour === s.mark}
            onClick={() => onWrite(marked(sheet, 'colour', s.mark))}
          >
            {s.word}
          </button>
        ))}
      </div>
    </>
  );
}
function Leaf({ sheet, onWrite }: Props) {
  const chosen = sheet.leafWords ?? [];
  return (
    <>
      <p className="small">
        The opened leaf: its size, its colour, how far it has opened. Any words that fit.
      </p>
      <WordToggles
        label="Words"
        words={LEAF_WORDS}
        chosen={chosen}
        onToggle={(w) => onWrite({ ...sheet, leafWords: toggled(chosen, w) })}
      />
    </>
  );
}
function HouseWords({ sheet, onWrite, words }: Given) {
  return (
    <WordToggles
      label="Words"
      words={words}
      chosen={sheet.words}
      onToggle={(w) => onWrite({ ...sheet, words: toggled(sheet.words, w) })}
    />
  );
}
function Smell(props: Given) {
  return (
    <>
      <p className="small">Over the bowl, before the spoon. Words of this house, any that fit.</p>
      <HouseWords {...props} />
    </>
  );
}
function Score({ sheet, onWrite, open }: Props & { open: readonly string[] }) {
  const still = open.length === 1 ? 'is' : 'are';
  return (
    <>
      <p className="small">
        Spoon, slurp, wait. How strong each is, whether you like it or not
        {open.length > 0 && `; ${open.join(', ')} ${still} open`}.
      </p>
      <ScoreBoard
        scores={sheet.scores ?? {}}
        onScore={(what, v) => onWrite({ ...sheet, scores: { ...sheet.scores, [what]: v } })}
      />
    </>
  );
}
function Taste(props: Given & { open: readonly string[] }) {
  const { sheet, onWrite, open, isGuest } = props;
  return (
    <>
      <TasteBoard verdict={sheet.marks} onMark={(what, m) => onWrite(marked(sheet, what, m))} />
      {open.length > 0 && (
        <button type="button" className="btn quiet slim" onClick={() => onWrite(restRight(sheet))}>
          {open.length === ATTRIBUTE_NAMES.length ? 'Everything is right' : 'The rest is right'}
        </button>
      )}
      <p className="small">
        Spoon, slurp, wait. Mark {isGuest ? 'what is right for you' : 'against the house cup'}
        {openWords(open)}.
      </p>
      <Liking value={sheet.liking} onValue={(liking) => onWrite({ ...sheet, liking })} />
      <h3 className="text-[15px] font-semibold mt-2">
        Words<small> of this house, any that fit</small>
      </h3>
      <HouseWords {...props} />
    </>
  );
}

/** One step of one cup: look, leaf, smell, taste. */
export function SheetBody({ kind, step, ...given }: Given & { kind: ExerciseKind; step: Step }) {
  const { sheet } = given;
  const open = openAttributes(sheet, kind);
  switch (step) {
    case 'Look':
      return <Look {...given} />;
    case 'Leaf':
      return <Leaf {...given} />;
    case 'Smell':
      return <Smell {...given} />;
    case 'Taste':
      return EXERCISES[kind].asks === 'scores' ? (
        <Score {...given} open={open} />
      ) : (
        <Taste {...given} open={open} />
      );
  }
}
