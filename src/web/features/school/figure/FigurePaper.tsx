import type { Judged } from '#core/training';
import type { FigureAsked } from '../drill.worker';
import { cupOfFigure, type FigureSheet } from './sheet';

const TITLES: Readonly<Record<Judged, string>> = {
  right: 'Right',
  near: 'Nearly',
  wrong: 'Not yet',
};

/** After the answer: verdict, how it is worked out, what the figure does to the cup, one sentence of the trade. */
export function FigurePaper({
  question,
  sheet,
  answered,
}: {
  question: FigureAsked;
  sheet: FigureSheet;
  answered: { readonly value: number; readonly judged: Judged } | null;
}) {
  if (!answered)
    return (
      <>
        <h2>Answer</h2>
        <p className="mt-2" role="status">
          {sheet.choices ? 'Choose one figure.' : 'Pull the mark along the rule, or type a figure.'}
        </p>
        <p className="small mt-4">
          Work it out as you would at the counter. There is no time limit.
        </p>
      </>
    );
  const { value, judged } = answered;
  const mistake = sheet.mistake(value);
  return (
    <>
      <h2>Answer</h2>
      <div role="status">
        <p className="text-[32px] font-semibold leading-[1.15]">{TITLES[judged]}</p>
        <p className="text-[19px] font-semibold">
          {sheet.text(question.figure.shown)} {sheet.unit}
        </p>
        {judged !== 'right' && (
          <p>
            You answered {sheet.text(value)} {sheet.unit}
            {mistake && `: ${mistake}`}. {cupOfFigure(question, value)}
          </p>
        )}
      </div>
      <h2 className="mt-4">Worked out</h2>
      {sheet.working.map((line) => (
        <p key={line}>{line}</p>
      ))}
      <p className="mt-4">{sheet.lesson}</p>
    </>
  );
}
