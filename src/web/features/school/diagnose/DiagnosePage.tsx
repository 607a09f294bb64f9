import { DIAGNOSIS_GUESS } from '#core/training';
import { drawCup } from '../drill';
import { Sitting } from '../Sitting';
import { OneCup } from './OneCup';

/** Diagnose the cup: what is wrong with it, which lever, by how much; one after another. */
export function DiagnosePage() {
  return (
    <Sitting drill="diagnose" guess={DIAGNOSIS_GUESS} draw={drawCup}>
      {(question, place) => <OneCup key={question.seed} question={question} place={place} />}
    </Sitting>
  );
}
