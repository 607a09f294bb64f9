import { Link } from 'react-router';
import { LEAF_LESSON_IDS, LEAF_LESSONS } from '#core/tastings';
import { COURSE_IDS, COURSES, type Done, isLessonDone, lessonsDone } from '#core/training';
import { useTraining } from '../../../entities/training/useTraining';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Loading } from '../../../ui/Note';
import { DrillHead } from '../DrillHead';

/** Every course with its lessons, and every lesson with leaf. */
export function CoursesPage() {
  const training = useTraining();
  const go = useGo();
  useKeys([{ key: 'Escape', does: 'Back to School', run: () => go('/school') }]);
  if (training.isLoading)
    return (
      <main className="page">
        <Loading what="the courses" />
      </main>
    );
  return (
    <main className="page split diagnose">
      <DrillHead title="Courses" words="read one page, then practise" leave="School" />
      <section className="work" role="group" aria-label="Courses" tabIndex={0}>
        <div className="courses">
          {COURSE_IDS.map((id) => (
            <OneCourse key={id} id={id} done={training} />
          ))}
        </div>
      </section>
      <section className="paper" aria-label="Lessons with leaf">
        <h2>
          With leaf<small>set out at the Table</small>
        </h2>
        <ul className="list-none p-0">
          {LEAF_LESSON_IDS.map((id) => (
            <li key={id} className="mt-1">
              <Link className="btn quiet" to={`/school/leaf/${id}`}>
                {LEAF_LESSONS[id].title}
              </Link>{' '}
              {training.tables.some((t) => t.lesson === id && t.sat) && (
                <span className="small">tasted</span>
              )}
            </li>
          ))}
        </ul>
        <p className="small mt-4">
          A brewer or a lead sets these out. The trainer’s sheet says what to weigh, to ask and to
          expect.
        </p>
      </section>
    </main>
  );
}

function OneCourse({ id, done }: { id: (typeof COURSE_IDS)[number]; done: Done }) {
  const { title, lessons } = COURSES[id];
  return (
    <section aria-label={title}>
      <h2>
        {title}
        <small>
          {lessonsDone(COURSES[id], done)} of {lessons.length} done
        </small>
      </h2>
      <ol className="list-none p-0">
        {lessons.map((lesson, i) => (
          <li key={lesson.id} className="mt-1">
            <Link className="btn quiet" to={`/school/lesson/${lesson.id}`}>
              {i + 1} · {lesson.title}
            </Link>{' '}
            {isLessonDone(lesson, done) && <span className="small">done</span>}
          </li>
        ))}
      </ol>
    </section>
  );
}
