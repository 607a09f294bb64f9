import { lacksForBrewer, nextSaturday, type Skill, skillsLacking } from '#core/training';

const signed = (skill: Skill, day: string, until: string | null = null) =>
  ({ skill, kind: 'signed', day, until }) as const;
const DAY = '2026-03-14';

test('a skill is there when one of those who work has it signed on that day', () => {
  const dov = { signs: [signed('measure', '2026-01-10'), signed('steep', '2026-01-10', DAY)] };
  const tam = { signs: [signed('correct', '2026-02-01')] };
  const lacking = skillsLacking([dov, tam], DAY);
  expect(lacking).toEqual(['scale', 'heat', 'see', 'taste', 'rescue', 'cold', 'teach']);
  // A day later one of them has lapsed.
  expect(skillsLacking([dov, tam], '2026-03-15')).toContain('steep');
  expect(skillsLacking([dov], DAY)).toContain('correct');
});
test('what is only asked for, withdrawn, or signed later counts for nothing; with nobody there everything lacks', () => {
  const events = [
    { skill: 'measure', kind: 'asked', day: '2026-03-01' },
    signed('heat', '2026-03-20'),
    signed('taste', '2026-01-01'),
    { skill: 'taste', kind: 'withdrawn', day: '2026-02-01' },
  ] as const;
  expect(skillsLacking([{ signs: events }], DAY)).toHaveLength(10);
  expect(skillsLacking([], DAY)).toHaveLength(10);
});
test.each([
  ['2026-03-11', '2026-03-14'],
  ['2026-03-14', '2026-03-14'],
  ['2026-03-15', '2026-03-21'],
  ['2026-12-31', '2027-01-02'],
])('after %s the next Saturday is %s', (today, saturday) =>
  expect(nextSaturday(today)).toBe(saturday),
);
test('a trainee lacks what is not signed; lapsing holds, lapsed and withdrawn do not', () => {
  const on = (skill: Skill, until: string | null = null) => signed(skill, '2026-01-10', until);
  const today = '2026-06-01';
  expect(lacksForBrewer([], today)).toEqual(['measure', 'heat', 'steep', 'taste', 'rescue']);
  const all = [
    ...[on('measure'), on('heat', '2026-06-10'), on('steep', '2026-05-31')],
    ...[on('taste'), on('rescue'), on('see')],
    { skill: 'taste', kind: 'withdrawn', day: '2026-03-01' } as const,
  ];
  expect(lacksForBrewer(all, today)).toEqual(['steep', 'taste']);
  // By the house's own list.
  expect(lacksForBrewer(all, today, ['taste', 'cold'])).toEqual(['taste', 'cold']);
});
