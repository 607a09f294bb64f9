import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { LEAF_LESSON_IDS, LEAF_LESSONS, leafCautions, type LeafLessonId } from '#core/tastings';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { useSession } from '../../../entities/people/session';
import { teaFor, vesselsFor } from '../../../entities/tastings/leafLesson';
import { useBookQuery } from '../../../entities/teas/api';
import { TeaPick } from '../../../entities/teas/TeaPick';
import { useVesselsQuery } from '../../../entities/vessels/api';
import { VesselPick } from '../../../entities/vessels/VesselPick';
import { Awaited } from '../../../platform/Awaited';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Nothing } from '../../../ui/Note';
import { LeafCups } from './LeafCups';

/** A lesson with leaf as its trainer sets it out, with this house's own tea and vessel. */
export function LeafPage() {
  const { id } = useParams();
  const books = useBookQuery();
  const shelves = useVesselsQuery();
  const [book, shelf] = [books.data, shelves.data];
  const { site } = useSession();
  const lesson = LEAF_LESSON_IDS.find((known) => known === id);
  if (!lesson)
    return (
      <main className="page p-6">
        <Nothing action={<Link to="/school/courses">All courses</Link>}>
          There is no such lesson.
        </Nothing>
      </main>
    );
  if (!book || !shelf) return <Awaited what="the lesson" of={[books, shelves]} />;
  const teas = book.teas.filter((t) => !t.retired && t.house);
  const vessels = vesselsFor(
    lesson,
    shelf.vessels.filter((v) => v.siteId === site.id && !v.retired && v.kind !== 'pitcher'),
  );
  const [vessel] = vessels;
  if (teas.length === 0 || !vessel)
    return (
      <main className="page p-6">
        <Nothing action={<Link to="/book">To the book</Link>}>
          A lesson with leaf needs a tea with a house recipe and a vessel.
        </Nothing>
      </main>
    );
  return (
    <TrainerSheet
      key={lesson}
      lesson={lesson}
      teas={teas}
      vessels={vessels}
      first={{ tea: teaFor(lesson, teas), vessel }}
    />
  );
}

function TrainerSheet({
  lesson,
  teas,
  vessels,
  first,
}: {
  lesson: LeafLessonId;
  teas: readonly Tea[];
  vessels: readonly Vessel[];
  first: { readonly tea: Tea; readonly vessel: Vessel };
}) {
  const { role } = useSession();
  const go = useGo();
  const [tea, setTea] = useState(first.tea);
  const [vessel, setVessel] = useState(first.vessel);
  const { title, setOut } = LEAF_LESSONS[lesson];
  const maySet = role !== 'trainee';
  const path = `/table/new?lesson=${lesson}&tea=${tea.id}&vessel=${vessel.id}`;
  useKeys([
    ...(maySet ? [{ key: 'Enter', does: 'Set out at the Table', run: () => go(path) }] : []),
    { key: 'Escape', does: 'All courses', run: () => go('/school/courses') },
  ]);
  return (
    <main className="page split diagnose">
      <h1 className="visually-hidden">{title}</h1>
      <div className="say">
        <span>{title}</span>
        <span>with</span>
        <TeaPick tea={tea} teas={teas} onPick={setTea} />
        <span>in the</span>
        <VesselPick vessel={vessel} vessels={vessels} onPick={setVessel} />
        <span className="gap" />
        <Link className="btn quiet" to="/school/courses">
          Courses <kbd>Esc</kbd>
        </Link>
      </div>
      <section className="work lesson" role="group" aria-label="What is set out" tabIndex={0}>
        <p className="caution">
          <b>Caution.</b> {leafCautions(lesson, tea.allergens).join(' ')}
        </p>
        <h2>Set out</h2>
        <p>{setOut}</p>
        {maySet ? (
          <LeafCups lesson={lesson} tea={tea} vessel={vessel} />
        ) : (
          <p className="mt-4">
            You taste without knowing which cup is which. So the cups are not shown to you here.
          </p>
        )}
      </section>
      <section className="paper" aria-label="What is asked">
        <AskAndTeach lesson={lesson} maySet={maySet} />
        {maySet && (
          <div className="foot">
            <Link className="btn go" to={path}>
              Set out at the Table <kbd>Enter</kbd>
            </Link>
          </div>
        )}
      </section>
    </main>
  );
}

function AskAndTeach({ lesson, maySet }: { lesson: LeafLessonId; maySet: boolean }) {
  const { ask, teach } = LEAF_LESSONS[lesson];
  return (
    <>
      <h2>Ask</h2>
      <p>{ask}</p>
      <p className="mt-3">
        Everybody looks, smells the leaf, smells the cup and tastes. Nobody speaks until all sheets
        are submitted.
      </p>
      {maySet ? (
        <>
          <h2 className="mt-6">Teach, after the reveal</h2>
          <p>{teach}</p>
          <p className="small mt-4">
            Print the trainer’s sheet at the Table once the cups have their codes. If the table
            tastes otherwise than expected, the table is right: its marks are kept and used when the
            tea is fitted.
          </p>
        </>
      ) : (
        <p className="small mt-4">
          A brewer or a lead sets this out. The lesson is done when the tasting is revealed and your
          sheet is in.
        </p>
      )}
    </>
  );
}
