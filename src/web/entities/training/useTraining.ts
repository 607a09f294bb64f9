import { useMemo } from 'react';
import type { DrillAnswer } from '#contracts/training';
import { useAppSelector } from '../../platform/store';
import { useSession } from '../people/session';
import { useTrainingQuery } from './api';
import { isTrainingWrite } from './writes';

const byTime = (a: DrillAnswer, b: DrillAnswer) => a.at - b.at || (a.id < b.id ? -1 : 1);
/** What one has answered and what is signed: what this device has not sent yet is among it. */
export function useTraining() {
  const { data, isLoading, isError, refetch } = useTrainingQuery();
  const { personId } = useSession();
  const waiting = useAppSelector((s) => s.outbox.waiting);
  const answers = useMemo(() => {
    const unsent = waiting
      .filter(isTrainingWrite)
      .filter((w) => w.maker?.personId === personId)
      .map((w) => w.answer);
    const known = new Set(data?.answers.map((a) => a.id));
    return [...(data?.answers ?? []), ...unsent.filter((a) => !known.has(a.id))].sort(byTime);
  }, [data, waiting, personId]);
  return {
    answers,
    signs: data?.signs ?? [],
    isLoading,
    isError: isError && !data,
    isThere: data !== undefined,
    refetch,
  };
}
