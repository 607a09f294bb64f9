import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import type { SiteFields } from '#contracts/sites';
import { useChangeSiteMutation } from '../../entities/people/api';
import { useSession } from '../../entities/people/session';
import { NotSaved } from '../../platform/NotSaved';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Nothing } from '../../ui/Note';

/** A part of this site on a page of its own: a lead types it, others are told who does. */
export function SiteSetting({
  title,
  forLeads,
  saveWords,
  read,
  more,
  children,
}: {
  title: string;
  /** Said to who is no lead. */
  forLeads: string;
  saveWords: string;
  /** What was typed; null while something of it is wrong, which the fields then say. */
  read: () => Partial<SiteFields> | null;
  more?: ReactNode;
  children: ReactNode;
}) {
  const { site, role } = useSession();
  const go = useGo();
  const [rev, setRev] = useState(site.rev);
  const [change, changing] = useChangeSiteMutation();
  useKeys([{ key: 'Escape', does: 'Back to the house', run: () => go('/house') }]);
  if (role !== 'lead')
    return (
      <main className="page p-6">
        <Nothing action={<Link to="/house">To the house</Link>}>{forLeads}</Nothing>
      </main>
    );
  const save = async () => {
    const typed = read();
    if (!typed) return;
    const { id, rev: _rev, ...fields } = site;
    const saved = await change({ id, body: { ...fields, ...typed, rev } });
    if (!saved.error) go('/house');
  };
  return (
    <main className="page scroll content-start p-6 max-[700px]:p-4">
      <h1 className="text-[26px]">
        {title} of {site.name}
      </h1>
      <form
        className="form mt-3"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          void save();
        }}
      >
        {children}
        <NotSaved error={changing.error} onKeepMine={setRev} />
        <div className="flex flex-wrap gap-2">
          <button type="submit" className="btn go" disabled={changing.isLoading}>
            {saveWords}
          </button>
          {more}
          <Link className="btn quiet" to="/house">
            Leave them
          </Link>
        </div>
      </form>
    </main>
  );
}
