import { type ComponentType, useEffect, useState } from 'react';

/** After what the place itself needs: hours pass at the fridge, not seconds. */
const AFTER_MS = 2500;
/** Without a server it cannot be fetched: the page goes on without it, and it is asked for again. */
const AGAIN_MS = 15_000;

/** A part of the page that is fetched once the rest is there; null: not yet. `load` is the same at every drawing. */
export function useLater<Props>(
  load: () => Promise<ComponentType<Props>>,
): ComponentType<Props> | null {
  const [Part, setPart] = useState<ComponentType<Props> | null>(null);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const ask = () => {
      load().then(
        (part) => setPart(() => part),
        () => {
          timer = setTimeout(ask, AGAIN_MS);
        },
      );
    };
    timer = setTimeout(ask, AFTER_MS);
    return () => clearTimeout(timer);
  }, [load]);
  return Part;
}
