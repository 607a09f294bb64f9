import { useMemo, useReducer, useState } from 'react';
import { creditOf, ORDER_GUESS, scoreOrder, type SeenAs, wordsAtStrength } from '#core/training';
import { countWord } from '#core/units';
import type { OrderAsked } from '../drill.worker';
import { QuestionFrame } from '../QuestionFrame';
import type { Place } from '../Sitting';
import { useAnswer } from '../useAnswer';
import { CupDrag, CupLine, CupTray } from './Cups';
import { empty, letterName, lettersOf, ordered, toPlace } from './model';
import { OrderPaper } from './OrderPaper';

/** Cups of one liquor, to be set in order by touch or by keys. */
export function OneOrder({ question, place }: { question: OrderAsked; place: Place }) {
  const { order, given, seed } = question;
  const { answer, dispute } = useAnswer(seed);
  const [state, dispatch] = useReducer(ordered, given.shuffle.length, empty);
  const [seen, see] = useState<SeenAs>('colour');
  const shown = useMemo(() => {
    const cups = order.liquors.map((liquor, letter) => ({
      ...{
        liquor,
        words: wordsAtStrength(given.cup, order.strengths[given.shuffle[letter] ?? 0] ?? 1),
      },
    }));
    return { cups, seen };
  }, [order, given, seen]);
  const { score } = state;
  const isDone = score !== null && score.judged !== 'again';
  const letters = lettersOf(state);
  const submit = () => {
    if (!letters || isDone) return;
    const found = scoreOrder(given.shuffle, { letters });
    const { judged } = found;
    if (judged !== 'again') {
      answer(
        { drill: 'order', given, answer: { letters } },
        { credit: creditOf(judged), judged, guess: ORDER_GUESS },
      );
    }
    dispatch({ kind: 'submitted', score: found });
  };
  const left = toPlace(state);
  return (
    <QuestionFrame
      {...{ drill: 'order', level: given.level, place, isDone }}
      about={`cups of one ${given.cup.tea}, the lightest first`}
      label="The cups"
      next="Next round"
      submit={
        left > 0 ? `Submit: ${countWord(left)} ${left === 1 ? 'cup' : 'cups'} to place` : 'Submit'
      }
      canSubmit={left === 0}
      onSubmit={submit}
      onEnter={() => (state.lifted === null ? submit() : dispatch({ kind: 'set' }))}
      onUndo={() => dispatch({ kind: 'undo' })}
      onDispute={dispute}
      keys={[
        ...given.shuffle.map((_, letter) => ({
          key: letterName(letter).toLowerCase(),
          does: `Lift ${letterName(letter)}`,
          run: () => dispatch({ kind: 'lift', letter }),
        })),
        ...given.shuffle.map((_, at) => ({
          key: String(at + 1),
          does: `Place ${at + 1}`,
          run: () => dispatch({ kind: 'place', at }),
        })),
        {
          key: 'ArrowLeft',
          does: 'A place to the left',
          run: () => dispatch({ kind: 'move', by: -1 }),
        },
        {
          key: 'ArrowRight',
          does: 'A place to the right',
          run: () => dispatch({ kind: 'move', by: 1 }),
        },
      ]}
      paper={<OrderPaper score={score} left={left} seen={seen} onSee={see} />}
    >
      <CupDrag onDrop={(letter, at) => dispatch({ kind: 'drop', letter, at })}>
        <CupTray
          state={state}
          shown={shown}
          onLift={(letter) => dispatch({ kind: 'lift', letter })}
        />
        <CupLine
          state={state}
          shown={shown}
          ranks={isDone ? given.shuffle : null}
          onPlace={(at) => dispatch({ kind: 'place', at })}
        />
      </CupDrag>
      <p className="mt-3" role="status">
        {state.lifted === null
          ? 'Touch a cup or press its letter, then a place or its figure. Or drag a cup to a place.'
          : `Cup ${letterName(state.lifted)} is in your hand. Choose a place, or press left, right and Enter. Z undoes.`}
      </p>
    </QuestionFrame>
  );
}
