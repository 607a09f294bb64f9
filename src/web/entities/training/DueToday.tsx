import { Link } from 'react-router';
import { sessionMinutes, SKILLS } from '#core/training';
import { useSkillsDue } from './useSkillsDue';

/** On a trainee’s Bar while nothing runs: what is due today. */
export function DueToday() {
  const { due, drills, isSettled } = useSkillsDue();
  if (!isSettled || drills.length === 0) return null;
  const skills = due.filter((s) => s.kind === 'due').map((s) => SKILLS[s.skill]);
  return (
    <p className="flex flex-wrap items-center gap-3">
      <span>
        {skills.length > 0 ? `Due today at School: ${skills.join(', ')}.` : 'New at School.'}{' '}
        {drills.length} questions, about {sessionMinutes(drills)} minutes.
      </span>
      <Link className="btn" to="/school/today">
        Practise
      </Link>
    </p>
  );
}
