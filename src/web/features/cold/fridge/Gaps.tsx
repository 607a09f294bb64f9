import { type FormEvent, useState } from 'react';
import { type FridgeAir, type HouseLimits, limitsFor, unknownGaps } from '#core/cold';
import { weekdayAndTime } from '#core/time';
import { readingText } from '#core/units';
import type { FridgeGap } from '#contracts/fridge';
import { useAnswerFridgeGapMutation } from '../../../entities/batches/api';
import { useClock, useSession, useUnits } from '../../../entities/people/session';
import { failureOf, fieldFaults } from '../../../platform/api';
import { newId } from '../../../platform/ids';
import { Note } from '../../../ui/Note';

const SHOWN = 3;
type Stretch = ReturnType<typeof unknownGaps>[number];

/** Where nothing was read: what was it? Until a lead answers, the stretch counts as warm. */
export function Gaps({
  air,
  limits,
}: {
  air: { readings: FridgeAir['readings']; gaps: readonly FridgeGap[] };
  limits: HouseLimits;
}) {
  const { role } = useSession();
  const units = useUnits();
  const clock = useClock();
  const keeping = limitsFor(limits, false);
  const open = unknownGaps(air, keeping);
  return (
    <>
      {open.slice(0, SHOWN).map((g) => (
        <Note key={g.from} bad>
          <b>
            No reading from {weekdayAndTime(clock, g.from)} to {weekdayAndTime(clock, g.to)}: what
            was the reason?
          </b>{' '}
          Until a lead answers, this time counts as{' '}
          {readingText(keeping.unknown, units.temperature)} at least.
          {role === 'lead' && <Answer gap={g} />}
        </Note>
      ))}
      {open.length > SHOWN && <p className="small">And {open.length - SHOWN} more.</p>}
      {air.gaps.slice(-SHOWN).map((g) => (
        <p key={g.id} className="small">
          No reading from {weekdayAndTime(clock, g.from)} to {weekdayAndTime(clock, g.to)}:{' '}
          {g.reason}, says {g.by}.
        </p>
      ))}
    </>
  );
}

/** A lead says why nothing was read; then the warmer of both readings holds. */
function Answer({ gap }: { gap: Stretch }) {
  const { site } = useSession();
  const [id] = useState(newId);
  const [reason, setReason] = useState('');
  const [answer, answering] = useAnswerFridgeGapMutation();
  const submit = (e: FormEvent) => {
    e.preventDefault();
    void answer({ id, siteId: site.id, from: gap.from, to: gap.to, reason });
  };
  const fault = answering.error
    ? (fieldFaults(answering.error).reason ?? failureOf(answering.error).message)
    : null;
  return (
    <form className="with-unit mt-2" onSubmit={submit} noValidate>
      <input
        className="box"
        aria-label="Reason"
        placeholder="Power was on, the probe was off"
        maxLength={200}
        value={reason}
        aria-invalid={fault !== null}
        onChange={(e) => setReason(e.target.value)}
      />
      <button type="submit" className="btn slim" disabled={answering.isLoading}>
        Answer
      </button>
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
    </form>
  );
}
