import { figureGuess } from '#core/training';
import { drawScaled, drawSpooned } from '../drill';
import { Sitting } from '../Sitting';
import { OneFigure } from './OneFigure';

/** What the level follows from: of a typed figure. */
const GUESS = figureGuess(null);

/** Scale the leaf: grams for another amount of water. */
export function ScalePage() {
  return (
    <Sitting drill="scale" guess={GUESS} draw={drawScaled}>
      {(question, place) => <OneFigure key={question.seed} question={question} place={place} />}
    </Sitting>
  );
}
/** Count the spoons: grams by a spoon. */
export function SpoonsPage() {
  return (
    <Sitting drill="spoons" guess={GUESS} draw={drawSpooned}>
      {(question, place) => <OneFigure key={question.seed} question={question} place={place} />}
    </Sitting>
  );
}
