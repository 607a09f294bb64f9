import { Link } from 'react-router';
import { backupOld, newestWhole } from '#core/backups';
import type { Backups } from '#contracts/backups';
import { useBackupsQuery, useMakeBackupMutation } from '../../../entities/exchange/backupsApi';
import { Awaited } from '../../../platform/Awaited';
import { useNow } from '../../../platform/clock';
import { NotSaved } from '../../../platform/NotSaved';
import { agoText } from '../../../ui/ago';
import { oneTap } from '../../../ui/keys';
import { Note } from '../../../ui/Note';
import { LeadsOnly, ToTheHouse } from '../LeadsOnly';
import { BackupList } from './BackupList';
import { PlanForm } from './PlanForm';

/** While one is being made the page asks so often, ms; otherwise now and then. */
const ASK_MS = { running: 1500, usually: 60_000 };

/** The backups of the house: how old the newest is, one made now, the schedule, and how one is put back. */
export const BackupsPage = () => (
  <LeadsOnly says="A lead sees the backups.">
    <AllBackups />
  </LeadsOnly>
);

function AllBackups() {
  const seen = useBackupsQuery();
  useBackupsQuery(undefined, {
    pollingInterval: seen.data?.running ? ASK_MS.running : ASK_MS.usually,
  });
  if (!seen.data) return <Awaited what="the list of backups" of={[seen]} />;
  const { folder } = seen.data;
  if (folder === null)
    return (
      <main className="page content-start p-6 max-[700px]:p-4">
        <h1 className="text-[26px]">Backups</h1>
        <p className="max-w-[720px] mt-2">
          The records of this house lie on a database server of your own. Back that server up where
          it is.
        </p>
        <p className="mt-4">
          <Link className="btn quiet" to="/house">
            To the house
          </Link>
        </p>
      </main>
    );
  return <OwnBackups backups={seen.data} folder={folder} />;
}

function OwnBackups({ backups, folder }: { backups: Backups; folder: string }) {
  const now = useNow(60_000);
  const newest = newestWhole(backups.backups);
  return (
    <main className="page split whole house-page">
      <section className="work" role="group" tabIndex={0} aria-label="Backups">
        <h1 className="text-[26px]">Backups</h1>
        {backupOld(newest?.at ?? null, now) ? (
          <Note bad>
            {newest
              ? `The newest backup was made ${agoText(newest.at, now)}. Make one now.`
              : 'There is no backup of this house yet. Make one now.'}
          </Note>
        ) : (
          <p>
            The newest backup was made <b>{agoText(newest?.at ?? now, now)}</b>.
          </p>
        )}
        <MakeOne running={backups.running} failed={backups.failed} now={now} />
        <BackupList backups={backups.backups} now={now} />
      </section>
      <section className="paper" aria-label="Schedule, and how one is put back">
        <PlanForm key={JSON.stringify(backups.plan)} plan={backups.plan} next={backups.next} />
        <Keeping folder={folder} sealed={backups.sealed} />
        <ToTheHouse />
      </section>
    </main>
  );
}

function MakeOne({
  running,
  failed,
  now,
}: {
  running: boolean;
  failed: Backups['failed'];
  now: number;
}) {
  const [make, making] = useMakeBackupMutation();
  const busy = running || making.isLoading;
  return (
    <div className="grid gap-2 justify-items-start">
      <button type="button" className="btn go" disabled={busy} onClick={oneTap(() => void make())}>
        {busy ? 'A backup is being made ...' : 'Make a backup now'}
      </button>
      {busy && (
        <p className="small" role="status">
          The records are written to a file, then restored into a database beside this one and
          compared. Everybody can go on working.
        </p>
      )}
      <NotSaved error={making.error} />
      {failed && !busy && (
        <Note bad>
          <b>The last backup failed {agoText(failed.at, now)}.</b> {failed.why}
        </Note>
      )}
    </div>
  );
}

/** Where the files lie, who can read them, and how one takes the place of the house. */
function Keeping({ folder, sealed }: { folder: string; sealed: boolean }) {
  return (
    <section>
      <h2>Where they are</h2>
      <p className="mt-1">
        In <code className="break-all">{folder}</code> on the computer that runs Limnos. A fault of
        its disk takes house and backups together: <b>keep a copy on another machine.</b>
      </p>
      <p className="mt-2">
        {sealed
          ? 'Backups are sealed with the passphrase of that computer. Nobody can read them without the passphrase: keep it on paper, in another place.'
          : 'Backups are not sealed: whoever has a file can read everything in it. To seal them, set LIMNOS_BACKUP_PASSPHRASE before Limnos starts.'}
      </p>
      <h2 className="mt-4">To put one back</h2>
      <ol className="list-decimal ml-5 mt-1 grid gap-1">
        <li>Stop Limnos on that computer.</li>
        <li>
          Type <code className="break-all">npm run restore -- backups/FILE</code>: it shows what the
          file holds beside what the house holds, and changes nothing.
        </li>
        <li>
          Type it again with <code>--yes</code>: the backup takes the place of the house. The house
          of before is kept in a file.
        </li>
      </ol>
      <p className="small mt-2">
        With <code className="break-all">--until=2026-01-31T14:30Z</code> the changes after the
        backup are done again up to that minute; they are kept for a week.
      </p>
    </section>
  );
}
