import { alone, firstPlans } from './fitting';
import type { House } from './house';
import { type Found, Known } from './known';
import { limitSearch } from './limitSearch';
import { prices } from './prices';

/**
 * Looks for the best plan; every value is the best known at that moment. It may be left and gone on with at any. A tenth
 * of the first work goes to limits, then as much as makes half of it to prices, the rest to limits again.
 */
export function* search(house: House, firstWork: number): Generator<Found, void> {
  const known = new Known(house);
  const relaxed = alone(known);
  // The first that fits together is said at once: somebody waits for it.
  if (!known.proven) for (const _ of firstPlans(known, relaxed)) yield known.found();
  yield known.found();
  const limits = limitSearch(known, relaxed);
  yield* limits(firstWork / 10);
  if (!known.proven) yield* prices(known, firstWork / 2);
  for (let upTo = firstWork; !known.proven; upTo *= 2) {
    yield* limits(upTo);
    yield known.found();
  }
}
