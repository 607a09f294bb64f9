import { judgedPicks, type PickAnswer, type PickWorked } from '#core/training';
import { VERDICT_WORDS } from '../verdictWords';

/** After the answer: verdict, what it was, the mistake it comes from, one sentence of the trade. */
export function PickPaper({
  worked,
  isMany,
  answered,
}: {
  worked: PickWorked;
  isMany: boolean;
  answered: PickAnswer | null;
}) {
  if (!answered)
    return (
      <>
        <h2>Answer</h2>
        <p className="mt-2" role="status">
          {isMany
            ? 'Touch every right answer, or press its number. Touch an answer again to take the answer back.'
            : 'Touch the right answer, or press its number.'}
        </p>
        <p className="small mt-4">There is no time limit.</p>
      </>
    );
  const mistake = worked.mistake(answered.picks);
  return (
    <>
      <h2>Answer</h2>
      <div role="status">
        <p className="text-[32px] font-semibold leading-[1.15]">
          {VERDICT_WORDS[judgedPicks(worked, answered)]}
        </p>
        {mistake !== null && <p>{mistake}</p>}
      </div>
      <h2 className="mt-4">The right answer</h2>
      {worked.working.map((line) => (
        <p key={line}>{line}</p>
      ))}
      <p className="mt-4">{worked.lesson}</p>
    </>
  );
}
