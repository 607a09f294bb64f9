import type { Backup } from '#contracts/backups';
import { checkedText, holdsText, sizeText } from './words';

test.each([
  [0, '0 kB'],
  [1, '1 kB'],
  [458_000, '458 kB'],
  [12_340_000, '12.3 MB'],
  [2_500_000_000, '2.5 GB'],
])('%d bytes are %s', (bytes, words) => expect(sizeText(bytes)).toBe(words));

test('what a backup holds, one and many', () => {
  const holds = { sites: ['Harbour room'], newest: null };
  const one = { people: 1, teas: 1, vessels: 1, brews: 1, batches: 1, tastings: 1 };
  const many = { people: 6, teas: 24, vessels: 0, brews: 131, batches: 31, tastings: 2 };
  expect(holdsText({ ...holds, ...one })).toBe(
    '1 site, 1 person, 1 tea, 1 vessel, 1 brew, 1 cold batch, 1 tasting',
  );
  expect(holdsText({ ...holds, ...many, sites: [] })).toBe(
    '0 sites, 6 people, 24 teas, 0 vessels, 131 brews, 31 cold batches, 2 tastings',
  );
});
test('whether it came back', () => {
  const backup: Backup = {
    ...{ name: 'limnos.sql.gz', at: 0, bytes: 1, sealed: false, holds: null },
    ...{ checked: 1, faults: [], tables: 43, rows: 1 },
  };
  expect(checkedText(backup)).toBe('restored and compared: 43 tables, 1 row');
  expect(checkedText({ ...backup, checked: null })).toBe('not checked');
  expect(checkedText({ ...backup, faults: ['teas is missing'] })).toBe('did not come back whole');
});
