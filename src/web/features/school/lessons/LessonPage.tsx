import { Link, useParams } from 'react-router';
import { type Drill, DRILLS, FIRST_DAY, isLessonDone, leftToDo } from '#core/training';
import { useDrillFacts } from '../../../entities/training/useDrillFacts';
import { useTraining } from '../../../entities/training/useTraining';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Loading, Nothing } from '../../../ui/Note';
import { DrillHead } from '../DrillHead';
import { LESSON_PAGES } from './pages';

const practise = (drill: Drill): string => `/school/${drill}?few`;

/** A lesson: one page with this house's own teas and vessels, then its drills. */
export function LessonPage() {
  const { id } = useParams();
  const facts = useDrillFacts();
  const { answers, isLoading } = useTraining();
  const go = useGo();
  const at = FIRST_DAY.findIndex((lesson) => lesson.id === id);
  const lesson = FIRST_DAY[at];
  const [drill] = lesson ? leftToDo(lesson, answers) : [];
  const first = drill ?? lesson?.drills[0];
  useKeys([
    ...(first
      ? [{ key: 'Enter', does: `Practise ${DRILLS[first].name}`, run: () => go(practise(first)) }]
      : []),
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
  if (!facts || isLoading)
    return (
      <main className="page">
        <Loading what="the lesson" />
      </main>
    );
  const { caution, Content } = LESSON_PAGES[lesson.id];
  return (
    <main className="page split diagnose">
      <DrillHead
        title={lesson.title}
        words={`First day, lesson ${at + 1} of ${FIRST_DAY.length}`}
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
          {lesson.drills.map((d) => (
            <li key={d} className="mt-2">
              <Link className={`btn ${d === first ? 'go' : ''}`} to={practise(d)}>
                {DRILLS[d].name} {d === first && <kbd>Enter</kbd>}
              </Link>{' '}
              {answers.some((a) => a.drill === d) && <span>done</span>}
            </li>
          ))}
        </ul>
        <h2 className="mt-6">First day</h2>
        <ol className="list-none p-0">
          {FIRST_DAY.map((l, i) => (
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
              {isLessonDone(l, answers) && <span className="small">done</span>}
            </li>
          ))}
        </ol>
        <p className="small mt-4">
          A lesson is done when you have answered each drill once, right or wrong. These answers
          count like all others.
        </p>
      </section>
    </main>
  );
}
