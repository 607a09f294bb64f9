import { useEffect, useMemo, useReducer, useState } from 'react';
import {
  creditOf,
  POUR_RATE,
  poured,
  TURNS_GUESS,
  TURNS_TAPPED,
  type TurnsGiven,
} from '#core/training';
import { QuestionFrame } from '../QuestionFrame';
import type { Place } from '../Sitting';
import { useAnswer } from '../useAnswer';
import { Cups } from './Cups';
import { pouredMl, pouring, UNPOURED } from './model';
import { TurnsPaper } from './TurnsPaper';

/** A held hand pours in steps of so long, ms. */
const STEP_MS = 50;
/** A pour of what is left, so that the last drop is no test of patience, ml. */
const LAST_DROPS = 2;

/** One vessel poured into cups: by taps, or by holding as a hand does. */
export function OneVessel({
  seed,
  given,
  place,
}: {
  seed: number;
  given: TurnsGiven;
  place: Place;
}) {
  const { answer, dispute } = useAnswer(seed);
  const reduce = useMemo(() => pouring(given), [given]);
  const [state, dispatch] = useReducer(reduce, UNPOURED);
  const [held, hold] = useState<number | null>(null);
  const isTapped = given.level <= TURNS_TAPPED;
  const { liquorMl, cups } = given;
  const left = liquorMl - pouredMl(state);
  const { isDone, pours } = state;
  const isEmpty = left <= 0;
  useEffect(() => {
    if (held === null || isEmpty) return;
    const timer = setInterval(
      () => dispatch({ kind: 'pour', cup: held, ml: (POUR_RATE * STEP_MS) / 1000 }),
      STEP_MS,
    );
    return () => {
      clearInterval(timer);
      dispatch({ kind: 'lift' });
    };
  }, [held, isEmpty]);
  const tap = (cup: number) => {
    dispatch({ kind: 'pour', cup, ml: liquorMl / cups / 2 });
    dispatch({ kind: 'lift' });
  };
  /** By keys a cup is begun and set down by the same figure. */
  const press = (cup: number) => {
    if (isTapped) tap(cup);
    else hold((now) => (now === cup ? null : cup));
  };
  const submit = () => {
    hold(null);
    const { judged } = poured({ ...given, pours });
    answer(
      { drill: 'turns', given, answer: { pours } },
      { credit: creditOf(judged), judged, guess: TURNS_GUESS },
    );
    dispatch({ kind: 'submitted' });
  };
  return (
    <QuestionFrame
      {...{ drill: 'turns', level: given.level, place, isDone }}
      canSubmit={left <= LAST_DROPS}
      onSubmit={submit}
      onUndo={() => {
        hold(null);
        dispatch({ kind: 'undo' });
      }}
      onDispute={dispute}
      keys={Array.from({ length: cups }, (_, cup) => ({
        key: String(cup + 1),
        does: isTapped ? `Half a cup into cup ${cup + 1}` : `Pour into cup ${cup + 1}, or stop`,
        run: () => press(cup),
      }))}
      paper={<TurnsPaper given={given} pours={isDone ? pours : null} left={left} />}
    >
      <p className="text-[21px]">
        <span className="tea">{given.tea}</span>. {given.vesselName}: {Math.round(liquorMl)} ml of
        liquor, not stirred. The first liquor is weaker than the last liquor.
      </p>
      <p className="text-[24px] font-semibold mt-2">Fill {cups} cups equally, to the last drop.</p>
      <Cups {...{ given, pours, held, isDone, isTapped, left }} onTap={tap} onHold={hold} />
    </QuestionFrame>
  );
}
