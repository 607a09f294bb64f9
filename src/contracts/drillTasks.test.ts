import { seeded } from '#core/numeric';
import { sampleDrillFacts } from '#core/testing';
import {
  drawFigure,
  drawPick,
  drawShift,
  drawTurns,
  FIGURE_DRILL_NAMES,
  type Level,
  PICK_DRILL_NAMES,
} from '#core/training';
import { DrillTaskBody } from './drillTasks';

const FACTS = sampleDrillFacts();
const LEVELS: readonly Level[] = [1, 2, 3, 4, 5];

describe('what is drawn is what the server takes', () => {
  test.each(LEVELS)('every drill, level %i', (level) => {
    const random = seeded(level);
    const tasks = [
      ...FIGURE_DRILL_NAMES.map((d) => ({
        ...drawFigure(d, FACTS, level, random),
        answer: { value: 5 },
      })),
      ...PICK_DRILL_NAMES.map((d) => ({
        ...drawPick(d, FACTS, level, random),
        answer: { picks: [['a']] },
      })),
      {
        drill: 'turns',
        given: drawTurns(FACTS, level, random),
        answer: { pours: [{ cup: 0, ml: 12.5 }] },
      },
      {
        drill: 'shift',
        given: drawShift(FACTS.shift, level, random),
        answer: { acts: [{ at: 7.5, hand: 'pour', order: 0 }] },
      },
    ];
    for (const task of tasks)
      expect([task.drill, DrillTaskBody.safeParse(task).error]).toEqual([task.drill, undefined]);
  });
});
test('limits that are no whole hours are taken too', () => {
  const { cold } = FACTS;
  const odd = { ...cold.limits, keepHours: 50.3, counterHours: 2.7, warmHours: 3.1 };
  const facts = { ...FACTS, cold: { ...cold, limits: odd } };
  for (let seed = 0; seed < 60; seed++) {
    const question = drawPick('holding', facts, LEVELS[seed % 5] ?? 1, seeded(seed));
    const task = { ...question, answer: { picks: [['serve']] } };
    expect(DrillTaskBody.safeParse(task).error).toBeUndefined();
  }
});
test('an answer of another drill is refused', () => {
  const question = drawFigure('fillLine', FACTS, 2, seeded(3));
  const picked = { ...question, answer: { picks: [['a']] } };
  expect(DrillTaskBody.safeParse(picked).success).toBe(false);
  expect(DrillTaskBody.safeParse({ ...question, answer: { value: 'cannot' } }).success).toBe(true);
});
