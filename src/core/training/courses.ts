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
export type Course = { readonly title: string; readonly lessons: readonly Lesson[] };

const drill = (name: Drill, level?: Level): ToDo => ({
  ...{ kind: 'drill', drill: name },
  ...(level && { level }),
});
const taste = (lesson: LeafLessonId): ToDo => ({ kind: 'leaf', lesson, as: 'sat' });

export const LESSON_IDS = [
  ...(['spoon', 'line', 'heat', 'clock', 'colour', 'rescue'] as const),
  ...(['everyPot', 'packet', 'potHeat', 'fourTimes', 'twoHeats', 'room'] as const),
  ...(['turns', 'again', 'tenMinutes'] as const),
  ...(['letDown', 'service', 'discard', 'coldHot'] as const),
  ...(['words', 'asWritten', 'leafOrMinutes', 'heatFirst', 'oneThing', 'inHand'] as const),
  ...(['twoThings', 'alike', 'askFirst', 'silence', 'tongue', 'enough'] as const),
];
export type LessonId = (typeof LESSON_IDS)[number];

/** Each in the order in which it is learnt (a choice). */
export const COURSES = {
  firstDay: {
    title: 'First day',
    lessons: [
      { id: 'spoon', title: 'Your spoon and this tea', toDo: [drill('spoons')] },
      { id: 'line', title: 'Where the water stops', toDo: [drill('fillLine')] },
      { id: 'heat', title: 'From boil to leaf', toDo: [drill('splash'), drill('landing')] },
      { id: 'clock', title: 'The clock and the window', toDo: [drill('shift')] },
      { id: 'colour', title: 'Pale, right, dark', toDo: [drill('order')] },
      { id: 'rescue', title: 'If a cup went wrong', toDo: [drill('rescue')] },
    ],
  },
  firstWeek: {
    title: 'First week',
    lessons: [
      { id: 'everyPot', title: 'One recipe, every pot', toDo: [drill('scale')] },
      { id: 'packet', title: 'What the packet meant', toDo: [drill('packet')] },
      { id: 'potHeat', title: 'The pot drinks heat', toDo: [taste('warmedPot')] },
      { id: 'fourTimes', title: 'Four cups, four times', toDo: [taste('timeLadder')] },
      { id: 'twoHeats', title: 'Cool cup, hot cup', toDo: [taste('heatPair')] },
      {
        ...{ id: 'room', title: 'Room for the leaf' },
        toDo: [taste('infusers'), taste('stirring'), taste('bags')],
      },
      { id: 'turns', title: 'To the last drop', toDo: [drill('turns'), taste('firstLast')] },
      { id: 'again', title: 'The same leaf again', toDo: [drill('again'), taste('leafAgain')] },
      { id: 'tenMinutes', title: 'Ten minutes at the bar', toDo: [drill('shift', 3)] },
    ],
  },
  cold: {
    title: 'Cold',
    lessons: [
      { id: 'letDown', title: 'Strong enough to let down', toDo: [drill('rescue')] },
      { id: 'service', title: 'Back from the service', toDo: [drill('plan')] },
      { id: 'discard', title: 'Label, limit, throw out', toDo: [drill('holding')] },
      { id: 'coldHot', title: 'Cold beside hot', toDo: [taste('hotCold')] },
    ],
  },
  correct: {
    title: 'Correct',
    lessons: [
      { id: 'words', title: 'In our words', toDo: [drill('words')] },
      { id: 'asWritten', title: 'Was it brewed as written?', toDo: [drill('diagnose', 1)] },
      { id: 'leafOrMinutes', title: 'Leaf or minutes', toDo: [drill('diagnose', 2)] },
      { id: 'heatFirst', title: 'Heat before blame', toDo: [drill('which')] },
      { id: 'oneThing', title: 'One thing at a time', toDo: [drill('diagnose', 3)] },
      { id: 'inHand', title: 'The cup in hand', toDo: [drill('rescue', 3)] },
      { id: 'twoThings', title: 'Two things at once', toDo: [drill('diagnose', 5)] },
    ],
  },
  teach: {
    title: 'Teach',
    lessons: [
      { id: 'alike', title: 'Alike but for one', toDo: [drill('fair')] },
      {
        ...{ id: 'askFirst', title: 'Ask before you tell' },
        toDo: [{ kind: 'leaf', lesson: 'timeLadder', as: 'led' }],
      },
      {
        ...{ id: 'silence', title: 'Codes and silence' },
        toDo: [{ kind: 'table', exercise: 'triangle', as: 'led' }],
      },
      {
        ...{ id: 'tongue', title: 'Your own tongue' },
        toDo: [{ kind: 'table', exercise: 'calibration', as: 'sat' }],
      },
      { id: 'enough', title: 'What is enough', toDo: [drill('fair', 3)] },
    ],
  },
} as const satisfies Readonly<Record<string, Course>>;
export type CourseId = keyof typeof COURSES;
export const COURSE_IDS = Object.keys(COURSES) as readonly CourseId[];
/** The course that a lesson belongs to, and its place in it. */
export function courseOf(
  id: string,
): { readonly course: Course; readonly lesson: Lesson; readonly at: number } | null {
  for (const course of Object.values<Course>(COURSES)) {
    const at = course.lessons.findIndex((l) => l.id === id);
    const lesson = course.lessons[at];
    if (lesson) return { course, lesson, at };
  }
  return null;
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
export const nextLesson = ({ lessons }: Course, done: Done): Lesson | null =>
  lessons.find((lesson) => !isLessonDone(lesson, done)) ?? null;
/** How many lessons of a course are done. */
export const lessonsDone = ({ lessons }: Course, done: Done): number =>
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
