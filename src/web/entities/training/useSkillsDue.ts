import { useMemo } from 'react';
import { skillsDue } from '#core/training';
import { epochMs } from '#core/units';
import { useNow } from '../../platform/clock';
import { useZone } from '../people/session';
import { useTraining } from './useTraining';

const LOOKED_EVERY_MS = 60_000;

/** One’s own skills as they stand in the schedule. Answers that one disputes are left out. */
export function useSkillsDue() {
  const { answers, isSettled } = useTraining();
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
  return { due, isSettled };
}
