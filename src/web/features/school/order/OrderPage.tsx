import { ORDER_GUESS } from '#core/training';
import { drawCups } from '../drill';
import { Sitting } from '../Sitting';
import { OneOrder } from './OneOrder';

/** Order by strength: cups of one liquor, the lightest first. */
export function OrderPage() {
  return (
    <Sitting drill="order" guess={ORDER_GUESS} draw={drawCups}>
      {(question, place) => <OneOrder key={question.seed} question={question} place={place} />}
    </Sitting>
  );
}
