import { type ReactNode, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { type Drill, type DrillFacts, DRILLS, levelOfNext, ratingOf } from '#core/training';
import type { DrillAnswer } from '#contracts/training';
import { useSession } from '../../entities/people/session';
import { useDrillFacts } from '../../entities/training/useDrillFacts';
import { useTraining } from '../../entities/training/useTraining';
import { Loading, Nothing } from '../../ui/Note';
import type { Draw } from './drill';
import { useQuestion } from './useQuestion';

/** Questions that are asked where one comes from the bar with a cup in mind: two minutes. */
const FEW = 2;
/** Where one is in a sitting, and how it goes on. */
export type Place = {
  readonly at: number;
  readonly of: number;
  readonly onNext: () => void;
};
/** The chance of a question follows from what was answered last: it is the same one on every device. */
const seedOf = (id: string): number => parseInt(id.replaceAll('-', '').slice(-8), 16);

const CUPS_NEEDED =
  'Cups are simulated from this house’s teas and vessels. Add a tea with a house recipe and a vessel first.';
const WEIGHED_NEEDED =
  'No tea was weighed by the spoon yet. Weigh a few spoons of a tea in the Book first.';
/** What a house has to have before it can be asked about, where that is more than a cup. */
const NEEDED: Readonly<Partial<Record<Drill, string>>> = {
  spoons: WEIGHED_NEEDED,
  packet: WEIGHED_NEEDED,
  fillLine: 'Measure a vessel with a fill line first: the Shelf asks for it.',
  turns: 'No vessel of this house holds enough for two cups.',
  shift: 'A shift takes at least three vessels and a hot tea that steeps for five minutes at most.',
  plan: 'No tea of this house is brewed in the fridge, or it has no pitcher. Add a cold recipe in the Book and a pitcher on the Shelf first.',
  holding: 'No tea of this house is brewed cold. Add a cold recipe in the Book first.',
};
type Held = { readonly before: readonly DrillAnswer[]; readonly facts: DrillFacts };

/** One question of a drill after another, each of the level that suits. */
export function Sitting<Q extends { readonly seed: number }>({
  drill,
  guess,
  draw,
  within,
  children,
}: {
  drill: Drill;
  /** The chance of a blind choice. */
  guess: number;
  draw: Draw<Q>;
  /** Where this one question lies in a sitting of several drills; else it is one of this drill’s own. */
  within: Place | undefined;
  children: (question: Q, place: Place) => ReactNode;
}) {
  const facts = useDrillFacts();
  const { answers, isSettled } = useTraining();
  const { personId } = useSession();
  const own = answers.filter((a) => a.drill === drill);
  // What a question follows from. It stays until the next one is asked for: what comes from another device meanwhile, and
  // the answer itself, change nothing of what is on the screen.
  const [held, hold] = useState<Held | null>(null);
  const [done, setDone] = useState(0);
  if (held === null && isSettled && facts) hold({ before: own, facts });
  const before = held?.before ?? [];
  const [params] = useSearchParams();
  // A lesson asks for the level that it is about.
  const asked = Number(params.get('level'));
  const level = asked >= 1 && asked <= 5 ? asked : levelOfNext(ratingOf(before), guess);
  const drawn = useQuestion(
    draw,
    held?.facts ?? null,
    level,
    seedOf(before.at(-1)?.id ?? personId),
  );
  const of = params.has('few') ? Math.min(FEW, DRILLS[drill].sitting) : DRILLS[drill].sitting;
  switch (drawn.kind) {
    case 'loading':
      return (
        <main className="page">
          <Loading what="a question" />
        </main>
      );
    case 'none':
      return (
        <main className="page p-6">
          <Nothing
            action={
              <Link className="btn" to="/book">
                To the book
              </Link>
            }
          >
            {NEEDED[drill] ?? CUPS_NEEDED}
          </Nothing>
        </main>
      );
    case 'failed':
      return (
        <main className="page p-6">
          <Nothing
            action={
              <button type="button" className="btn" onClick={drawn.again}>
                Try again
              </button>
            }
          >
            No question could be made.
          </Nothing>
        </main>
      );
    case 'question':
      return children(
        drawn.question,
        within ?? {
          at: done + 1,
          of,
          onNext: () => {
            hold(null);
            setDone((n) => (n + 1) % of);
          },
        },
      );
  }
}
