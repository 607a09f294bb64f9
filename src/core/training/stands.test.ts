import { seenWords, signWords, skillsOf } from '#core/training';
import { epochMs } from '#core/units';
type Answer = Parameters<typeof skillsOf>[0][number];

const NOW = epochMs(Date.UTC(2026, 2, 11, 14));
const answer = (i: number, over: Partial<Answer> = {}): Answer => ({
  ...{
    id: String(i),
    at: NOW - i * 40_000_000,
    day: `2026-03-${String(10 - (i % 5)).padStart(2, '0')}`,
  },
  ...{
    drill: 'diagnose',
    level: 3,
    credit: 1,
    guess: 0.07,
    judged: 'right',
    ms: 30_000,
    disputed: false,
  },
  ...over,
});
const correctOf = (answers: readonly Answer[]) =>
  skillsOf(answers, [], NOW, '2026-03-11').find((s) => s.skill === 'correct');

test('a skill stands by its own drills; others have nothing yet', () => {
  const answers = Array.from({ length: 24 }, (_, i) => answer(i + 1));
  const stands = skillsOf(answers, [], NOW, '2026-03-11');
  expect(stands.map((s) => [s.skill, s.answers]).filter(([, n]) => n !== 0)).toEqual([
    ['correct', 24],
  ]);
  expect(correctOf(answers)?.evidence).toMatchObject({ n: 24, enough: true });
});
test('what somebody says is wrong counts neither for nor against', () => {
  const wrong = answer(1, { credit: 0, disputed: true });
  expect(correctOf([wrong])?.evidence.n).toBe(0);
  expect(correctOf([{ ...wrong, disputed: false }])?.evidence.n).toBe(1);
});
test('what was seen in the shop is said of its skill, one thing after the other', () => {
  const steep = { of: 'pulls', good: 38, n: 40, holds: true } as const;
  expect(seenWords('steep', [steep])).toBe('38 of 40 in the window, enough');
  expect(seenWords('steep', [{ ...steep, good: 30, holds: false }])).toBe('30 of 40 in the window');
  expect(seenWords('heat', [steep])).toBe('not seen yet');
  expect(seenWords('scale', [{ of: 'draftsTaken', good: 1, n: 2, holds: true }])).toBe(
    '1 of 2 packets made a recipe that a lead took, enough',
  );
  const ladders = { of: 'ladders', good: 2, n: 2, holds: true } as const;
  const colours = { of: 'colours', good: 6, n: 9, holds: false } as const;
  expect(seenWords('see', [ladders, steep, colours])).toBe(
    '2 of 2 ladders in order, enough; 6 of 9 colours as a lead saw the same cup',
  );
});
test('a sign-off is said in a few words', () => {
  const sign = (events: object[]) =>
    skillsOf([], events as never, NOW, '2026-03-11').find((s) => s.skill === 'correct')?.sign;
  const said = (events: object[]) => {
    const found = sign(events);
    return found && signWords(found, (day) => day);
  };
  const signed = { skill: 'correct', kind: 'signed', day: '2026-01-05', until: '2026-04-01' };
  expect(said([])).toBe('');
  expect(said([{ ...signed, kind: 'asked', until: null }])).toBe('asked');
  expect(said([signed])).toBe('lapses 2026-04-01');
  expect(said([{ ...signed, until: '2026-12-01' }])).toBe('until 2026-12-01');
  expect(said([{ ...signed, until: '2026-02-01' }])).toBe('lapsed 2026-02-01');
});
