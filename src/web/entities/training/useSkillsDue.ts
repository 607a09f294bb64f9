import { useMemo } from 'react';
import { drillsLeft, openLesson, sessionOf, skillsDue } from '#core/training';
import { epochMs } from '#core/units';
import { useNow } from '../../platform/clock';
import { useSession, useZone } from '../people/session';
import { useTraining } from './useTraining';

const LOOKED_EVERY_MS = 60_000;

/** One’s own skills as they are due, and the questions of the next sitting. Answers that one disputes are left out. */
export function useSkillsDue() {
  const { answers, tables, school, isSettled } = useTraining();
  const { role } = useSession();
  const zone = useZone();
  const now = useNow(LOOKED_EVERY_MS);
  const due = useMemo(
    () =>
      skillsDue(
        answers.filter((a) => !a.disputed).map((a) => ({ ...a, at: epochMs(a.at) })),
        now,
        zone,
      ),
    [answers, now, zone],
  );
  const drills = useMemo(() => {
    const done = { answers, tables };
    const open = role === 'trainee' ? openLesson(school.courses, done) : null;
    return sessionOf(due, open ? drillsLeft(open.lesson, done) : []);
  }, [due, answers, tables, school, role]);
  return { due, drills, isSettled };
}
