import type { Backup, BackupHolds } from '#contracts/backups';

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
