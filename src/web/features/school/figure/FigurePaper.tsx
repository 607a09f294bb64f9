import {
  type Figure,
  type FigureValue,
  type FigureWords,
  type Judged,
  mistakeOf,
} from '#core/training';
import { VERDICT_WORDS } from '../verdictWords';

/** What was answered, where it was not right: the mistake it comes from, and what it does to the cup. */
function Answered({
  figure,
  words,
  value,
}: {
  figure: Figure;
  words: FigureWords;
  value: FigureValue;
}) {
  if (value === 'cannot') return <p>You answered: {words.cannot}.</p>;
  const mistake = mistakeOf(figure, value);
  const why = mistake === null ? '' : words.mistake(mistake);
  return (
    <p>
      You answered {words.text(value)} {words.unit}
      {why && `: ${why}`}. {words.inCup(value)}
    </p>
  );
}

/** After the answer: verdict, how it is worked out, what the figure does to the cup, one sentence of the trade. */
export function FigurePaper({
  figure,
  words,
  answered,
  hasChoices,
}: {
  figure: Figure;
  words: FigureWords;
  answered: { readonly value: FigureValue; readonly judged: Judged } | null;
  hasChoices: boolean;
}) {
  if (!answered)
    return (
      <>
        <h2>Answer</h2>
        <p className="mt-2" role="status">
          {hasChoices ? 'Choose one figure.' : 'Pull the mark along the rule, or type a figure.'}
        </p>
        <p className="small mt-4">Calculate as you do at the counter. There is no time limit.</p>
      </>
    );
  const { value, judged } = answered;
  return (
    <>
      <h2>Answer</h2>
      <div role="status">
        <p className="text-[32px] font-semibold leading-[1.15]">{VERDICT_WORDS[judged]}</p>
        <p className="text-[19px] font-semibold">
          {figure.impossible ? words.cannot : `${words.text(figure.shown)} ${words.unit}`}
        </p>
        {judged !== 'right' && <Answered {...{ figure, words, value }} />}
      </div>
      <h2 className="mt-4">Worked out</h2>
      {words.working.map((line) => (
        <p key={line}>{line}</p>
      ))}
      <p className="mt-4">{words.lesson}</p>
    </>
  );
}
