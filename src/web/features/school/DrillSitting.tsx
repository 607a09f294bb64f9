import {
  DIAGNOSIS_GUESS,
  type Drill,
  figureGuess,
  isFigureDrill,
  isPickDrill,
  ORDER_GUESS,
  PICK_DRILLS,
  SHIFT_GUESS,
  TURNS_GUESS,
} from '#core/training';
import { OneCup } from './diagnose/OneCup';
import { drawCup, drawCups, drawOrders, drawVessel, FIGURE_DRAWS, PICK_DRAWS } from './drill';
import { OneFigure } from './figure/OneFigure';
import { OneOrder } from './order/OneOrder';
import { OnePick } from './pick/OnePick';
import { OneShift } from './shift/OneShift';
import { type Place, Sitting } from './Sitting';
import { OneVessel } from './turns/OneVessel';

/** A level follows from answers as if the figure were typed, whether it was or not. */
const FIGURE_GUESS = figureGuess(null);

/** Questions of one drill; `within`: one question of a sitting of several drills. */
export function DrillSitting({ drill, within }: { drill: Drill; within?: Place }) {
  if (isFigureDrill(drill))
    return (
      <Sitting drill={drill} guess={FIGURE_GUESS} draw={FIGURE_DRAWS[drill]} within={within}>
        {(question, place) => <OneFigure key={question.seed} asked={question} place={place} />}
      </Sitting>
    );
  if (isPickDrill(drill))
    return (
      <Sitting
        drill={drill}
        guess={PICK_DRILLS[drill].guess}
        draw={PICK_DRAWS[drill]}
        within={within}
      >
        {({ seed, question }, place) => (
          <OnePick key={seed} seed={seed} question={question} place={place} />
        )}
      </Sitting>
    );
  switch (drill) {
    case 'diagnose':
      return (
        <Sitting drill={drill} guess={DIAGNOSIS_GUESS} draw={drawCup} within={within}>
          {(question, place) => <OneCup key={question.seed} question={question} place={place} />}
        </Sitting>
      );
    case 'order':
      return (
        <Sitting drill={drill} guess={ORDER_GUESS} draw={drawCups} within={within}>
          {(question, place) => <OneOrder key={question.seed} question={question} place={place} />}
        </Sitting>
      );
    case 'shift':
      return (
        <Sitting drill={drill} guess={SHIFT_GUESS} draw={drawOrders} within={within}>
          {({ seed, given }, place) => (
            <OneShift key={seed} seed={seed} given={given} place={place} />
          )}
        </Sitting>
      );
    case 'turns':
      return (
        <Sitting drill={drill} guess={TURNS_GUESS} draw={drawVessel} within={within}>
          {({ seed, given }, place) => (
            <OneVessel key={seed} seed={seed} given={given} place={place} />
          )}
        </Sitting>
      );
  }
}
