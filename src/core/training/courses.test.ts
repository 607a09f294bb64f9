import { sampleDrillFacts } from '#core/testing';
import {
  boilingLandsAt,
  type Drill,
  FIRST_DAY,
  heatWorked,
  houseCupOf,
  isLessonDone,
  leftToDo,
  nextLesson,
} from '#core/training';

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
test('where boiling water lands is what the drill says, in a warmed vessel and in a cold one', () => {
  const { cups, water } = sampleDrillFacts();
  for (const cup of cups)
    for (const warmed of [true, false]) {
      const worked = heatWorked({
        ...{ waterMl: cup.waterMl, targetC: cup.temperatureC, leafGrams: cup.leafGrams, warmed },
        ...{ material: cup.material, capacityMl: cup.capacityMl, ask: 'landing' },
        ...{ site: water.site, kettle: water.kettle },
      });
      if (worked.kind !== 'reachable') throw new Error(worked.kind);
      const lands = boilingLandsAt(houseCupOf(cup), warmed);
      expect(Math.abs(lands - worked.figure.truth)).toBeLessThan(0.05);
    }
});
