import { Link, useParams } from 'react-router';
import {
  type Course,
  courseOf,
  type Done,
  isLessonDone,
  isToDoDone,
  leftToDo,
  type Lesson,
  LESSON_IDS,
  lessonOf,
  type ToDo,
  toDoWords,
} from '#core/training';
import { useDrillFacts } from '../../../entities/training/useDrillFacts';
import { useTraining } from '../../../entities/training/useTraining';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Loading, Nothing } from '../../../ui/Note';
import { DrillHead } from '../DrillHead';
import { LESSON_PAGES } from './pages';

/** Where one thing of a lesson is done. */
function pathOf(toDo: ToDo): string {
  switch (toDo.kind) {
    case 'drill':
      return `/school/${toDo.drill}?few${toDo.level ? `&level=${toDo.level}` : ''}`;
    case 'leaf':
      return `/school/leaf/${toDo.lesson}`;
    case 'table':
      return '/table';
  }
}

const placeWords = ({ course, at }: { course: Course; at: number }): string =>
  `lesson ${at + 1} of ${course.lessons.length}`;

/** A lesson: one page with this house's own teas and vessels, then what is to be done. */
export function LessonPage() {
  const { id = '' } = useParams();
  const facts = useDrillFacts();
  const training = useTraining();
  const go = useGo();
  const known = LESSON_IDS.find((one) => one === id);
  const lesson = known ? lessonOf(known) : null;
  const first = lesson ? (leftToDo(lesson, training)[0] ?? lesson.toDo[0]) : undefined;
  useKeys([
    ...(first ? [{ key: 'Enter', does: toDoWords(first), run: () => go(pathOf(first)) }] : []),
    { key: 'Escape', does: 'Back to School', run: () => go('/school') },
  ]);
  if (!lesson)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/school">
              School
            </Link>
          }
        >
          There is no such lesson.
        </Nothing>
      </main>
    );
  // As a whole or not at all: what comes late would move what is under a finger.
  if (!facts || training.isLoading)
    return (
      <main className="page">
        <Loading what="the lesson" />
      </main>
    );
  const found = courseOf(training.school.courses, lesson.id);
  const { caution, Content } = LESSON_PAGES[lesson.id];
  return (
    <main className="page split diagnose">
      <DrillHead
        title={lesson.title}
        words={found ? `${found.course.title}, ${placeWords(found)}` : 'not part of a course here'}
        leave="School"
      />
      <section className="work lesson" role="group" aria-label="The lesson" tabIndex={0}>
        {caution !== null && (
          <p className="caution">
            <b>Caution.</b> {caution}
          </p>
        )}
        <Content facts={facts} />
      </section>
      <section className="paper" aria-label="The course">
        <h2>Do it</h2>
        <ul className="list-none p-0">
          {lesson.toDo.map((toDo) => (
            <li key={toDoWords(toDo)} className="mt-2">
              <Link className={`btn ${toDo === first ? 'go' : ''}`} to={pathOf(toDo)}>
                {toDoWords(toDo)} {toDo === first && <kbd>Enter</kbd>}
              </Link>{' '}
              {isToDoDone(toDo, training) && <span>done</span>}
            </li>
          ))}
        </ul>
        {found && <LessonsOf course={found.course} lesson={lesson} done={training} />}
        <p className="small mt-4">
          A lesson is done when you have done each of these once. A drill counts right or wrong, and
          its answers count like all others. A tasting counts once the cups are revealed.
        </p>
      </section>
    </main>
  );
}

/** The lessons of the course, this one among them. */
function LessonsOf({ course, lesson, done }: { course: Course; lesson: Lesson; done: Done }) {
  return (
    <>
      <h2 className="mt-6">{course.title}</h2>
      <ol className="list-none p-0">
        {course.lessons.map((l, i) => (
          <li key={l.id} className="mt-1">
            {l.id === lesson.id ? (
              <b>
                {i + 1} · {l.title}
              </b>
            ) : (
              <Link className="btn quiet" to={`/school/lesson/${l.id}`}>
                {i + 1} · {l.title}
              </Link>
            )}{' '}
            {isLessonDone(l, done) && <span className="small">done</span>}
          </li>
        ))}
      </ol>
    </>
  );
}
