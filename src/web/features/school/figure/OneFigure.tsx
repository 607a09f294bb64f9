import { useMemo, useReducer } from 'react';
import { creditOf, type DrillTask, figureGuess, judgedFigure } from '#core/training';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { AnswerFoot } from '../AnswerFoot';
import type { FigureAsked } from '../drill.worker';
import { DrillHead } from '../DrillHead';
import type { Place } from '../Sitting';
import { useAnswer } from '../useAnswer';
import { AskedVessel } from './AskedVessel';
import { FigureChoices, FigureRule } from './FigureInput';
import { FigurePaper } from './FigurePaper';
import { BLANK, figured } from './model';
import { sheetOf } from './sheet';

const taskOf = ({ drill, given }: FigureAsked, value: number): DrillTask =>
  drill === 'scale' ? { drill, given, answer: { value } } : { drill, given, answer: { value } };

/** One figure: what is known and asked, the answer by a choice, a rule or typed, and how it is worked out. */
export function OneFigure({ question, place }: { question: FigureAsked; place: Place }) {
  const { drill, given, figure, seed } = question;
  const go = useGo();
  const { answer, dispute } = useAnswer(seed);
  const sheet = useMemo(() => sheetOf(question), [question]);
  const { choices } = sheet;
  const [{ value, isDone }, dispatch] = useReducer(figured, BLANK);
  const isLast = place.at === place.of;
  const setValue = (to: number) => dispatch({ kind: 'value', value: to });
  const submit = () => {
    if (value === null || isDone) return;
    const judged = judgedFigure(figure, value);
    answer(taskOf(question, value), {
      ...{ credit: creditOf(judged), judged, guess: figureGuess(choices) },
    });
    dispatch({ kind: 'submitted' });
  };
  const next = () => (isLast ? go('/school') : place.onNext());
  useKeys([
    ...(choices ?? []).map((choice, i) => ({
      key: String(i + 1),
      does: `Choose ${sheet.text(choice)} ${sheet.unit}`,
      run: () => setValue(choice),
    })),
    { key: 'z', does: 'Take the last step back', run: () => dispatch({ kind: 'undo' }) },
    { key: 'Enter', does: 'Submit', run: submit },
    { key: ' ', does: isDone ? 'Next question' : 'Submit', run: isDone ? next : submit },
    { key: 'Escape', does: 'Leave: answers are kept', run: () => go('/school') },
  ]);
  const answered = isDone && value !== null ? { value, judged: judgedFigure(figure, value) } : null;
  return (
    <main className="page split diagnose">
      <DrillHead drill={drill} words={`${place.at} of ${place.of}, level ${given.level}`} />
      <section className="work" role="group" aria-label="The question" tabIndex={0}>
        <p className="text-[21px]">
          <span className="tea">{given.tea}</span>. {sheet.known}
        </p>
        <p className="text-[24px] font-semibold mt-2">{sheet.asked}</p>
        <h2 className="mt-4">{sheet.question}</h2>
        {choices ? (
          <FigureChoices
            {...{ sheet, choices, value }}
            right={isDone ? figure.shown : null}
            onValue={setValue}
          />
        ) : (
          <FigureRule
            {...{ sheet, value }}
            right={isDone ? figure.right : null}
            onValue={setValue}
          />
        )}
        <AskedVessel question={question} />
      </section>
      <section className="paper" aria-label="Answer">
        <FigurePaper {...{ question, sheet, answered }} />
        <div className="foot">
          {isDone ? (
            <AnswerFoot isLast={isLast} next="Next question" onNext={next} onDispute={dispute} />
          ) : (
            <button type="button" className="btn go" disabled={value === null} onClick={submit}>
              Submit <kbd>Enter</kbd>
            </button>
          )}
        </div>
      </section>
    </main>
  );
}
