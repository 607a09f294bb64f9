import { Link } from 'react-router';
import {
  type Drill,
  DRILL_NAMES,
  DRILLS,
  SKILL_NAMES,
  type SkillDue,
  SKILLS,
} from '#core/training';
import type { DrillAnswer } from '#contracts/training';
import { dateText } from '../../ui/days';

/** The key that starts a drill. */
export const START_KEYS: Readonly<Record<Drill, string>> = {
  ...{ spoons: 'p', fillLine: 'i', scale: 'f', packet: 'k', splash: 'c', wait: 'w' },
  ...{ landing: 'h', again: 'a', turns: 'u', order: 'o', words: 'd', which: 'q' },
  ...{ rescue: 'v', plan: 'n', shift: 'x' },
  ...{ match: 'm', diagnose: 's', holding: 'e', fair: 'r' },
};

const lastWords = (day: string | undefined): string =>
  day === undefined ? 'Not begun.' : `Last on ${dateText(day)}.`;
function dueWords(due: SkillDue | undefined, today: string): string {
  if (!due || due.day === null) return '';
  if (due.kind === 'later') return ` Due ${dateText(due.day)}.`;
  return due.day === today ? ' Due today.' : ` Due since ${dateText(due.day)}.`;
}

/** Drills by the skill they are of, in the order in which skills are learnt. */
export function DrillList({
  answers,
  due,
  today,
}: {
  answers: readonly DrillAnswer[];
  due: readonly SkillDue[];
  today: string;
}) {
  return SKILL_NAMES.map((skill) => {
    const drills = DRILL_NAMES.filter((drill) => DRILLS[drill].skill === skill);
    if (drills.length === 0) return null;
    const last = answers.findLast((a) => DRILLS[a.drill].skill === skill);
    return (
      <div key={skill} className="drill-row skill">
        <p>
          <b className="text-[19px] font-semibold">{SKILLS[skill]}</b>{' '}
          <span className="small">
            {lastWords(last?.day)}
            {dueWords(
              due.find((s) => s.skill === skill),
              today,
            )}
          </span>
        </p>
        <div className="flex flex-wrap gap-2">
          {drills.map((drill) => (
            <Link key={drill} className="btn" to={`/school/${drill}`}>
              {DRILLS[drill].name} <kbd>{START_KEYS[drill].toUpperCase()}</kbd>
            </Link>
          ))}
          {skill === 'measure' && (
            <Link className="btn" to="/school/weigh">
              Weigh five spoons <kbd>G</kbd>
            </Link>
          )}
        </div>
      </div>
    );
  });
}
