import { type Drill, FIRST_DAY, isLessonDone, leftToDo, nextLesson } from '#core/training';

const answered = (...drills: readonly Drill[]) => drills.map((drill) => ({ drill }));

test('a lesson is done once each of its drills has an answer', () => {
  const heat = FIRST_DAY.find((l) => l.id === 'heat');
  if (!heat) throw new Error('no lesson about heat');
  expect(leftToDo(heat, answered('splash', 'spoons'))).toEqual(['landing']);
  expect(isLessonDone(heat, answered('splash'))).toBe(false);
  expect(isLessonDone(heat, answered('landing', 'splash'))).toBe(true);
});
test('a course goes on with the first lesson that is not done, and ends', () => {
  expect(nextLesson(FIRST_DAY, [])?.id).toBe('spoon');
  expect(nextLesson(FIRST_DAY, answered('spoons', 'shift'))?.id).toBe('line');
  expect(nextLesson(FIRST_DAY, answered(...FIRST_DAY.flatMap((l) => l.drills)))).toBeNull();
});
test('each lesson has a name of its own and something to do', () => {
  expect(new Set(FIRST_DAY.map((l) => l.title)).size).toBe(FIRST_DAY.length);
  expect(FIRST_DAY.every((l) => l.drills.length > 0)).toBe(true);
});
