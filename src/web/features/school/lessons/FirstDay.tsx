import { Link } from 'react-router';
import { FIRST_DAY, isLessonDone, nextLesson } from '#core/training';
import type { DrillAnswer } from '#contracts/training';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';

/** The course of the first day: how far one is, and the lesson that is next. For others than trainees a link. */
export function FirstDay({
  answers,
  isTrainee,
}: {
  answers: readonly DrillAnswer[];
  isTrainee: boolean;
}) {
  const go = useGo();
  const next = nextLesson(FIRST_DAY, answers);
  const open = next ?? FIRST_DAY[0];
  const path = `/school/lesson/${open?.id ?? ''}`;
  useKeys([{ key: 'y', does: 'The course of the first day', run: () => go(path) }]);
  if (!isTrainee || next === null)
    return (
      <p className="mb-3">
        <Link className="btn quiet" to={path}>
          The course of the first day <kbd>Y</kbd>
        </Link>
      </p>
    );
  const done = FIRST_DAY.filter((lesson) => isLessonDone(lesson, answers)).length;
  return (
    <section className="mb-4" aria-label="First day">
      <h2>First day</h2>
      <div className="drill-row">
        <div>
          <b className="text-[19px] font-semibold">{next.title}</b>
          <p className="small">
            {done} of {FIRST_DAY.length} lessons done. Read one page, then practise.
          </p>
        </div>
        <Link className="btn go" to={path}>
          Lesson <kbd>Y</kbd>
        </Link>
      </div>
    </section>
  );
}
