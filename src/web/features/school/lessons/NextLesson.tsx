import { Link } from 'react-router';
import { type CourseLists, type Done, lessonsDone, openLesson } from '#core/training';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';

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
  const open = isTrainee ? openLesson(lists, done) : null;
  const path = open ? `/school/lesson/${open.lesson.id}` : null;
  useKeys(path ? [{ key: 'y', does: 'The next lesson', run: () => go(path) }] : []);
  return (
    <>
      {open && path && (
        <section className="mb-2" aria-label={open.course.title}>
          <h2>{open.course.title}</h2>
          <div className="drill-row">
            <div>
              <b className="text-[19px] font-semibold">{open.lesson.title}</b>
              <p className="small">
                {lessonsDone(open.course, done)} of {open.course.lessons.length} lessons done. Read
                one page, then practise.
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
