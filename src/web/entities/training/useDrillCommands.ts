import { useMemo } from 'react';
import { siteDate, type Zone } from '#core/time';
import type { DrillTask, Judged } from '#core/training';
import { epochMs } from '#core/units';
import type { DrillAnswer } from '#contracts/training';
import { now } from '../../platform/clock';
import { newId } from '../../platform/ids';
import { queueWrite } from '../../platform/outbox/outbox';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import type { AnswerWrite, DisputeWrite, SpoonsWrite } from './writes';

export type Drilled = {
  readonly siteId: string;
  readonly zone: Zone;
  readonly seed: number;
  readonly task: DrillTask;
  readonly ms: number;
  readonly credit: number;
  readonly judged: Judged;
  readonly guess: number;
};
/** What is done in a drill; an answer is kept on this device until the server has it. */
export function useDrillCommands() {
  const dispatch = useAppDispatch();
  return useMemo(
    () => ({
      answer({ siteId, zone, credit, judged, guess, ...rest }: Drilled): DrillAnswer {
        const [id, at] = [newId(), Math.round(now())];
        const answer: DrillAnswer = {
          ...{ id, at, day: siteDate(zone, epochMs(at)), drill: rest.task.drill },
          ...{ level: rest.task.given.level, credit, judged, guess, ms: rest.ms, disputed: false },
        };
        const body = { id, siteId, at, ...rest };
        dispatch(queueWrite<AnswerWrite>({ kind: 'drillAnswer', id, body, answer }));
        return answer;
      },
      /** Spoons of one tea, weighed one by one. */
      weighSpoons(
        weighed: Pick<SpoonsWrite['body'], 'siteId' | 'teaId' | 'spoon' | 'singles'>,
      ): void {
        const [id, at] = [newId(), Math.round(now())];
        dispatch(
          queueWrite<SpoonsWrite>({ kind: 'spoonWeighing', id, body: { id, at, ...weighed } }),
        );
      },
      /** “I say it is wrong”: a lead looks at it. */
      dispute(answerId: string): void {
        dispatch(queueWrite<DisputeWrite>({ kind: 'answerDispute', id: newId(), answerId }));
        dispatch(
          toastShown({
            text: 'Kept for the leads. This answer counts neither for you nor against you.',
          }),
        );
      },
    }),
    [dispatch],
  );
}
