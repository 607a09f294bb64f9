import type { OrderScore, SeenAs } from '#core/training';
import { countWord } from '#core/units';
import { SeenAsChoice } from '../SeenAs';
import { VERDICT_WORDS } from '../verdictWords';

const TITLES = { ...VERDICT_WORDS, again: 'Darkest first' };

function resultWords({ judged, inversions }: OrderScore): string {
  if (judged === 'again')
    return 'The darkest cup was set first. Set the lightest cup first and submit again. This try does not count.';
  if (inversions === 0) return 'Every cup is in its place.';
  const pairs = inversions === 1 ? '1 pair is' : `${inversions} pairs are`;
  return `${pairs} in the wrong order. Compare two neighbours on white, and rest your eyes between cups.`;
}
const Result = ({ score }: { score: OrderScore }) => (
  <>
    <p className="text-[32px] font-semibold leading-[1.15]">{TITLES[score.judged]}</p>
    <p>{resultWords(score)}</p>
  </>
);

const waitingWords = (left: number): string =>
  left === 0
    ? 'Every cup has its place. Compare two neighbours at a time.'
    : `${countWord(left)[0]?.toUpperCase() ?? ''}${countWord(left).slice(1)} ${left === 1 ? 'cup' : 'cups'} left. Compare two neighbours at a time. Look straight down on white.`;

/** Before the answer: what helps to see; after it: how the order was. */
export function OrderPaper({
  score,
  left,
  seen,
  onSee,
}: {
  score: OrderScore | null;
  left: number;
  seen: SeenAs;
  onSee: (seen: SeenAs) => void;
}) {
  return (
    <>
      <h2>{score ? 'Answer' : 'Before you submit'}</h2>
      <div role="status">{score ? <Result score={score} /> : <p>{waitingWords(left)}</p>}</div>
      <h2 className="mt-5 mb-2">How the cups are shown</h2>
      <SeenAsChoice seen={seen} onSee={onSee} />
      <p className="small mt-2">Your choice is not saved.</p>
      <p className="small mt-4">
        After a right answer the next cups look more alike. A screen that changes colours makes this
        drill harder. Check the screen at the Table.
      </p>
    </>
  );
}
