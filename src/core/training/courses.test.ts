import { LEAF_LESSON_IDS } from '#core/tastings';
import { sampleDrillFacts } from '#core/testing';
import {
  boilingLandsAt,
  COURSE_IDS,
  courseAs,
  courseOf,
  type Done,
  type Drill,
  drillsLeft,
  heatWorked,
  houseCupOf,
  isLessonDone,
  leftToDo,
  LESSON_IDS,
  lessonAdded,
  lessonMoved,
  lessonOf,
  lessonsDone,
  lessonsLeftOut,
  lessonsTwice,
  lessonTakenOut,
  nextLesson,
  openLesson,
  type TableDone,
  toDoWords,
  USUAL_COURSES,
} from '#core/training';

const lessons = LESSON_IDS.map(lessonOf);
const answered = (...drills: readonly Drill[]): Done => ({
  answers: drills.map((drill) => ({ drill, level: 2 })),
  tables: [],
});
const table = (over: Partial<TableDone>): Done => ({
  answers: [],
  tables: [{ kind: 'ladder', lesson: null, led: false, sat: true, ...over }],
});

test('a lesson is done once each of its drills has an answer', () => {
  const heat = lessonOf('heat');
  expect(leftToDo(heat, answered('splash', 'spoons')).map(toDoWords)).toEqual([
    'Where boiling water lands',
  ]);
  expect(isLessonDone(heat, answered('splash'))).toBe(false);
  expect(isLessonDone(heat, answered('landing', 'splash'))).toBe(true);
});
test('a lesson about one level takes an answer of that level or a harder one', () => {
  const at = (level: number): Done => ({ answers: [{ drill: 'diagnose', level }], tables: [] });
  expect([1, 2, 3, 4, 5].map((l) => isLessonDone(lessonOf('oneThing'), at(l)))).toEqual([
    ...[false, false, true, true, true],
  ]);
});
test('a lesson with leaf is done by whoever tasted; one about leading by whoever led', () => {
  const sat = table({ lesson: 'timeLadder' });
  expect(isLessonDone(lessonOf('fourTimes'), sat)).toBe(true);
  expect(isLessonDone(lessonOf('askFirst'), sat)).toBe(false);
  const led = table({ lesson: 'timeLadder', led: true, sat: false });
  expect(isLessonDone(lessonOf('fourTimes'), led)).toBe(false);
  expect(isLessonDone(lessonOf('askFirst'), led)).toBe(true);
  expect(isLessonDone(lessonOf('silence'), table({ kind: 'triangle', led: true }))).toBe(true);
  expect(isLessonDone(lessonOf('tongue'), table({ kind: 'calibration' }))).toBe(true);
  // A ladder that was no lesson is no lesson.
  expect(isLessonDone(lessonOf('fourTimes'), table({}))).toBe(false);
});
test('a course goes on with the first lesson that is not done, and ends', () => {
  const firstDay = courseAs(USUAL_COURSES, 'firstDay');
  expect(nextLesson(firstDay, answered())?.id).toBe('spoon');
  expect(nextLesson(firstDay, answered('spoons', 'shift'))?.id).toBe('line');
  expect(lessonsDone(firstDay, answered('spoons', 'shift'))).toBe(2);
  const all = answered('spoons', 'fillLine', 'splash', 'landing', 'shift', 'order', 'rescue');
  expect(nextLesson(firstDay, all)).toBeNull();
});
test('each lesson has a name of its own, something to do, and one place in the usual courses', () => {
  expect(new Set(lessons.map((l) => l.title)).size).toBe(lessons.length);
  expect(lessons.every((l) => l.toDo.length > 0)).toBe(true);
  expect(lessonsLeftOut(USUAL_COURSES)).toEqual([]);
  expect(lessonsTwice(USUAL_COURSES)).toEqual([]);
  expect(courseOf(USUAL_COURSES, 'packet')).toMatchObject({
    ...{ course: { title: 'First week' }, at: 1 },
  });
});
test('a lead’s lists: a lesson goes earlier or later, out, and into another course', () => {
  const { cold } = USUAL_COURSES;
  const later = lessonMoved(USUAL_COURSES, 'dilute', 1);
  expect(later.cold).toEqual(['service', 'dilute', ...cold.slice(2)]);
  expect(lessonMoved(later, 'dilute', -1)).toEqual(USUAL_COURSES);
  // Nothing happens at either end, or to a lesson that is in no course.
  expect(lessonMoved(USUAL_COURSES, 'dilute', -1)).toEqual(USUAL_COURSES);
  expect(lessonMoved(USUAL_COURSES, 'coldHot', 1)).toEqual(USUAL_COURSES);
  const without = lessonTakenOut(USUAL_COURSES, 'service');
  expect(lessonsLeftOut(without)).toEqual(['service']);
  expect(lessonMoved(without, 'service', 1)).toEqual(without);
  expect(courseOf(without, 'service')).toBeNull();
  const elsewhere = lessonAdded(USUAL_COURSES, 'service', 'firstDay');
  expect(elsewhere.firstDay.at(-1)).toBe('service');
  for (const lists of [later, without, elsewhere]) expect(lessonsTwice(lists)).toEqual([]);
  expect(COURSE_IDS.flatMap((id) => elsewhere[id])).toHaveLength(LESSON_IDS.length);
  expect(lessonsTwice({ ...USUAL_COURSES, cold: [...cold, 'words'] })).toEqual(['words']);
});
test('the open lesson is the first one that is not done, of the first day and then of the first week', () => {
  const at = (done: Done) => openLesson(USUAL_COURSES, done);
  expect(at(answered())?.lesson.id).toBe('spoon');
  const some = answered('spoons', 'fillLine', 'splash');
  expect(at(some)?.lesson.id).toBe('heat');
  // Of its two drills one is left.
  expect(drillsLeft(lessonOf('heat'), some)).toEqual(['landing']);
  const day = answered('spoons', 'fillLine', 'splash', 'landing', 'shift', 'order', 'rescue');
  expect(at(day)).toMatchObject({ course: { id: 'firstWeek' }, lesson: { id: 'everyPot' } });
  const lists = { ...USUAL_COURSES, firstWeek: [] };
  expect(openLesson(lists, day)).toBeNull();
});
test('every lesson with leaf is part of a course', () => {
  const taught = lessons.flatMap((l) => l.toDo.flatMap((t) => (t.kind === 'leaf' ? t.lesson : [])));
  expect([...new Set(taught)].sort()).toEqual([...LEAF_LESSON_IDS].sort());
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
