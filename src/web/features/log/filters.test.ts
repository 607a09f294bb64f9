import { dayName, dayStart, filtersFrom, queryOf, wordsOf } from './filters';

const from = (address: string) => filtersFrom(new URLSearchParams(address), 'here');

describe('what an address asks of the log', () => {
  test('nothing is this site; a name it knows is taken, any other is left', () => {
    expect(from('')).toEqual({ siteId: 'here' });
    expect(from('tea=t&by=p&pull=late&colour=red')).toEqual({
      siteId: 'here',
      teaId: 't',
      personId: 'p',
      pull: 'late',
    });
    expect(from('site=other')).toEqual({ siteId: 'other' });
    expect(from('site=all&lot=l')).toEqual({ lotId: 'l' });
    expect(from('tea=')).toEqual({ siteId: 'here' });
  });
  test.each(['2026-2-3', 'yesterday', '2026-13-45', ''])(
    'a day that is none, "%s", asks for nothing',
    (day) => expect(from(`since=${day}&until=${day}`)).toEqual({ siteId: 'here' }),
  );
  test('a day is asked for from midnight to midnight, however many hours it has', () => {
    const start = new Date(2026, 0, 1);
    for (let n = 0; n < 366; n++) {
      const day = new Date(start.getFullYear(), 0, 1 + n);
      const next = new Date(start.getFullYear(), 0, 2 + n);
      const name = dayName(day.getTime());
      expect([name, from(`since=${name}&until=${name}`)]).toEqual([
        name,
        { siteId: 'here', from: day.getTime(), to: next.getTime() },
      ]);
    }
  });
  test('a day’s name is read back as its midnight', () => {
    for (const at of [
      Date.UTC(2026, 2, 29, 1),
      Date.UTC(2026, 9, 25, 1),
      Date.UTC(2028, 1, 29, 12),
    ]) {
      const start = dayStart(dayName(at)) ?? NaN;
      expect(start).toBeLessThanOrEqual(at);
      expect(at - start).toBeLessThan(26 * 3_600_000);
      expect(dayName(start)).toBe(dayName(at));
    }
  });
});
test('the server is asked for what is set, and for nothing else', () =>
  expect(queryOf({ siteId: 's', teaId: undefined, from: 12, method: 'pot' })).toBe(
    'siteId=s&from=12&method=pot',
  ));
test('a choice is shown by its words, the first where none is chosen', () => {
  const list = [
    { value: '', text: 'any tea' },
    { value: 't', text: 'Tolvane Amber' },
  ];
  expect([wordsOf(list, 't'), wordsOf(list, ''), wordsOf(list, 'gone'), wordsOf([], 'x')]).toEqual([
    'Tolvane Amber',
    'any tea',
    'any tea',
    '',
  ]);
});
