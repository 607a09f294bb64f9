import { useEffect, useMemo, useReducer } from 'react';
import { judgedShift, SHIFT_PACE, type ShiftGiven } from '#core/training';
import { useGo } from '../../../platform/useGo';
import type { Place } from '../Sitting';
import { useAnswer } from '../useAnswer';
import { Begin } from './Begin';
import { Debrief } from './Debrief';
import { READY, running } from './model';
import { RunningShift } from './RunningShift';
import { useShiftClock } from './useShiftClock';

/** A shift: how it is begun, how it is run, and what came of it. */
export function OneShift({
  seed,
  given,
  place,
}: {
  seed: number;
  given: ShiftGiven;
  place: Place;
}) {
  const { answer, dispute } = useAnswer(seed);
  const reduce = useMemo(() => running(given), [given]);
  const [shift, dispatch] = useReducer(reduce, READY);
  const go = useGo();
  const isDone = shift.stage === 'done';
  const acts = shift.stage === 'ready' ? null : shift.acts;
  useShiftClock(
    shift.stage === 'running' && !shift.isStepped && !shift.isPaused,
    SHIFT_PACE[given.level],
    dispatch,
  );
  useEffect(() => {
    if (!isDone || !acts) return;
    const worth = judgedShift(given, { acts });
    if (!worth) return;
    const { credit, judged, guess } = worth;
    answer({ drill: 'shift', given, answer: { acts } }, { credit, judged, guess });
  }, [isDone, acts, given, answer]);
  switch (shift.stage) {
    case 'ready':
      return (
        <Begin
          given={given}
          place={place}
          onBegin={(isStepped) => dispatch({ kind: 'begin', isStepped })}
        />
      );
    case 'running':
      return <RunningShift given={given} shift={shift} place={place} dispatch={dispatch} />;
    case 'done':
      return (
        <Debrief
          given={given}
          acts={shift.acts}
          place={place}
          onNext={() => (place.at === place.of ? go('/school') : place.onNext())}
          onDispute={dispute}
        />
      );
  }
}
