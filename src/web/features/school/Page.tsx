import { Link } from 'react-router';
import { siteDate } from '#core/time';
import { type Drill, DRILL_NAMES, DRILLS, ENOUGH, sessionMinutes, SKILLS } from '#core/training';
import { skillsOf, type SkillStand } from '#core/training';
import { useSession, useZone } from '../../entities/people/session';
import { useAddSignEventMutation } from '../../entities/training/api';
import { RecordLinks } from '../../entities/training/RecordLinks';
import { useSkillsDue } from '../../entities/training/useSkillsDue';
import { useTraining } from '../../entities/training/useTraining';
import { failureOf } from '../../platform/api';
import { useNow } from '../../platform/clock';
import { newId } from '../../platform/ids';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { DrillList, START_KEYS } from './DrillList';
import { NextLesson } from './lessons/NextLesson';
import { SkillTubes } from './SkillTubes';

const DRAWN_EVERY_MS = 60_000;
/** One’s own skills: what the last answers can mean, what is signed, what to practise. */
export function SchoolPage() {
  const training = useTraining();
  const { name, role, personId } = useSession();
  const zone = useZone();
  const now = useNow(DRAWN_EVERY_MS);
  const go = useGo();
  const { due, drills } = useSkillsDue();
  useKeys([
    ...(drills.length > 0
      ? [{ key: 't', does: 'Practise what is due today', run: () => go('/school/today') }]
      : []),
    ...DRILL_NAMES.map((drill) => ({
      key: START_KEYS[drill],
      does: `Start ${DRILLS[drill].name}`,
      run: () => go(`/school/${drill}`),
    })),
    { key: 'g', does: 'Weigh five spoons', run: () => go('/school/weigh') },
    { key: 'l', does: 'All courses', run: () => go('/school/courses') },
    ...(role === 'lead' ? [{ key: 'b', does: 'The board', run: () => go('/school/board') }] : []),
  ]);
  if (training.isLoading)
    return (
      <main className="page">
        <Loading what="your answers" />
      </main>
    );
  if (training.isError && training.answers.length === 0)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <button type="button" className="btn" onClick={() => void training.refetch()}>
              Try again
            </button>
          }
        >
          Your answers cannot be read. What is answered meanwhile is kept on this device.
        </Nothing>
      </main>
    );
  const today = siteDate(zone, now);
  const stands = skillsOf(training.answers, training.signs, now, today);
  const signed = stands.filter((s) => s.sign.state === 'signed' || s.sign.state === 'lapsing');
  return (
    <main className="page split whole school">
      <section className="work" role="group" aria-label="Skills" tabIndex={0}>
        <h1 className="text-[30px] font-semibold leading-tight">
          {name}{' '}
          <small className="text-[17px] font-normal">
            {role}, {signed.length} {signed.length === 1 ? 'skill' : 'skills'} signed
          </small>
        </h1>
        <p className="small mb-3">
          Level: the lowest skill that your last 30 answers can mean, out of 100. From{' '}
          {100 * ENOUGH} there is enough evidence for a sign-off.
        </p>
        <SkillTubes stands={stands} seen={training.seen} />
      </section>
      <section className="paper" aria-label="What to practise">
        <NextLesson
          done={training}
          lists={training.school.courses}
          isTrainee={role === 'trainee'}
        />
        <h2>To practise</h2>
        <Today drills={drills} />
        <DrillList answers={training.answers} due={due} today={today} />
        <p className="small mt-4">
          Cups of the drill are simulated from this house’s teas and vessels. A lead tastes a cup
          with you and signs the skill. A figure alone is not enough.
        </p>
        <p className="small mt-2">
          Hot water and steam burn. Warm a glass before you pour hot water in. Do not serve a faulty
          cup to a guest.
        </p>
        <Ask stands={stands} />
        <p className="mt-4">
          <RecordLinks personId={personId} of="Your record" />
        </p>
        {role === 'lead' && (
          <div className="foot">
            <Link className="btn" to="/school/board">
              The board <kbd>B</kbd>
            </Link>
          </div>
        )}
      </section>
    </main>
  );
}
/** One sitting of what is due, and of what is new. */
function Today({ drills }: { drills: readonly Drill[] }) {
  if (drills.length === 0)
    return (
      <p className="drill-row">
        Nothing is due today. After good answers a skill comes back later. After poor answers the
        skill comes back the next day.
      </p>
    );
  const skills = [...new Set(drills.map((d) => SKILLS[DRILLS[d].skill]))].join(', ');
  return (
    <div className="drill-row">
      <div>
        <b className="text-[19px] font-semibold">Today</b>
        <p className="small">
          {skills}. {drills.length} questions, about {sessionMinutes(drills)} minutes. Your open
          lesson comes first, then the skill you most likely forgot.
        </p>
      </div>
      <Link className="btn go" to="/school/today">
        Start <kbd>T</kbd>
      </Link>
    </div>
  );
}
/** Asks for the sign-off of a skill that has been practised and is not signed. */
function Ask({ stands }: { stands: readonly SkillStand[] }) {
  const { site, personId } = useSession();
  const [ask, asking] = useAddSignEventMutation();
  const open = stands.filter((s) => s.answers > 0 && !s.sign.asked && s.sign.state !== 'signed');
  const asked = stands.filter((s) => s.sign.asked);
  return (
    <div className="grid gap-2 mt-4 justify-items-start">
      {asked.map((s) => (
        <p key={s.skill} role="status">
          <b className="font-semibold">{SKILLS[s.skill]}</b>: sign-off asked for. A lead will taste
          a cup with you.
        </p>
      ))}
      {open.map((s) => (
        <button
          key={s.skill}
          type="button"
          className="btn"
          disabled={asking.isLoading}
          onClick={() =>
            void ask({
              ...{ id: newId(), siteId: site.id, personId, skill: s.skill },
              ...{ kind: 'asked', until: null, note: '' },
            })
          }
        >
          Ask for sign-off: {SKILLS[s.skill]}
        </button>
      ))}
      {asking.error && <Note bad>{failureOf(asking.error).message}</Note>}
    </div>
  );
}
