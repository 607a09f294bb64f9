import { type Exercise, scheduleFor } from './exercise';
import type { TasterState, Tasting } from './fold';

/** Who sits at the table: a guest's seat that nobody took is empty, unless its sheet came in on paper. */
export const seatedAt = (t: Tasting): readonly TasterState[] =>
  t.tasters.filter((x) => x.guest !== 'free' || x.handedIn !== null);
/** Who has not handed in and has not left. */
export const missing = (t: Tasting): readonly TasterState[] =>
  seatedAt(t).filter((x) => x.handedIn === null && x.left === null);

/** What is wanted next of the hand that runs it: which cup is poured or lifted, and when. Null when all is done. */
export function nextMoment(
  e: Exercise,
  t: Tasting,
): { readonly cup: number; readonly act: 'pour' | 'pull'; readonly at: number } | null {
  if (t.started === null) return null;
  const open = scheduleFor(e).moments.filter((m) => {
    const c = t.cups[m.cup];
    return c && c.excluded === null && (m.act === 'pour' ? c.poured === null : c.pulled === null);
  });
  // A cup is lifted by its own water, however late that went on.
  const due = open.map((m) => {
    const c = t.cups[m.cup];
    return {
      ...m,
      at:
        m.act === 'pull' && c && c.poured !== null
          ? c.poured + (e.cups[m.cup]?.plan.seconds ?? 0) * 1000
          : (t.started as number) + m.at * 1000,
    };
  });
  return due.sort((a, b) => a.at - b.at)[0] ?? null;
}
