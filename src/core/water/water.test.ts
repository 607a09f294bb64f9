import {
  brewWaterOf,
  brewWaterWords,
  filterNow,
  filterWords,
  type SiteWater,
  waterAdvice,
  waterChanges,
} from '#core/water';

const FILTERED: SiteWater = {
  ...{ hardness: 'medium', filtered: true },
  filter: { changed: '2026-01-10', everyDays: 60 },
};
const UNFILTERED: SiteWater = { hardness: 'soft', filtered: false };

describe('the filter of a site', () => {
  // 60 days from 10 January 2026 is 11 March.
  test.each([
    ['2026-01-10', 'fine', null],
    ['2026-03-03', 'fine', null],
    ['2026-03-04', 'soon', 'The water filter is due in 7 days.'],
    ['2026-03-10', 'soon', 'The water filter is due in 1 day.'],
    ['2026-03-11', 'due', 'The water filter is due today: change it.'],
    ['2026-03-12', 'due', 'The water filter was due 1 day ago: change it.'],
    ['2026-04-10', 'due', 'The water filter was due 30 days ago: change it.'],
  ])('on %s: %s', (today, kind, words) => {
    const filter = filterNow(FILTERED, today);
    expect(filter.kind).toBe(kind);
    expect(filterWords(filter)).toBe(words);
  });
  test('nobody keeps its date, or there is none: nothing to remind of', () => {
    expect(filterNow({ ...FILTERED, filter: null }, '2030-01-01').kind).toBe('fine');
    expect(filterNow({ ...FILTERED, filtered: false }, '2030-01-01').kind).toBe('fine');
  });
});

test('chlorine is named wherever water is not filtered, hardness only where it is hard', () => {
  expect(waterAdvice(FILTERED)).toEqual([]);
  expect(waterAdvice(UNFILTERED).join(' ')).toMatch(/Chlorine/);
  expect(waterAdvice(UNFILTERED)).toHaveLength(1);
  expect(waterAdvice({ ...UNFILTERED, hardness: 'hard' })).toHaveLength(2);
});

test('a brew keeps its water as it was; its filter is as old as it was on that day', () => {
  const kept = brewWaterOf(FILTERED);
  expect(brewWaterWords(kept, '2026-01-22')).toBe(
    'medium hard, filtered, the filter 12 days in use',
  );
  expect(brewWaterWords(brewWaterOf(UNFILTERED), '2026-01-22')).toBe('soft, not filtered');
  // A clock that runs ahead makes no filter younger than new.
  expect(brewWaterWords(kept, '2026-01-01')).toContain('0 days');
});

describe('what differs between two brews’ water', () => {
  const on = (water: SiteWater, day: string) => ({ water: brewWaterOf(water), day });
  test.each([
    ['the same week', on(FILTERED, '2026-02-01'), on(FILTERED, '2026-02-07'), []],
    [
      'an old filter',
      on(FILTERED, '2026-01-18'),
      on(FILTERED, '2026-03-12'),
      ['The filter was 61 days in use, 8 days then.'],
    ],
    [
      'no filter any more',
      on(FILTERED, '2026-01-18'),
      on({ ...FILTERED, filtered: false }, '2026-01-19'),
      ['The water is not filtered now, and was.'],
    ],
    [
      'another town’s water',
      on(UNFILTERED, '2026-01-18'),
      on(FILTERED, '2026-01-19'),
      ['Tap water: medium hard, was soft.', 'The water is filtered now, and was not.'],
    ],
  ])('%s', (_, before, after, lines) => expect(waterChanges(before, after)).toEqual(lines));
});
