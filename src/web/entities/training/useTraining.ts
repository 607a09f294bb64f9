import { useMemo } from 'react';
import { BREWER_SKILLS, USUAL_COURSES } from '#core/training';
import type { DrillAnswer, SchoolSettings } from '#contracts/training';
import { useAppSelector } from '../../platform/store';
import { useSession } from '../people/session';
import { useTrainingQuery } from './api';
import { isAnswerWrite } from './writes';

const USUAL_SCHOOL: SchoolSettings = {
  courses: USUAL_COURSES,
  brewerSkills: [...BREWER_SKILLS],
};
const byTime = (a: DrillAnswer, b: DrillAnswer) => a.at - b.at || (a.id < b.id ? -1 : 1);
/** What one has answered and what is signed: what this device has not sent yet is among it. */
export function useTraining() {
  // Another device may have added to it: it is asked for again wherever it is read.
  const {
    data: read,
    isFetching,
    isError,
    refetch,
  } = useTrainingQuery(undefined, { refetchOnMountOrArgChange: true });
  const { personId } = useSession();
  // Of whoever was here before nothing is shown.
  const data = read?.person.id === personId ? read : undefined;
  const waiting = useAppSelector((s) => s.outbox.waiting);
  const answers = useMemo(() => {
    const unsent = waiting
      .filter(isAnswerWrite)
      .filter((w) => w.maker?.personId === personId)
      .map((w) => w.answer);
    const known = new Set(data?.answers.map((a) => a.id));
    return [...(data?.answers ?? []), ...unsent.filter((a) => !known.has(a.id))].sort(byTime);
  }, [data, waiting, personId]);
  return {
    answers,
    seen: data?.seen ?? [],
    tables: data?.tables ?? [],
    school: data?.school ?? USUAL_SCHOOL,
    signs: data?.signs ?? [],
    potGradient: data?.potGradient ?? null,
    isLoading: isFetching && !data,
    isError: isError && !data,
    /** The server has answered, or will not. */
    isSettled: !isFetching,
    refetch,
  };
}
