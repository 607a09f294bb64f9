import { useState } from 'react';
import { Link } from 'react-router';
import { DIAGNOSIS_GUESS, levelOfNext, ratingOf } from '#core/training';
import { useSession } from '../../../entities/people/session';
import { useDrillCups } from '../../../entities/training/useDrillCups';
import { useTraining } from '../../../entities/training/useTraining';
import { Loading, Nothing } from '../../../ui/Note';
import { OneCup } from './OneCup';
import { seedOf, useQuestion } from './useQuestion';

/** Cups in one sitting: five to eight minutes. */
const CUPS = 6;

/** Diagnose the cup: what is wrong with it, which lever, by how much; one after another. */
export function DiagnosePage() {
  const cups = useDrillCups();
  const { answers, isThere, isLoading } = useTraining();
  const { personId } = useSession();
  const own = answers.filter((a) => a.drill === 'diagnose');
  // The answers that were there when this cup was begun: the next one follows from the last of them.
  const [after, setAfter] = useState<readonly (typeof own)[number][] | null>(null);
  const [done, setDone] = useState(0);
  const before = after ?? own;
  const isReady = isThere || !isLoading;
  const question = useQuestion(
    isReady ? cups : null,
    levelOfNext(ratingOf(before), DIAGNOSIS_GUESS),
    seedOf(before.at(-1)?.id ?? personId),
  );
  if (question.kind === 'loading')
    return (
      <main className="page">
        <Loading what="a cup" />
      </main>
    );
  if (question.kind === 'none')
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/book">
              To the book
            </Link>
          }
        >
          Cups are simulated from this house’s teas and vessels. Add a tea with a house recipe and a
          vessel first.
        </Nothing>
      </main>
    );
  if (question.kind === 'failed')
    return (
      <main className="page p-6">
        <Nothing
          action={
            <button type="button" className="btn" onClick={question.again}>
              Try again
            </button>
          }
        >
          No cup could be simulated.
        </Nothing>
      </main>
    );
  return (
    <OneCup
      key={question.question.seed}
      question={question.question}
      place={{ at: done + 1, of: CUPS }}
      onBegun={() => setAfter(before)}
      onNext={() => {
        setAfter(null);
        setDone((n) => (n + 1) % CUPS);
      }}
    />
  );
}
