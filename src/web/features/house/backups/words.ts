import type { Backup, BackupHolds } from '#contracts/backups';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const AGO = new Intl.RelativeTimeFormat('en-GB', { numeric: 'always' });

/** "3 days ago", "5 hours ago", "just now" */
export function agoText(at: number, now: number): string {
  const passed = Math.max(0, now - at);
  if (passed >= 2 * DAY_MS) return AGO.format(-Math.floor(passed / DAY_MS), 'day');
  if (passed >= HOUR_MS) return AGO.format(-Math.floor(passed / HOUR_MS), 'hour');
  const minutes = Math.floor(passed / 60_000);
  return minutes === 0 ? 'just now' : AGO.format(-minutes, 'minute');
}
const sizeIn = (unit: 'kilobyte' | 'megabyte' | 'gigabyte', digits: number): Intl.NumberFormat =>
  new Intl.NumberFormat('en-GB', { style: 'unit', unit, maximumFractionDigits: digits });
const [KILO, MEGA, GIGA] = [sizeIn('kilobyte', 0), sizeIn('megabyte', 1), sizeIn('gigabyte', 2)];
/** "640 kB", "12.3 MB" */
export function sizeText(bytes: number): string {
  if (bytes < 1e6) return KILO.format(Math.ceil(bytes / 1e3));
  return bytes < 1e9 ? MEGA.format(bytes / 1e6) : GIGA.format(bytes / 1e9);
}
const some = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
/** "2 sites, 6 people, 24 teas, 131 brews, ..." */
export const holdsText = (h: BackupHolds): string =>
  [
    some(h.sites.length, 'site'),
    some(h.people, 'person', 'people'),
    some(h.teas, 'tea'),
    some(h.vessels, 'vessel'),
    some(h.brews, 'brew'),
    some(h.batches, 'cold batch', 'cold batches'),
    some(h.tastings, 'tasting'),
  ].join(', ');
/** Whether a backup came back when it was tried. */
export function checkedText(b: Backup): string {
  if (b.faults.length > 0) return 'did not come back whole';
  if (b.checked === null) return 'not checked';
  return `restored and compared: ${some(b.tables, 'table')}, ${some(b.rows, 'row')}`;
}
