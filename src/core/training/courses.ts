import { type ExerciseKind, LEAF_LESSONS, type LeafLessonId } from '#core/tastings';
import type { Level } from './diagnosis/diagnosis';
import { type Drill, DRILLS } from './skills';

// What is learnt in order: lessons of one page, each with something to do. A lesson is done by doing it.

/** One thing to do in a lesson. */
export type ToDo =
  /** A drill; from this level on where one is named. */
  | { readonly kind: 'drill'; readonly drill: Drill; readonly level?: Level }
  /** A lesson with leaf at the table, to taste in or to lead. */
  | { readonly kind: 'leaf'; readonly lesson: LeafLessonId; readonly as: TableRole }
  /** A tasting at the table of that kind. */
  | { readonly kind: 'table'; readonly exercise: ExerciseKind; readonly as: TableRole };
/** Somebody sat at a table, or set it up and ran it. */
export type TableRole = 'sat' | 'led';
export type Lesson = {
  readonly id: LessonId;
  readonly title: string;
  readonly toDo: readonly ToDo[];
};
const drill = (name: Drill, level?: Level): ToDo => ({
  ...{ kind: 'drill', drill: name },
  ...(level && { level }),
});
const taste = (lesson: LeafLessonId): ToDo => ({ kind: 'leaf', lesson, as: 'sat' });

/** Every lesson there is; courses are lists of them. */
const LESSON_OF = {
  spoon: { title: 'Your spoon and this tea', toDo: [drill('spoons')] },
  line: { title: 'Where the water stops', toDo: [drill('fillLine')] },
  heat: { title: 'From boil to leaf', toDo: [drill('splash'), drill('landing')] },
  clock: { title: 'The clock and the window', toDo: [drill('shift')] },
  colour: { title: 'Pale, right, dark', toDo: [drill('order')] },
  rescue: { title: 'If a cup went wrong', toDo: [drill('rescue')] },
  everyPot: { title: 'One recipe, every pot', toDo: [drill('scale')] },
  packet: { title: 'What the packet meant', toDo: [drill('packet')] },
  potHeat: { title: 'The pot takes heat', toDo: [taste('warmedPot')] },
  fourTimes: { title: 'Four cups, four times', toDo: [taste('timeLadder')] },
  twoHeats: { title: 'Cool cup, hot cup', toDo: [taste('heatPair')] },
  room: {
    title: 'Room for the leaf',
    toDo: [taste('infusers'), taste('stirring'), taste('bags')],
  },
  turns: { title: 'To the last drop', toDo: [drill('turns'), taste('firstLast')] },
  again: { title: 'The same leaf again', toDo: [drill('again'), taste('leafAgain')] },
  tenMinutes: { title: 'Ten minutes at the bar', toDo: [drill('shift', 3)] },
  dilute: { title: 'Strong enough to dilute', toDo: [drill('rescue')] },
  service: { title: 'Back from the service', toDo: [drill('plan')] },
  discard: { title: 'Label, limit, throw out', toDo: [drill('holding')] },
  coldHot: { title: 'Cold beside hot', toDo: [taste('hotCold')] },
  words: { title: 'In our words', toDo: [drill('words')] },
  asWritten: { title: 'Was it brewed as written?', toDo: [drill('diagnose', 1)] },
  leafOrMinutes: { title: 'Leaf or minutes', toDo: [drill('diagnose', 2)] },
  heatFirst: { title: 'Check the heat first', toDo: [drill('which')] },
  oneThing: { title: 'One thing at a time', toDo: [drill('diagnose', 3)] },
  inHand: { title: 'The cup in hand', toDo: [drill('rescue', 3)] },
  twoThings: { title: 'Two things at once', toDo: [drill('diagnose', 5)] },
  alike: { title: 'Alike but for one', toDo: [drill('fair')] },
  askFirst: {
    title: 'Ask before you tell',
    toDo: [{ kind: 'leaf', lesson: 'timeLadder', as: 'led' }],
  },
  silence: {
    title: 'Codes and silence',
    toDo: [{ kind: 'table', exercise: 'triangle', as: 'led' }],
  },
  tongue: {
    title: 'Your own taste',
    toDo: [{ kind: 'table', exercise: 'calibration', as: 'sat' }],
  },
  enough: { title: 'What is enough', toDo: [drill('fair', 3)] },
} as const satisfies Readonly<Record<string, Pick<Lesson, 'title' | 'toDo'>>>;
export type LessonId = keyof typeof LESSON_OF;
export const LESSON_IDS = Object.keys(LESSON_OF) as readonly LessonId[];
export const lessonOf = (id: LessonId): Lesson => ({ id, ...LESSON_OF[id] });

const COURSE_TITLES = {
  firstDay: 'First day',
  firstWeek: 'First week',
  cold: 'Cold',
  correct: 'Correct',
  teach: 'Teach',
} as const;
export type CourseId = keyof typeof COURSE_TITLES;
export const COURSE_IDS = Object.keys(COURSE_TITLES) as readonly CourseId[];
/** The lessons of each course, in the order in which they are learnt. */
export type CourseLists = Readonly<Record<CourseId, readonly LessonId[]>>;
/** What a house begins with (a choice). */
export const USUAL_COURSES: CourseLists = {
  firstDay: ['spoon', 'line', 'heat', 'clock', 'colour', 'rescue'],
  firstWeek: [
    ...(['everyPot', 'packet', 'potHeat', 'fourTimes', 'twoHeats', 'room'] as const),
    ...(['turns', 'again', 'tenMinutes'] as const),
  ],
  cold: ['dilute', 'service', 'discard', 'coldHot'],
  correct: [
    ...(['words', 'asWritten', 'leafOrMinutes', 'heatFirst', 'oneThing', 'inHand'] as const),
    'twoThings',
  ],
  teach: ['alike', 'askFirst', 'silence', 'tongue', 'enough'],
};
export type Course = {
  readonly id: CourseId;
  readonly title: string;
  readonly lessons: readonly Lesson[];
};
export const courseAs = (lists: CourseLists, id: CourseId): Course => ({
  ...{ id, title: COURSE_TITLES[id], lessons: lists[id].map(lessonOf) },
});
/** The course that a lesson belongs to here, and its place in it; null: to none. */
export function courseOf(
  lists: CourseLists,
  lesson: LessonId,
): { readonly course: Course; readonly at: number } | null {
  const id = COURSE_IDS.find((c) => lists[c].includes(lesson));
  return id ? { course: courseAs(lists, id), at: lists[id].indexOf(lesson) } : null;
}
/** Lessons that are part of no course here. */
export const lessonsLeftOut = (lists: CourseLists): LessonId[] =>
  LESSON_IDS.filter((lesson) => courseOf(lists, lesson) === null);
/** The lists with a lesson put elsewhere in its course; nothing changes at either end. */
export function lessonMoved(lists: CourseLists, lesson: LessonId, by: 1 | -1): CourseLists {
  const found = courseOf(lists, lesson);
  if (!found) return lists;
  const list = [...lists[found.course.id]];
  const to = found.at + by;
  if (to < 0 || to >= list.length) return lists;
  list.splice(to, 0, ...list.splice(found.at, 1));
  return { ...lists, [found.course.id]: list };
}
export function lessonTakenOut(lists: CourseLists, lesson: LessonId): CourseLists {
  const without = (id: CourseId) => lists[id].filter((l) => l !== lesson);
  return {
    ...{ firstDay: without('firstDay'), firstWeek: without('firstWeek'), cold: without('cold') },
    ...{ correct: without('correct'), teach: without('teach') },
  };
}
/** At the end of a course, wherever it was. */
export const lessonAdded = (lists: CourseLists, lesson: LessonId, to: CourseId): CourseLists => {
  const without = lessonTakenOut(lists, lesson);
  return { ...without, [to]: [...without[to], lesson] };
};
/** Lessons that stand more than once. */
export function lessonsTwice(lists: CourseLists): LessonId[] {
  const all = COURSE_IDS.flatMap((id) => lists[id]);
  return [...new Set(all.filter((lesson, i) => all.indexOf(lesson) !== i))];
}

/** A table that was revealed, as one person had part in it. */
export type TableDone = {
  readonly kind: ExerciseKind;
  readonly lesson: LeafLessonId | null;
  /** Set it up; two or more tasters submitted a sheet. */
  readonly led: boolean;
  /** Submitted a sheet. */
  readonly sat: boolean;
};
/** What somebody has done so far. */
export type Done = {
  readonly answers: readonly { readonly drill: Drill; readonly level: number }[];
  readonly tables: readonly TableDone[];
};
export function isToDoDone(toDo: ToDo, { answers, tables }: Done): boolean {
  switch (toDo.kind) {
    case 'drill':
      return answers.some((a) => a.drill === toDo.drill && a.level >= (toDo.level ?? 0));
    case 'leaf':
      return tables.some((t) => t.lesson === toDo.lesson && t[toDo.as]);
    case 'table':
      return tables.some((t) => t.kind === toDo.exercise && t[toDo.as]);
  }
}
/** What of a lesson is not done yet. */
export const leftToDo = ({ toDo }: Lesson, done: Done): ToDo[] =>
  toDo.filter((one) => !isToDoDone(one, done));
export const isLessonDone = (lesson: Lesson, done: Done): boolean =>
  leftToDo(lesson, done).length === 0;
/** The first lesson that is not done; null: the course is done. */
export const nextLesson = ({ lessons }: Pick<Course, 'lessons'>, done: Done): Lesson | null =>
  lessons.find((lesson) => !isLessonDone(lesson, done)) ?? null;
/** What a new person learns first; the other courses are chosen. */
const OF_TRAINEES: readonly CourseId[] = ['firstDay', 'firstWeek'];
/** The lesson that a trainee takes next, and its course; null: both courses are done. */
export function openLesson(
  lists: CourseLists,
  done: Done,
): { readonly course: Course; readonly lesson: Lesson } | null {
  for (const id of OF_TRAINEES) {
    const course = courseAs(lists, id);
    const lesson = nextLesson(course, done);
    if (lesson) return { course, lesson };
  }
  return null;
}
/** Drills that are left to do in a lesson, at any level. */
export const drillsLeft = (lesson: Lesson, done: Done): Drill[] =>
  leftToDo(lesson, done).flatMap((toDo) => (toDo.kind === 'drill' ? [toDo.drill] : []));
/** How many lessons of a course are done. */
export const lessonsDone = ({ lessons }: Pick<Course, 'lessons'>, done: Done): number =>
  lessons.filter((lesson) => isLessonDone(lesson, done)).length;
/** @example toDoWords({ kind: 'leaf', lesson: 'infusers', as: 'sat' }) // 'Taste: Room for the leaf' */
export function toDoWords(toDo: ToDo): string {
  switch (toDo.kind) {
    case 'drill':
      return DRILLS[toDo.drill].name;
    case 'leaf':
      return `${toDo.as === 'led' ? 'Lead' : 'Taste'}: ${LEAF_LESSONS[toDo.lesson].title}`;
    case 'table':
      return toDo.as === 'led'
        ? `Lead a ${toDo.exercise} at the Table`
        : `Sit in a ${toDo.exercise}`;
  }
}
