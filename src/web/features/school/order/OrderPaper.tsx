import type { OrderScore } from '#core/training';
import { countWord, numberText } from '#core/units';
import type { Seen } from './Cups';

const TITLES = { right: 'Right', near: 'Nearly', wrong: 'Not yet', again: 'The other way round' };

function resultWords({ judged, inversions }: OrderScore): string {
  if (judged === 'again')
    return 'The darkest was set first. Set the lightest first and submit again: nothing was counted.';
  if (inversions === 0) return 'Every cup is in its place.';
  const pairs = inversions === 1 ? '1 pair is' : `${inversions} pairs are`;
  return `${pairs} the wrong way round. Compare neighbours over white, and look away between two.`;
}
const Result = ({ score }: { score: OrderScore }) => (
  <>
    <p className="text-[32px] font-semibold leading-[1.15]">{TITLES[score.judged]}</p>
    <p>{resultWords(score)}</p>
  </>
);

const waitingWords = (left: number): string =>
  left === 0
    ? 'Every cup has its place. Look at two neighbours at a time.'
    : `${countWord(left)[0]?.toUpperCase() ?? ''}${countWord(left).slice(1)} ${left === 1 ? 'cup' : 'cups'} left. Look at two neighbours at a time, over white, straight down.`;

/** Before the answer: what helps to see; after it: how the order was. */
export function OrderPaper({
  score,
  left,
  apart,
  seen,
  onSee,
}: {
  score: OrderScore | null;
  left: number;
  /** Distance from one cup to the next, CIEDE2000. */
  apart: number;
  seen: Seen;
  onSee: (seen: Seen) => void;
}) {
  return (
    <>
      <h2>{score ? 'Answer' : 'Before you submit'}</h2>
      <div role="status">{score ? <Result score={score} /> : <p>{waitingWords(left)}</p>}</div>
      <h2 className="mt-5">Another way to see the cups</h2>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn slim"
          aria-pressed={seen === 'figures'}
          onClick={() => onSee(seen === 'figures' ? 'colour' : 'figures')}
        >
          {seen === 'figures' ? 'Show the colours' : 'Show how light each is, in figures'}
        </button>
      </div>
      <p className="small mt-2">Nothing is kept about which way was chosen.</p>
      <p className="small mt-4">
        Neighbours differ by {numberText(apart)} ΔE00 here; right rounds bring them closer. A screen
        that dims or tints colours makes this harder: the screen check is at the Table.
      </p>
    </>
  );
}
