import { useEffect, useState } from 'react';
import type { DrillCup, Level } from '#core/training';
import { drawQuestion } from './drill';
import type { Question } from './drill.worker';

export type Drawn =
  | { readonly kind: 'loading' }
  | { readonly kind: 'none' }
  | { readonly kind: 'failed'; readonly again: () => void }
  | { readonly kind: 'question'; readonly question: Question };

/** The chance of a question follows from what was answered last: it is the same one on every device. */
export const seedOf = (id: string): number => parseInt(id.replaceAll('-', '').slice(-8), 16);

/** The question of that level and chance, drawn in the worker. */
export function useQuestion(cups: readonly DrillCup[] | null, level: number, seed: number): Drawn {
  const [drawn, setDrawn] = useState<Drawn>({ kind: 'loading' });
  const [tries, setTries] = useState(0);
  useEffect(() => {
    if (!cups) return;
    let isWanted = true;
    setDrawn({ kind: 'loading' });
    const again = () => setTries((n) => n + 1);
    drawQuestion(cups, level as Level, seed).then(
      (question) => {
        if (isWanted) setDrawn(question ? { kind: 'question', question } : { kind: 'none' });
      },
      () => {
        if (isWanted) setDrawn({ kind: 'failed', again });
      },
    );
    return () => {
      isWanted = false;
    };
  }, [cups, level, seed, tries]);
  return drawn;
}
