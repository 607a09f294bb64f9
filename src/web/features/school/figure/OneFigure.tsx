import { useMemo, useReducer } from 'react';
import {
  choicesOf,
  creditOf,
  type DrillTask,
  type FigureAnswer,
  figureGuess,
  type FigureQuestion,
  type FigureValue,
  figureWords,
  judgedFigure,
} from '#core/training';
import { unbroken } from '../../../ui/unbroken';
import type { FigureAsked } from '../drill.worker';
import { QuestionFrame } from '../QuestionFrame';
import type { Place } from '../Sitting';
import { useAnswer } from '../useAnswer';
import { CannotButton, FigureChoices, FigureRule } from './FigureInput';
import { FigurePaper } from './FigurePaper';
import { BLANK, figured } from './model';
import { FigureScene } from './scenes';

const taskOf = (question: FigureQuestion, answer: FigureAnswer): DrillTask => ({
  ...question,
  answer,
});

/** One figure: what is known and asked, the answer by a choice, a rule or typed, and how it is worked out. */
export function OneFigure({
  asked: { seed, question, figure },
  place,
}: {
  asked: FigureAsked;
  place: Place;
}) {
  const { answer, dispute } = useAnswer(seed);
  const words = useMemo(() => figureWords(question), [question]);
  const { level } = question.given;
  const choices = choicesOf(figure, level);
  const [{ value, isDone }, dispatch] = useReducer(figured, BLANK);
  const setValue = (to: FigureValue) => dispatch({ kind: 'value', value: to });
  const submit = () => {
    if (value === null || isDone) return;
    const judged = judgedFigure(figure, value);
    answer(taskOf(question, { value }), {
      ...{ credit: creditOf(judged), judged, guess: figureGuess(choices) },
    });
    dispatch({ kind: 'submitted' });
  };
  const pulled = typeof value === 'number' ? value : null;
  const answered = isDone && value !== null ? { value, judged: judgedFigure(figure, value) } : null;
  return (
    <QuestionFrame
      {...{ drill: question.drill, level, place, isDone }}
      canSubmit={value !== null}
      onSubmit={submit}
      onUndo={() => dispatch({ kind: 'undo' })}
      onDispute={dispute}
      keys={[
        ...(choices ?? []).map((choice, i) => ({
          key: String(i + 1),
          does: `Choose ${words.text(choice)} ${words.unit}`,
          run: () => setValue(choice),
        })),
        ...(words.cannot === null
          ? []
          : [{ key: '0', does: words.cannot, run: () => setValue('cannot') }]),
      ]}
      paper={<FigurePaper {...{ figure, words, answered, hasChoices: choices !== null }} />}
    >
      <p className="text-[21px]">
        {words.tea && (
          <>
            <span className="tea">{words.tea}</span>.{' '}
          </>
        )}
        {unbroken(words.known)}
      </p>
      <p className="text-[24px] font-semibold mt-2">{unbroken(words.asked)}</p>
      <h2 className="mt-4">{words.question}</h2>
      {choices ? (
        <FigureChoices {...{ figure, words, choices, value: pulled, isDone }} onValue={setValue} />
      ) : (
        <FigureRule
          {...{ words, value: pulled }}
          right={isDone && !figure.impossible ? figure.right : null}
          isDone={isDone}
          onValue={setValue}
        />
      )}
      {words.cannot !== null && (
        <CannotButton
          words={words.cannot}
          isChosen={value === 'cannot'}
          verdict={isDone && figure.impossible ? 'right' : ''}
          isDone={isDone}
          onChoose={() => setValue('cannot')}
        />
      )}
      <FigureScene
        {...{ question, value: pulled, isDone, truth: figure.truth }}
        onValue={setValue}
      />
    </QuestionFrame>
  );
}
