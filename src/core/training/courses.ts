import type { Drill } from './skills';

// What a new person does in order: lessons of one page and one or two drills each. A lesson is done by doing it.

export type LessonId = 'spoon' | 'line' | 'heat' | 'clock' | 'colour' | 'rescue';
export type Lesson = {
  readonly id: LessonId;
  readonly title: string;
  /** Done once each of these has an answer. */
  readonly drills: readonly Drill[];
};
/** The first day, in the order in which it is learnt (a choice). */
export const FIRST_DAY: readonly Lesson[] = [
  { id: 'spoon', title: 'Your spoon and this tea', drills: ['spoons'] },
  { id: 'line', title: 'Where the water stops', drills: ['fillLine'] },
  { id: 'heat', title: 'From boil to leaf', drills: ['splash', 'landing'] },
  { id: 'clock', title: 'The clock and the window', drills: ['shift'] },
  { id: 'colour', title: 'Pale, right, dark', drills: ['order'] },
  { id: 'rescue', title: 'If a cup went wrong', drills: ['rescue'] },
];

type Answered = { readonly drill: Drill };
/** Drills of a lesson that have no answer yet. */
export const leftToDo = ({ drills }: Lesson, answers: readonly Answered[]): Drill[] =>
  drills.filter((drill) => !answers.some((a) => a.drill === drill));
export const isLessonDone = (lesson: Lesson, answers: readonly Answered[]): boolean =>
  leftToDo(lesson, answers).length === 0;
/** The first lesson that is not done; null: the course is done. */
export const nextLesson = (
  lessons: readonly Lesson[],
  answers: readonly Answered[],
): Lesson | null => lessons.find((lesson) => !isLessonDone(lesson, answers)) ?? null;
