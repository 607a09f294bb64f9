import type { ResponseOf } from '#contracts/endpoint';
import type { getTrainingBoard } from '#contracts/training';
import { useSession } from '../../entities/people/session';
import { useSettleDisputeMutation } from '../../entities/training/api';
import { failureOf } from '../../platform/api';
import { dayText } from '../../ui/days';
import { Note } from '../../ui/Note';
import { disputeWords } from './disputeWords';

type Disputed = ResponseOf<typeof getTrainingBoard>['disputed'];

/** Questions that somebody reported as wrong; a lead says which of them were. */
export function Disputes({ disputed }: { disputed: Disputed }) {
  const { name } = useSession();
  const [settle, settling] = useSettleDisputeMutation();
  if (disputed.length === 0) return null;
  return (
    <>
      <h2 className="mt-5">Questions reported as wrong</h2>
      <ul className="grid gap-3">
        {disputed.map((d) => (
          <li key={d.answerId}>
            <b className="font-semibold">{d.by}</b>, {dayText(d.at)}: {disputeWords(d.task)}
            {d.by !== name && (
              <span className="flex flex-wrap gap-2 mt-1">
                <button
                  type="button"
                  className="btn slim"
                  disabled={settling.isLoading}
                  onClick={() => void settle({ id: d.answerId, isWrong: true })}
                >
                  The question is wrong
                </button>
                <button
                  type="button"
                  className="btn slim"
                  disabled={settling.isLoading}
                  onClick={() => void settle({ id: d.answerId, isWrong: false })}
                >
                  The question is right
                </button>
              </span>
            )}
          </li>
        ))}
      </ul>
      {settling.error && <Note bad>{failureOf(settling.error).message}</Note>}
    </>
  );
}
