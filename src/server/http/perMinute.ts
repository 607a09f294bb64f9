const MINUTE_MS = 60_000;
/** So many are counted at once; more, and counting begins anew. */
const MOST_COUNTED = 5000;

/**
 * Counts in the minute of the clock, in this process alone. @returns a function that counts one more for `who`, and says
 * how many seconds of the minute are left when that is more than `most`; 0: it is not
 */
export function perMinute(now: () => number, most: number): (who: string) => number {
  let minute = 0;
  const counted = new Map<string, number>();
  return (who) => {
    const here = Math.floor(now() / MINUTE_MS);
    if (here !== minute || counted.size > MOST_COUNTED) counted.clear();
    minute = here;
    const n = (counted.get(who) ?? 0) + 1;
    counted.set(who, n);
    return n > most ? Math.max(1, Math.ceil(((here + 1) * MINUTE_MS - now()) / 1000)) : 0;
  };
}
