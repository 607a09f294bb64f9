import { dayFault, leafAdvice, leafWords, lotAgeWords, lotNow, missedAllergens } from '#core/teas';

test.each<[string, string, string[]]>([
  ['black tea, almond pieces', '', ['nuts']],
  ['black tea, almond pieces', 'almond', []],
  ['rooibos, caramel, malt', 'milk', ['gluten']],
  ['green tea, jasmine flowers', '', []],
  ['Buttermere leaf', '', []],
])('blend "%s" with allergens "%s" misses %j', (blend, allergens, missed) =>
  expect(missedAllergens(blend, allergens)).toEqual(missed),
);

test('a lot and its best-before day', () => {
  expect(lotNow(null, '2026-11-25')).toEqual({ kind: 'fine' });
  expect(lotNow('2027-06-01', '2026-11-25')).toEqual({ kind: 'fine' });
  expect(lotNow('2026-12-05', '2026-11-25')).toEqual({ kind: 'soon', days: 10 });
  expect(lotNow('2026-11-20', '2026-11-25')).toEqual({ kind: 'past', days: 5 });
});
test.each([
  [{ arrived: null, bestBefore: null }, null],
  [{ arrived: '2026-10-01', bestBefore: '2027-06-01' }, null],
  [{ arrived: '2026-03-01', bestBefore: null }, 'arrived 9 months ago'],
  [{ arrived: null, bestBefore: '2026-11-20' }, 'best before was 5 days ago'],
  [
    { arrived: '2025-11-25', bestBefore: '2026-12-05' },
    'arrived 12 months ago, best before in 10 days',
  ],
])('the age of a lot on 25 November 2026: %j', (lot, words) =>
  expect(lotAgeWords(lot, '2026-11-25')).toBe(words),
);
test.each([
  ['2026-03-14', null],
  ['2026-02-30', 'There is no such day.'],
  ['14.3.2026', 'Write the day as 2026-03-14.'],
  ['2028-02-29', null],
])('day %s: %s', (text, fault) => expect(dayFault(text)).toBe(fault));
test('leaf in words, and what it asks of the brewer', () => {
  expect(leafWords({ form: 'pearl', season: 'spring', traits: ['scented'] })).toBe(
    'pearls, spring, scented',
  );
  expect(leafAdvice({ form: null, season: 'summer', traits: ['dusted'] })).toHaveLength(2);
  expect(leafAdvice({ form: null, season: null, traits: [] })).toEqual([]);
});
