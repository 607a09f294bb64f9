import type { ReactNode } from 'react';
import { type Drill, DRILLS } from '#core/training';
import { useGo } from '../../platform/useGo';
import { type KeyBinding, useKeys } from '../../ui/keys';
import { AnswerFoot } from './AnswerFoot';
import { DrillHead } from './DrillHead';
import type { Place } from './Sitting';

/** The page of one question: what is asked on the left, the answer and what goes on on the right. */
export function QuestionFrame({
  drill,
  level,
  place,
  about = '',
  label = 'The question',
  submit: submitWords = 'Submit',
  next: nextWords = 'Next question',
  isDone,
  canSubmit,
  onSubmit,
  onEnter = onSubmit,
  onUndo,
  onDispute,
  keys = [],
  paper,
  children,
}: {
  drill: Drill;
  level: number;
  place: Place;
  /** What is said beside the place, before the level. */
  about?: string;
  /** The name of what is asked about. */
  label?: string;
  submit?: string;
  next?: string;
  isDone: boolean;
  canSubmit: boolean;
  onSubmit: () => void;
  /** What Enter does before the answer, where it is not to submit. */
  onEnter?: () => void;
  onUndo: () => void;
  onDispute: () => void;
  /** The question’s own keys, beside those that every question has. */
  keys?: readonly KeyBinding[];
  paper: ReactNode;
  children: ReactNode;
}) {
  const go = useGo();
  const isLast = place.at === place.of;
  const next = () => (isLast ? go('/school') : place.onNext());
  const submit = () => {
    if (canSubmit && !isDone) onSubmit();
  };
  const enter = () => (onEnter === onSubmit ? submit() : onEnter());
  useKeys([
    ...keys,
    { key: 'z', does: 'Take the last step back', run: onUndo },
    { key: 'Enter', does: onEnter === onSubmit ? 'Submit' : 'Set down, or submit', run: enter },
    { key: ' ', does: isDone ? nextWords : 'Submit', run: isDone ? next : submit },
    { key: 'Escape', does: 'Leave: answers are kept', run: () => go('/school') },
  ]);
  return (
    <main className="page split diagnose">
      <DrillHead
        title={DRILLS[drill].name}
        words={[`${place.at} of ${place.of}`, about, `level ${level}`].filter(Boolean).join(', ')}
      />
      <section className="work" role="group" aria-label={label} tabIndex={0}>
        {children}
      </section>
      <section className="paper" aria-label="Answer">
        {paper}
        <div className="foot">
          {isDone ? (
            <AnswerFoot isLast={isLast} next={nextWords} onNext={next} onDispute={onDispute} />
          ) : (
            <button type="button" className="btn go" disabled={!canSubmit} onClick={submit}>
              {submitWords} {onEnter === onSubmit && <kbd>Enter</kbd>}
            </button>
          )}
        </div>
      </section>
    </main>
  );
}
