import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { AUDIT_KINDS, type AuditKind } from '#contracts/audit';
import { ROUTES } from '#contracts/routes';
import { usePeopleQuery } from '../../../entities/people/api';
import { useFirstLoad } from '../../../platform/useFirstLoad';
import { Loading } from '../../../ui/Note';
import { LeadsOnly } from '../LeadsOnly';
import { AuditList } from './AuditList';
import { filtersOf, KINDS, NOTHING_TYPED, type Typed } from './words';

/** Who came in, what was refused, what was changed and what left by a file. */
export const AuditPage = () => (
  <LeadsOnly says="A lead sees who did what.">
    <Audit />
  </LeadsOnly>
);

function Audit() {
  const people = usePeopleQuery();
  const [typed, setTyped] = useState<Typed>(NOTHING_TYPED);
  const filters = filtersOf(useDeferredValue(typed));
  const loads = useFirstLoad(people);
  if (loads)
    return (
      <main className="page">
        <Loading what="who did what" />
      </main>
    );
  const csv = `${ROUTES.exportAudit.path}?${new URLSearchParams(filters as Record<string, string>)}`;
  return (
    <main className="page">
      <section
        className="scroll p-6 max-[700px]:p-4"
        role="group"
        tabIndex={0}
        aria-label="Who did what"
      >
        <div className="flex flex-wrap items-end gap-3">
          <h1 className="text-[26px] flex-1">Who did what</h1>
          <a className="btn quiet slim" href={csv} download>
            As CSV
          </a>
          <Link className="btn quiet slim" to="/house">
            To the house
          </Link>
        </div>
        <p className="small max-w-[720px]">
          Only added to: nobody changes or removes a line here, leads and the program included.
        </p>
        <AuditFields typed={typed} onType={setTyped} people={people.data?.people ?? []} />
        <AuditList key={JSON.stringify(filters)} filters={filters} />
      </section>
    </main>
  );
}

function AuditFields({
  typed,
  onType,
  people,
}: {
  typed: Typed;
  onType: (typed: Typed) => void;
  people: readonly { id: string; name: string }[];
}) {
  return (
    <div className="flex flex-wrap gap-3 mt-3">
      <div className="field-row">
        <label htmlFor="audit-kind">What</label>
        <select
          id="audit-kind"
          className="box"
          value={typed.kind}
          onChange={(e) => onType({ ...typed, kind: e.target.value as AuditKind | '' })}
        >
          <option value="">everything</option>
          {AUDIT_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {KINDS[kind]}
            </option>
          ))}
        </select>
      </div>
      <div className="field-row">
        <label htmlFor="audit-person">Who</label>
        <select
          id="audit-person"
          className="box"
          value={typed.personId}
          onChange={(e) => onType({ ...typed, personId: e.target.value })}
        >
          <option value="">anybody</option>
          {people.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </select>
      </div>
      <div className="field-row">
        <label htmlFor="audit-words">Words</label>
        <input
          id="audit-words"
          className="box"
          placeholder="vessel, book.json, 192.168"
          value={typed.words}
          onChange={(e) => onType({ ...typed, words: e.target.value })}
        />
      </div>
    </div>
  );
}
