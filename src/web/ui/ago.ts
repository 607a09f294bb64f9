const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
// Of its own file: making this takes a slow tablet a seventh of a second, and the bar has no use for it.
const AGO = new Intl.RelativeTimeFormat('en-GB', { numeric: 'always' });

/** "3 days ago", "5 hours ago", "just now" */
export function agoText(at: number, now: number): string {
  const passed = Math.max(0, now - at);
  if (passed >= 2 * DAY_MS) return AGO.format(-Math.floor(passed / DAY_MS), 'day');
  if (passed >= HOUR_MS) return AGO.format(-Math.floor(passed / HOUR_MS), 'hour');
  const minutes = Math.floor(passed / 60_000);
  return minutes === 0 ? 'just now' : AGO.format(-minutes, 'minute');
}
