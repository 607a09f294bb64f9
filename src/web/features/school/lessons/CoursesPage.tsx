import { useState } from 'react';
import { Link } from 'react-router';
import { LEAF_LESSON_IDS, LEAF_LESSONS } from '#core/tastings';
import { COURSE_IDS, courseAs, type CourseId, isLessonDone, lessonsDone } from '#core/training';
import type { SchoolSettings } from '#contracts/training';
import { useSession } from '../../../entities/people/session';
import { useTraining } from '../../../entities/training/useTraining';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Loading } from '../../../ui/Note';
import { DrillHead } from '../DrillHead';
import { EditCourses } from './EditCourses';

type Training = ReturnType<typeof useTraining>;

/** Every course with its lessons, and every lesson with leaf; a lead changes the lists. */
export function CoursesPage() {
  const training = useTraining();
  const { role } = useSession();
  const go = useGo();
  const [edited, edit] = useState<SchoolSettings | null>(null);
  const leave = () => (edited ? edit(null) : go('/school'));
  useKeys([
    { key: 'Escape', does: edited ? 'Leave the lists as they were' : 'Back to School', run: leave },
    ...(role === 'lead' && !edited
      ? [{ key: 'e', does: 'Change the lists', run: () => edit(training.school) }]
      : []),
  ]);
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
        {edited ? (
          <EditCourses first={edited} onDone={() => edit(null)} />
        ) : (
          <>
            {role === 'lead' && (
              <p className="mb-3">
                <button type="button" className="btn" onClick={() => edit(training.school)}>
                  Change the lists <kbd>E</kbd>
                </button>
              </p>
            )}
            <div className="courses">
              {COURSE_IDS.map((id) => (
                <OneCourse key={id} id={id} training={training} />
              ))}
            </div>
          </>
        )}
      </section>
      <WithLeaf training={training} />
    </main>
  );
}

function OneCourse({ id, training }: { id: CourseId; training: Training }) {
  const course = courseAs(training.school.courses, id);
  return (
    <section aria-label={course.title}>
      <h2>
        {course.title}
        <small>
          {lessonsDone(course, training)} of {course.lessons.length} done
        </small>
      </h2>
      <ol className="list-none p-0">
        {course.lessons.map((lesson, i) => (
          <li key={lesson.id} className="mt-1">
            <Link className="btn quiet" to={`/school/lesson/${lesson.id}`}>
              {i + 1} · {lesson.title}
            </Link>{' '}
            {isLessonDone(lesson, training) && <span className="small">done</span>}
          </li>
        ))}
      </ol>
      {course.lessons.length === 0 && <p className="small">No lesson is in this course here.</p>}
    </section>
  );
}

function WithLeaf({ training }: { training: Training }) {
  return (
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
  );
}
