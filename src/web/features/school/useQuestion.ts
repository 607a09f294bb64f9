import { useEffect, useState } from 'react';
import type { DrillFacts, Level } from '#core/training';
import type { Draw } from './drill';

export type Drawn<Q> =
  | { readonly kind: 'loading' }
  | { readonly kind: 'none' }
  | { readonly kind: 'failed'; readonly again: () => void }
  | { readonly kind: 'question'; readonly question: Q };

/** The question of that level and chance, drawn in the worker. */
export function useQuestion<Q>(
  draw: Draw<Q>,
  facts: DrillFacts | null,
  level: number,
  seed: number,
): Drawn<Q> {
  const [drawn, setDrawn] = useState<Drawn<Q>>({ kind: 'loading' });
  const [tries, setTries] = useState(0);
  useEffect(() => {
    if (!facts) return;
    let isWanted = true;
    setDrawn({ kind: 'loading' });
    const again = () => setTries((n) => n + 1);
    draw(facts, level as Level, seed).then(
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
  }, [draw, facts, level, seed, tries]);
  return drawn;
}
