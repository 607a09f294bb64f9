import { useState } from 'react';
import type { AuditEntry, AuditFilters, AuditKind } from '#contracts/audit';
import { useAuditQuery } from '../../../entities/history/api';
import { ChangeLines } from '../../../entities/history/History';
import { useSession } from '../../../entities/people/session';
import { clockText, weekdayText } from '../../../ui/days';
import { Loading, Note, Nothing } from '../../../ui/Note';
import { whatText } from './words';

/** A hundred entries, and those before them when they are asked for. */
export function AuditList({ filters }: { filters: AuditFilters }) {
  const [pages, setPages] = useState<readonly (string | undefined)[]>([undefined]);
  return (
    <ol className="mt-4">
      {pages.map((before, i) => (
        <AuditEntries
          key={before ?? ''}
          filters={filters}
          before={before}
          onMore={i === pages.length - 1 ? (next) => setPages((all) => [...all, next]) : undefined}
        />
      ))}
    </ol>
  );
}

function AuditEntries({
  filters,
  before,
  onMore,
}: {
  filters: AuditFilters;
  before: string | undefined;
  onMore: ((next: string) => void) | undefined;
}) {
  const { data, isError } = useAuditQuery({ ...filters, before });
  if (isError)
    return (
      <li>
        <Note bad>This cannot be read just now.</Note>
      </li>
    );
  if (!data)
    return (
      <li>
        <Loading what="what happened" />
      </li>
    );
  if (data.entries.length === 0 && before === undefined)
    return (
      <li>
        <Nothing>Nothing like this happened here.</Nothing>
      </li>
    );
  const { next } = data;
  return (
    <>
      {data.entries.map((e) => (
        <Entry key={e.id} entry={e} />
      ))}
      {next !== null && onMore && (
        <li className="mt-3">
          <button type="button" className="btn" onClick={() => onMore(next)}>
            Earlier
          </button>
        </li>
      )}
    </>
  );
}

/** Of a sign-in it is said already. */
const SAYS_WHAT: ReadonlySet<AuditKind> = new Set(['refused', 'export']);
function Entry({ entry: e }: { entry: AuditEntry }) {
  const { sites } = useSession();
  const site = sites.find((s) => s.id === e.siteId)?.name;
  return (
    <li className="grid grid-cols-[170px_minmax(0,1fr)] gap-x-4 border-b border-line py-2 max-[700px]:grid-cols-[minmax(0,1fr)]">
      <span className="small">
        {weekdayText(e.at)} {clockText(e.at)}
      </span>
      <div className="min-w-0">
        {e.by && <b>{e.by.name} </b>}
        <span className={e.kind === 'refused' ? 'text-warn' : ''}>{whatText(e)}</span>
        {e.change ? (
          <div className="changes small">
            <ChangeLines lines={e.change.lines} />
          </div>
        ) : (
          <div className="small break-all">
            {[SAYS_WHAT.has(e.kind) ? e.what : '', site, e.address].filter(Boolean).join(' · ')}
          </div>
        )}
      </div>
    </li>
  );
}
