import { useState } from 'react';
import { Link } from 'react-router';
import type { Drill } from '#core/training';
import { useSkillsDue } from '../../entities/training/useSkillsDue';
import { useGo } from '../../platform/useGo';
import { Loading, Nothing } from '../../ui/Note';
import { DrillSitting } from './DrillSitting';

/** What is due today, the skills in turn. What was planned when it began stays, whatever is answered meanwhile. */
export function SessionPage() {
  const { drills: planned, isSettled } = useSkillsDue();
  const go = useGo();
  const [drills, hold] = useState<readonly Drill[] | null>(null);
  const [at, setAt] = useState(0);
  if (drills === null && isSettled) hold(planned);
  if (drills === null)
    return (
      <main className="page">
        <Loading what="what is due" />
      </main>
    );
  const drill = drills[at];
  if (!drill)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/school">
              School
            </Link>
          }
        >
          Nothing is due today.
        </Nothing>
      </main>
    );
  const isLast = at + 1 === drills.length;
  const onNext = () => (isLast ? go('/school') : setAt(at + 1));
  return <DrillSitting key={at} drill={drill} within={{ at: at + 1, of: drills.length, onNext }} />;
}
