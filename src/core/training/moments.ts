const HOUR = 60;
const DAY = 24 * HOUR;
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
/** What is left of the whole turns of a clock or a week, never below 0. */
const within = (value: number, turn: number): number => ((value % turn) + turn) % turn;

/** Minutes of a day as a clock shows them. @example clockText(570) // '09:30' */
export function clockText(minutes: number): string {
  const inDay = within(Math.round(minutes), DAY);
  const pad = (n: number) => String(n).padStart(2, '0');
  return `${pad(Math.floor(inDay / HOUR))}:${pad(inDay % HOUR)}`;
}
/** Minutes from Monday 00:00. @example weekText(2 * 1440 + 570) // 'Wed 09:30' */
export const weekText = (minutes: number): string =>
  `${WEEKDAYS[within(Math.floor(minutes / DAY), 7)] ?? ''} ${clockText(minutes)}`;
