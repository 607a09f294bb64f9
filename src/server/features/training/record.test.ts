import { parse } from 'papaparse';
import type { Practice } from '#contracts/training';
import { trainingCsv } from './record';

const PRACTICE: Practice = {
  person: { id: 'p', name: 'Pela M.', role: 'trainee' },
  answers: [
    {
      ...{
        id: 'a',
        at: 2,
        day: '2026-03-05',
        drill: 'splash',
        level: 3,
        credit: 1 / 3,
        guess: 0.05,
      },
      ...{ judged: 'near', ms: 41_000, disputed: true },
    },
    {
      ...{ id: 'b', at: 1, day: '2026-03-02', drill: 'words', level: 1, credit: 1, guess: 0.2 },
      ...{ judged: 'right', ms: null, disputed: false },
    },
  ],
  seen: [],
  tables: [
    { id: 't', day: '2026-03-03', kind: 'comparison', lesson: 'infusers', led: false, sat: true },
    { id: 'u', day: '2026-03-01', kind: 'triangle', lesson: null, led: true, sat: true },
  ],
  signs: [
    {
      ...{ id: 's', skill: 'heat', kind: 'signed', day: '2026-03-04', until: '2027-03-04' },
      ...{ note: '=1+1, "as seen"', by: 'Ilsa V.' },
    },
  ],
};

test('one line for each answer, tasting and sign-off, by day; a note that looks like a formula is text', () => {
  const text = trainingCsv(PRACTICE);
  const { data } = parse<Record<string, string>>(text, { header: true });
  expect(data.map((r) => [r.day, r.kind, r.skill])).toEqual([
    ['2026-03-01', 'tasted', ''],
    ['2026-03-01', 'led', ''],
    ['2026-03-02', 'answer', 'Judge taste'],
    ['2026-03-03', 'tasted', ''],
    ['2026-03-04', 'signed', 'Heat'],
    ['2026-03-05', 'answer', 'Heat'],
  ]);
  expect(
    data
      .map((r) => r.note)
      .filter(Boolean)
      .slice(0, 3),
  ).toEqual([...['Triangle', 'Triangle', 'Room for the leaf']]);
  expect(data[4]).toMatchObject({ until: '2027-03-04', note: '\'=1+1, "as seen"', by: 'Ilsa V.' });
  expect(data[5]).toMatchObject({
    ...{ drill: 'Cold water first', level: '3', credit: '0.333', verdict: 'near' },
    reported_wrong: 'yes',
  });
  expect(text).not.toContain('41000');
});
test('nobody’s record is its first line', () => {
  const { person } = PRACTICE;
  expect(trainingCsv({ person, answers: [], seen: [], signs: [], tables: [] }).trim()).toMatch(
    /^day,kind,skill,/,
  );
});
