// Which backups stay: the newest of each of the last days, of each of the last weeks and of each of the last months.
const DAY_MS = 86_400_000;
/** Nothing younger is taken away, whatever the numbers say. */
const YOUNG_MS = 2 * DAY_MS;
export const USUAL_KEEP = { days: 7, weeks: 5, months: 12 };

const dayOf = (at) => Math.floor(at / DAY_MS);
/** Weeks begin on Monday: 1 January 1970 was a Thursday. */
const weekOf = (at) => Math.floor((dayOf(at) + 3) / 7);
const monthOf = (at) => {
  const d = new Date(at);
  return d.getUTCFullYear() * 12 + d.getUTCMonth();
};

/** The newest of each of the last `n` spans that have one. */
function newestOf(newestFirst, spanOf, n) {
  const stays = new Map();
  for (const one of newestFirst) {
    const span = spanOf(one.at);
    if (!stays.has(span) && stays.size < n) stays.set(span, one);
  }
  return stays.values();
}
/**
 * Those of `backups` that go. Only checked ones count for a day: one that did not come back never makes another go.
 * @template {{ at: number, whole: boolean }} T
 * @param {T[]} backups
 * @param {number} now
 * @param {{ days: number, weeks: number, months: number }} [keep]
 * @returns {T[]}
 */
export function outlived(backups, now, keep = USUAL_KEEP) {
  const newestFirst = [...backups].sort((a, b) => b.at - a.at);
  const whole = newestFirst.filter((b) => b.whole);
  const stays = new Set([
    ...whole.slice(0, 1),
    ...newestOf(whole, dayOf, keep.days),
    ...newestOf(whole, weekOf, keep.weeks),
    ...newestOf(whole, monthOf, keep.months),
    ...newestFirst.filter((b) => now - b.at < YOUNG_MS),
  ]);
  return newestFirst.filter((b) => !stays.has(b));
}
