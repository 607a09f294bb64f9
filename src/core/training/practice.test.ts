import type { Zone } from '#core/time';
import {
  blocksOf,
  DRILLS,
  dueCards,
  type PractisedAnswer,
  sessionMinutes,
  sessionOf,
  skillsDue,
} from '#core/training';
import { epochMs } from '#core/units';

const ZONE = 'Europe/London' as Zone;
const HOUR = 3_600_000;
const DAY = 24 * HOUR;
// A Monday, nine o'clock.
const MONDAY = Date.parse('2026-03-02T09:00:00Z');
const dayOf = (at: number) => new Date(at).toISOString().slice(0, 10);
/** So many answers of a drill, half a minute apart. */
const sitting = (
  at: number,
  credits: readonly number[],
  over: Partial<PractisedAnswer> = {},
): PractisedAnswer[] =>
  credits.map((credit, i) => ({
    ...{ drill: 'diagnose', at: epochMs(at + i * 30_000), day: dayOf(at), level: 2 },
    ...{ credit, ms: 30_000, ...over },
  }));
const GOOD = [1, 1, 0.5, 1];

describe('a block', () => {
  test('is the first sitting of a day with three answers or more', () => {
    const answers = [
      ...sitting(MONDAY, [0, 0]),
      ...sitting(MONDAY + 2 * HOUR, GOOD),
      ...sitting(MONDAY + 5 * HOUR, [0, 0, 0]),
      ...sitting(MONDAY + DAY, [0, 0.5, 0.5]),
    ];
    expect(blocksOf(answers)).toEqual([
      { at: MONDAY + 2 * HOUR + 90_000, rating: 3 },
      { at: MONDAY + DAY + 60_000, rating: 1 },
    ]);
  });
  test('is easy only at the level of the work and no slower than usual', () => {
    const usual = sitting(MONDAY, [1, 1, 1, 1, 1]);
    const easy = { level: 3 };
    const rated = (over: Partial<PractisedAnswer>) =>
      blocksOf([...usual, ...sitting(MONDAY + DAY, [1, 1, 1], over)]).at(-1)?.rating;
    expect(rated(easy)).toBe(4);
    expect(rated({ level: 2 })).toBe(3);
    expect(rated({ ...easy, ms: 60_000 })).toBe(3);
    expect(rated({ ...easy, ms: null })).toBe(4);
  });
});

test('a shift is as much as three questions of its skill: a block by itself; no sitting asks for one', () => {
  const shift = sitting(MONDAY, [1], { drill: 'shift', ms: 90_000 });
  const steep = skillsDue(shift, epochMs(MONDAY + HOUR), ZONE).find((s) => s.skill === 'steep');
  expect(steep?.kind).toBe('later');
  const one = sitting(MONDAY, [1], { drill: 'again' });
  const again = skillsDue(one, epochMs(MONDAY + HOUR), ZONE).find((s) => s.skill === 'steep');
  expect(again?.kind).toBe('new');
  const asked = sessionOf([{ skill: 'steep', kind: 'new', day: null, recall: null }]);
  expect(asked).not.toContain('shift');
  expect(asked.length).toBeGreaterThan(3);
});

describe('what is due', () => {
  const answers = [
    ...sitting(MONDAY, GOOD),
    ...sitting(MONDAY + HOUR, [0, 0, 0.5], { drill: 'order' }),
  ];
  const at = (days: number) => skillsDue(answers, epochMs(MONDAY + days * DAY), ZONE);
  const kindsAt = (days: number) => at(days).map((s) => [s.skill, s.kind]);
  test('follows the schedule: what went badly comes the next day, what went well the day after', () => {
    expect(kindsAt(0.5)).toEqual([
      ...['measure', 'scale', 'heat', 'steep', 'taste', 'rescue', 'cold', 'teach'].map((s) => [
        s,
        'new',
      ]),
      ['see', 'later'],
      ['correct', 'later'],
    ]);
    expect(kindsAt(1).slice(0, 1)).toEqual([['see', 'due']]);
    expect(kindsAt(2).slice(0, 2)).toEqual([
      ['see', 'due'],
      ['correct', 'due'],
    ]);
    const [card] = dueCards(epochMs(MONDAY), [{ at: epochMs(MONDAY + 90_000), rating: 3 }]);
    expect(at(0.5).find((s) => s.skill === 'correct')?.day).toBe(dayOf(card?.due ?? 0));
  });
  test('what is most nearly forgotten comes first', () => {
    const recalls = at(30)
      .filter((s) => s.kind === 'due')
      .map((s) => s.recall ?? 0);
    expect(recalls).toHaveLength(2);
    expect(recalls).toEqual([...recalls].sort((a, b) => a - b));
  });
});

describe('a sitting', () => {
  const due = (...skills: ('correct' | 'see' | 'scale' | 'measure')[]) =>
    skills.map((skill) => ({ skill, kind: 'due', day: '2026-03-04', recall: 0.8 }) as const);
  const seconds = (drills: ReturnType<typeof sessionOf>) =>
    drills.reduce((sum, d) => sum + DRILLS[d].seconds, 0);
  test('takes the skills in turn, and ends within six and a half minutes', () => {
    const drills = sessionOf(due('scale', 'measure', 'correct'));
    expect(drills.slice(0, 3)).toEqual(['scale', 'spoons', 'diagnose']);
    expect(drills).toHaveLength(9);
    expect(seconds(drills)).toBeLessThanOrEqual(390);
    expect(sessionMinutes(drills)).toBe(5);
  });
  test('a skill of several drills takes them in turn', () => {
    const three = sessionOf(due('see', 'correct', 'scale'));
    expect(three.filter((_, i) => i % 3 === 0)).toEqual(['order', 'match', 'order']);
    expect(three.filter((_, i) => i % 3 === 2)).toEqual(['scale', 'packet', 'scale']);
    expect(sessionOf(due('correct'))).toEqual(Array.from({ length: 6 }, () => 'diagnose'));
  });
  test('nothing due and nothing new: no sitting; what is due later waits', () => {
    const later = due('correct').map((s) => ({ ...s, kind: 'later' }) as const);
    expect(sessionOf(later)).toEqual([]);
    expect(sessionOf([])).toEqual([]);
  });
  test('the open lesson comes first, with its own drill; a shift is no part of a sitting', () => {
    const drills = sessionOf(due('scale', 'correct'), ['match']);
    expect(drills.slice(0, 3)).toEqual(['match', 'scale', 'diagnose']);
    expect(drills[3]).toBe('order');
    expect(seconds(drills)).toBeLessThanOrEqual(390);
    // What was answered yesterday is asked again while its lesson is open.
    const later = due('see').map((s) => ({ ...s, kind: 'later' }) as const);
    expect(sessionOf(later, ['order'])[0]).toBe('order');
    expect(sessionOf(due('scale'), ['shift'])[0]).toBe('scale');
  });
});
