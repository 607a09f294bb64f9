import { useReducer, useState } from 'react';
import { creditOf, ORDER_GUESS, scoreOrder } from '#core/training';
import { countWord } from '#core/units';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { AnswerFoot } from '../AnswerFoot';
import type { OrderAsked } from '../drill.worker';
import { DrillHead } from '../DrillHead';
import type { Place } from '../Sitting';
import { useAnswer } from '../useAnswer';
import { CupLine, CupTray, type Seen } from './Cups';
import { empty, letterName, lettersOf, ordered, toPlace } from './model';
import { OrderPaper } from './OrderPaper';

/** Cups of one liquor, to be set in order by touch or by keys. */
export function OneOrder({ question, place }: { question: OrderAsked; place: Place }) {
  const { order, given, seed } = question;
  const go = useGo();
  const { answer, dispute } = useAnswer(seed);
  const [state, dispatch] = useReducer(ordered, given.shuffle.length, empty);
  const [seen, see] = useState<Seen>('colour');
  const { score } = state;
  const isDone = score !== null && score.judged !== 'again';
  const letters = lettersOf(state);
  const isLast = place.at === place.of;
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
  const next = () => (isLast ? go('/school') : place.onNext());
  const enter = () => (state.lifted === null ? submit() : dispatch({ kind: 'set' }));
  useKeys([
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
    { key: 'z', does: 'Take the last step back', run: () => dispatch({ kind: 'undo' }) },
    { key: 'Enter', does: 'Set down, or submit', run: enter },
    { key: ' ', does: isDone ? 'Next round' : 'Submit', run: isDone ? next : submit },
    { key: 'Escape', does: 'Leave: answers are kept', run: () => go('/school') },
  ]);
  const left = toPlace(state);
  return (
    <main className="page split diagnose">
      <DrillHead
        drill="order"
        words={`${place.at} of ${place.of}, cups of one ${given.cup.tea}, the lightest first, level ${given.level}`}
      />
      <section className="work" role="group" aria-label="The cups" tabIndex={0}>
        <CupTray
          state={state}
          order={order}
          seen={seen}
          onLift={(letter) => dispatch({ kind: 'lift', letter })}
        />
        <CupLine
          state={state}
          order={order}
          seen={seen}
          ranks={isDone ? given.shuffle : null}
          onPlace={(at) => dispatch({ kind: 'place', at })}
        />
        <p className="mt-3" role="status">
          {state.lifted === null
            ? 'Touch a cup or press its letter, then a place or its figure.'
            : `Cup ${letterName(state.lifted)} is in your hand. Choose a place, or press left, right and Enter. Z undoes.`}
        </p>
      </section>
      <section className="paper" aria-label="Answer">
        <OrderPaper score={score} left={left} seen={seen} onSee={see} />
        <div className="foot">
          {isDone ? (
            <AnswerFoot isLast={isLast} next="Next round" onNext={next} onDispute={dispute} />
          ) : (
            <button type="button" className="btn go" disabled={left > 0} onClick={submit}>
              {left > 0
                ? `Submit: ${countWord(left)} ${left === 1 ? 'cup' : 'cups'} to place`
                : 'Submit'}
            </button>
          )}
        </div>
      </section>
    </main>
  );
}
