import type { Level } from './diagnosis/diagnosis';

/** What a drawn question is kept in is bounded, bytes. */
export const GIVEN_BYTES = 2048;
const TRIES = 30;
/**
 * The first of thirty draws that is fair; a level at which none is gives way to the one below.
 * @throws {RangeError} when no draw of any level is fair
 */
export function drawnFair<T>(level: Level, draw: (level: Level) => T | null): T {
  for (let at = level; at >= 1; at = (at - 1) as Level)
    for (let i = 0; i < TRIES; i++) {
      const drawn = draw(at);
      if (drawn !== null) return drawn;
    }
  throw new RangeError('no fair question can be asked of this house');
}
