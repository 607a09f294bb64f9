/** What goes on after an answer: the next question, or a word to the leads. */
export function AnswerFoot({
  isLast,
  next,
  onNext,
  onDispute,
}: {
  isLast: boolean;
  /** What comes next, in words. */
  next: string;
  onNext: () => void;
  onDispute: () => void;
}) {
  return (
    <>
      <button type="button" className="btn go" onClick={onNext}>
        {isLast ? 'Done' : next} <kbd>Space</kbd>
      </button>
      <button type="button" className="btn quiet" onClick={onDispute}>
        This question is wrong
      </button>
    </>
  );
}
