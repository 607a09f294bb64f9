import { useState } from 'react';
import type { Program } from '#contracts/programs';
import { useEndProgramMutation } from '../../../entities/people/programsApi';
import { useSession } from '../../../entities/people/session';
import { useNow } from '../../../platform/clock';
import { NotSaved } from '../../../platform/NotSaved';
import { agoText } from '../../../ui/ago';
import { oneTap } from '../../../ui/keys';
import { RIGHTS } from './words';

/** Every key, those in use first. */
export function ProgramList({ programs }: { programs: readonly Program[] }) {
  const [end, ending] = useEndProgramMutation();
  const [sure, setSure] = useState<string | null>(null);
  if (programs.length === 0) return <p className="small">No program has a key yet.</p>;
  const sorted = [...programs].sort((a, b) => Number(a.ended !== null) - Number(b.ended !== null));
  return (
    <>
      <NotSaved error={ending.error} />
      <ul>
        {sorted.map((p) => (
          <li key={p.id} className="flex flex-wrap items-center gap-x-4 border-b border-line py-2">
            <ProgramWords program={p} />
            {p.ended === null && (
              <button
                type="button"
                className="btn quiet slim"
                disabled={ending.isLoading}
                onClick={oneTap(() => (sure === p.id ? void end(p.id) : setSure(p.id)))}
              >
                {sure === p.id ? 'End the key now' : 'End the key'}
                <span className="visually-hidden"> of {p.name}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}

function ProgramWords({ program: p }: { program: Program }) {
  const { sites } = useSession();
  const now = useNow(15_000);
  const used = p.used === null ? 'not used yet' : `used ${agoText(p.used, now)}`;
  return (
    <div className="flex-1 min-w-[220px]">
      <b className={p.ended === null ? '' : 'line-through'}>{p.name}</b>{' '}
      <span className="small">{sites.find((s) => s.id === p.siteId)?.name}</span>
      <div>
        {p.rights.map((right) => RIGHTS[right]).join(', ')};{' '}
        {p.ended === null ? used : `ended ${agoText(p.ended, now)}`}
      </div>
      <div className="small break-all">
        made by {p.madeBy}
        {p.hook === null ? '' : `; hears at ${p.hook}`}
        {p.waiting > 0 && `; ${p.waiting} messages wait to be taken`}
        {p.lost > 0 && `; ${p.lost} messages were given up`}
      </div>
    </div>
  );
}
