// @ts-expect-error -- plain JavaScript of the backup command
import { outlived } from '../scripts/lib/rotation.mjs';

const DAY = 86_400_000;
const NOW = Date.UTC(2026, 2, 11, 4);
type Backup = { at: number; whole: boolean };
const at = (days: number, whole = true): Backup => ({ at: NOW - days * DAY, whole });
const left = (backups: Backup[], keep?: object): number[] => {
  const gone = new Set(outlived(backups, NOW, keep) as Backup[]);
  return backups.filter((b) => !gone.has(b)).map((b) => Math.round((NOW - b.at) / DAY));
};

test('a year of daily backups: seven days, five weeks and twelve months stay', () => {
  const year = Array.from({ length: 400 }, (_, d) => at(d));
  const stays = left(year);
  // 11 March 2026 is a Wednesday: the Sundays before are 3, 10, 17 and 24 days back.
  expect(stays.slice(0, 7)).toEqual([0, 1, 2, 3, 4, 5, 6]);
  expect(stays).toEqual(expect.arrayContaining([10, 17, 24]));
  // The last days of February, January, December ...
  expect(stays).toEqual(expect.arrayContaining([11, 39, 70]));
  expect(stays.length).toBeLessThanOrEqual(7 + 5 + 12);
});
test('one that did not come back makes no other go, and goes itself when it is old', () => {
  const backups = [at(3, false), at(3.2), at(5, false), at(5.2)];
  expect(left(backups, { days: 2, weeks: 0, months: 0 })).toEqual([3, 5]);
  expect(outlived(backups, NOW, { days: 2, weeks: 0, months: 0 })).toEqual([
    backups[0],
    backups[2],
  ]);
});
test('the newest that came back stays, and whatever is younger than two days', () => {
  const backups = [at(0.5, false), at(1), at(1.5), at(30), at(40)];
  expect(left(backups, { days: 0, weeks: 0, months: 0 })).toEqual([1, 1, 2]);
  expect(left([at(30), at(40)], { days: 0, weeks: 0, months: 0 })).toEqual([30]);
  expect(outlived([], NOW)).toEqual([]);
});
