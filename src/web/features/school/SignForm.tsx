import { useState } from 'react';
import { siteDate } from '#core/time';
import { type Evidence, signedUntil, SKILLS } from '#core/training';
import { seenWords, signWords, type SkillStand } from '#core/training';
import { capital, numberText } from '#core/units';
import type { Practice } from '#contracts/training';
import { useSession, useZone } from '../../entities/people/session';
import { useAddSignEventMutation } from '../../entities/training/api';
import { RecordLinks } from '../../entities/training/RecordLinks';
import { failureOf, fieldFaults } from '../../platform/api';
import { now } from '../../platform/clock';
import { newId } from '../../platform/ids';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import { dateText } from '../../ui/days';
import { Note } from '../../ui/Note';

const evidenceWords = ({ credit, n, days, bound }: Evidence): string =>
  `At level 3: ${numberText(credit)} of ${n} answers right, on ${days} ${days === 1 ? 'day' : 'days'}. ` +
  `The lowest level that this can mean: ${numberText(100 * bound, 0)} of 100.`;

/** Signs a skill, or takes a sign-off back with a reason. */
export function SignForm({
  person,
  seen,
  stand: { skill, evidence, sign },
  onDone,
}: {
  person: Practice['person'];
  seen: Practice['seen'];
  stand: SkillStand;
  onDone: () => void;
}) {
  const { site, personId } = useSession();
  const zone = useZone();
  const dispatch = useAppDispatch();
  const [send, sending] = useAddSignEventMutation();
  const [note, setNote] = useState('');
  const [until, setUntil] = useState(() => signedUntil(siteDate(zone, now())));
  const isSigned = sign.state === 'signed' || sign.state === 'lapsing';
  const inShop = seenWords(skill, seen);
  const signed = signWords(sign, dateText);
  const faults = fieldFaults(sending.error);
  const save = async (kind: 'signed' | 'withdrawn') => {
    const answer = await send({
      ...{ id: newId(), siteId: site.id, personId: person.id, skill, kind },
      ...{ until: kind === 'signed' ? until : null, note: note.trim() },
    });
    if (answer.error) return;
    const done = kind === 'signed' ? `signed until ${dateText(until)}` : 'withdrawn';
    dispatch(toastShown({ text: `${SKILLS[skill]} of ${person.name}: ${done}.` }));
    onDone();
  };
  return (
    <form
      className="form"
      onSubmit={(e) => {
        e.preventDefault();
        void save('signed');
      }}
    >
      <h2>
        {SKILLS[skill]} of {person.name}
      </h2>
      <p>
        <RecordLinks personId={person.id} of={`Record of ${person.name}`} />
      </p>
      <p>
        {evidence.n === 0 ? 'No answers at level 3 yet.' : evidenceWords(evidence)}{' '}
        {signed === '' ? '' : `${capital(signed)}.`}
      </p>
      <p>In the shop: {inShop}.</p>
      {personId === person.id ? (
        <p>You cannot sign your own skills: ask another lead.</p>
      ) : (
        <>
          {!evidence.enough && (
            <p className="small">You can sign with fewer answers. Write what you saw.</p>
          )}
          <label className="grid gap-1">
            <span className="text-[15px] font-semibold">What was seen</span>
            <input
              className="box"
              value={note}
              maxLength={300}
              aria-invalid={faults.note !== undefined}
              onChange={(e) => setNote(e.target.value)}
            />
            {faults.note && <span className="fault">{faults.note}</span>}
          </label>
          <label className="grid gap-1">
            <span className="text-[15px] font-semibold">Holds until</span>
            <input
              type="date"
              className="box"
              value={until}
              required
              onChange={(e) => setUntil(e.target.value)}
            />
            {faults.until && <span className="fault">{faults.until}</span>}
          </label>
          <div className="flex gap-2">
            <button type="submit" className="btn go" disabled={sending.isLoading}>
              Sign
            </button>
            {isSigned && (
              <button
                type="button"
                className="btn"
                disabled={sending.isLoading}
                onClick={() => void save('withdrawn')}
              >
                Withdraw
              </button>
            )}
          </div>
        </>
      )}
      {sending.error && Object.keys(faults).length === 0 && (
        <Note bad>{failureOf(sending.error).message}</Note>
      )}
    </form>
  );
}
