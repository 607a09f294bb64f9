import { backupOld, newestWhole } from '#core/backups';
import { useBackupsQuery } from '../../../entities/exchange/backupsApi';
import { useNow } from '../../../platform/clock';
import { agoText } from '../../../ui/ago';

/** How old the newest backup is, with a warning when it is too old. */
export function NewestBackup() {
  const { data } = useBackupsQuery();
  const now = useNow(60_000);
  if (!data) return null;
  if (data.folder === null) return 'Made where your database server is';
  const newest = newestWhole(data.backups);
  if (!backupOld(newest?.at ?? null, now))
    return `The newest was made ${agoText(newest?.at ?? now, now)}`;
  return (
    <b role="alert" className="text-warn">
      {newest
        ? `The newest backup is too old: made ${agoText(newest.at, now)}`
        : 'None yet: a fault of the disk would take everything'}
    </b>
  );
}
