import { useMemo, useReducer } from 'react';
import {
  creditOf,
  type DrillTask,
  judgedPicks,
  type PickAnswer,
  type PickQuestion,
  type PickWorked,
  workPick,
} from '#core/training';
import { unbroken } from '../../../ui/unbroken';
import { Choice } from '../Choice';
import { QuestionFrame } from '../QuestionFrame';
import type { Place } from '../Sitting';
import { useAnswer } from '../useAnswer';
import { isWhole, picking, unpicked } from './model';
import { PickPaper } from './PickPaper';
import { PartScene, QuestionScene } from './scenes';

const taskOf = (question: PickQuestion, answer: PickAnswer): DrillTask => ({
  ...question,
  answer,
});

type Props = { seed: number; question: PickQuestion; place: Place };
/** One thing to pick, or several. */
export function OnePick(props: Props) {
  const worked = useMemo(() => workPick(props.question), [props.question]);
  return worked && <Picked {...{ ...props, worked }} />;
}

function Picked({ seed, question, place, worked }: Props & { worked: PickWorked }) {
  const { answer, dispute } = useAnswer(seed);
  const { parts, known, tea } = worked;
  const reduce = useMemo(() => picking(parts), [parts]);
  const [state, dispatch] = useReducer(reduce, parts, unpicked);
  const { picks, isDone, part: at } = state;
  const submit = () => {
    const judged = judgedPicks(worked, { picks });
    const { guess } = worked;
    answer(taskOf(question, { picks }), { credit: creditOf(judged), judged, guess });
    dispatch({ kind: 'submitted' });
  };
  const verdictOf = (part: number, id: string) => {
    const isRight = parts[part]?.right.includes(id);
    if (!isDone || (!isRight && !picks[part]?.includes(id))) return '';
    return isRight ? 'right' : 'not this';
  };
  return (
    <QuestionFrame
      {...{ drill: question.drill, level: question.given.level, place, isDone }}
      canSubmit={isWhole(parts, state)}
      onSubmit={submit}
      onUndo={() => dispatch({ kind: 'undo' })}
      onDispute={dispute}
      keys={(parts[at]?.options ?? []).slice(0, 9).map((option, i) => ({
        key: String(i + 1),
        does: option.text,
        run: () => dispatch({ kind: 'pick', part: at, id: option.id }),
      }))}
      paper={
        <PickPaper
          worked={worked}
          isMany={parts.some((p) => p.many)}
          answered={isDone ? { picks } : null}
        />
      }
    >
      {known.map((line, i) => (
        <p key={line} className={i === 0 ? 'text-[21px]' : 'mt-2 text-[19px]'}>
          {i === 0 && tea !== null && (
            <>
              <span className="tea">{tea}</span>.{' '}
            </>
          )}
          {unbroken(line)}
        </p>
      ))}
      <QuestionScene question={question} />
      {parts.map((part, i) => (
        <fieldset key={i} className="mt-4 border-0 p-0">
          <legend className="text-[19px] font-semibold">{unbroken(part.asked)}</legend>
          <PartScene question={question} part={i} />
          <div className="flex flex-wrap gap-2 mt-2">
            {part.options.map((option, n) => (
              <Choice
                key={option.id}
                words={option.text}
                isChosen={picks[i]?.includes(option.id) ?? false}
                verdict={verdictOf(i, option.id)}
                disabled={isDone}
                {...(i === at && n < 9 && !isDone && { digit: n + 1 })}
                onPick={() => dispatch({ kind: 'pick', part: i, id: option.id })}
              />
            ))}
          </div>
        </fieldset>
      ))}
    </QuestionFrame>
  );
}
