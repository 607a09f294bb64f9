import { Link } from 'react-router';
import {
  courseAs,
  type CourseId,
  type CourseLists,
  type Done,
  lessonsDone,
  nextLesson,
} from '#core/training';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';

/** What a new person learns first; the other courses are chosen. */
const OF_TRAINEES: readonly CourseId[] = ['firstDay', 'firstWeek'];

/** The lesson that a trainee takes next; the list of all courses for everybody. */
export function NextLesson({
  done,
  lists,
  isTrainee,
}: {
  done: Done;
  lists: CourseLists;
  isTrainee: boolean;
}) {
  const go = useGo();
  const course = isTrainee
    ? OF_TRAINEES.map((id) => courseAs(lists, id)).find((c) => nextLesson(c, done) !== null)
    : undefined;
  const lesson = course ? nextLesson(course, done) : null;
  const path = lesson ? `/school/lesson/${lesson.id}` : null;
  useKeys(path ? [{ key: 'y', does: 'The next lesson', run: () => go(path) }] : []);
  return (
    <>
      {course && lesson && path && (
        <section className="mb-2" aria-label={course.title}>
          <h2>{course.title}</h2>
          <div className="drill-row">
            <div>
              <b className="text-[19px] font-semibold">{lesson.title}</b>
              <p className="small">
                {lessonsDone(course, done)} of {course.lessons.length} lessons done. Read one page,
                then practise.
              </p>
            </div>
            <Link className="btn go" to={path}>
              Lesson <kbd>Y</kbd>
            </Link>
          </div>
        </section>
      )}
      <p className="mb-3">
        <Link className="btn quiet" to="/school/courses">
          All courses <kbd>L</kbd>
        </Link>
      </p>
    </>
  );
}
