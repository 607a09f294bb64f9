import {
  cupsOfPair,
  FAIR_FACT_WORDS,
  FAIR_FACTS,
  fairFactText,
  type FairGiven,
  jugLines,
  liquorOfMade,
  type PickQuestion,
} from '#core/training';
import { capital } from '#core/units';
import { Cup } from '../../../entities/teas/Cup';

/** What is seen of a question before its parts. */
export function QuestionScene({ question }: { question: PickQuestion }) {
  return question.drill === 'fair' ? <CupSheet given={question.given} /> : null;
}
/** What is seen of one part. */
export function PartScene({ question, part }: { question: PickQuestion; part: number }) {
  switch (question.drill) {
    case 'which': {
      const pair = question.given.pairs[part];
      if (!pair) return null;
      const [left, right] = cupsOfPair(question.given, pair);
      return (
        <div className="porcelain three">
          <figure>
            <Cup liquor={liquorOfMade(left)} size={92} label={`Pair ${part + 1}, left`} />
            <figcaption>left</figcaption>
          </figure>
          <figure>
            <Cup liquor={liquorOfMade(right)} size={92} label={`Pair ${part + 1}, right`} />
            <figcaption>right</figcaption>
          </figure>
        </div>
      );
    }
    case 'holding': {
      const jug = question.given.jugs[part];
      return jug ? (
        <ul className="jug-label">
          {jugLines(jug).map((line) => (
            <li key={line}>{capital(line)}</li>
          ))}
        </ul>
      ) : null;
    }
    default:
      return null;
  }
}

const CUP_LETTERS = 'ABCDEFGH';
/** Cups of a tasting and what each is made with. */
function CupSheet({ given: { cups, planned } }: { given: FairGiven }) {
  return (
    <div className="overflow-x-auto mt-3" role="group" aria-label="The cups" tabIndex={0}>
      <table className="skill-table">
        <thead>
          <tr>
            <th scope="col">Cup</th>
            {cups.map((_, i) => (
              <th key={i} scope="col">
                {CUP_LETTERS[i]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {FAIR_FACTS.map((fact) => (
            <tr key={fact}>
              <th scope="row">
                {capital(FAIR_FACT_WORDS[fact])}
                {fact === planned && ' (meant)'}
              </th>
              {cups.map((cup, i) => (
                <td key={i}>{fairFactText(cup, fact)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
