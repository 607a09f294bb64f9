import { DIAGNOSIS_GUESS, type Drill, figureGuess, ORDER_GUESS } from '#core/training';
import { OneCup } from './diagnose/OneCup';
import { drawCup, drawCups, drawScaled, drawSpooned } from './drill';
import { OneFigure } from './figure/OneFigure';
import { OneOrder } from './order/OneOrder';
import { type Place, Sitting } from './Sitting';

/** A level follows from answers as if the figure were typed, whether it was or not. */
const FIGURE_GUESS = figureGuess(null);

/** Questions of one drill; `within`: one question of a sitting of several drills. */
export function DrillSitting({ drill, within }: { drill: Drill; within?: Place }) {
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
    case 'scale':
    case 'spoons':
      return (
        <Sitting
          drill={drill}
          guess={FIGURE_GUESS}
          draw={drill === 'scale' ? drawScaled : drawSpooned}
          within={within}
        >
          {(question, place) => <OneFigure key={question.seed} question={question} place={place} />}
        </Sitting>
      );
  }
}
