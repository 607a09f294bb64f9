import { getBackups, makeBackup, setBackupPlan } from '#contracts/backups';
import type { routes } from '../../http/route';
import type { BackupService } from './service';

export { type BackupPlace, backupPlaceOf } from './place';
export { type BackupService, createBackupService } from './service';

export function backupRoutes(on: ReturnType<typeof routes>, backups: BackupService) {
  on.signed(getBackups, () => backups.state());
  on.signed(makeBackup, () => backups.make());
  on.signed(setBackupPlan, ({ body, who }) => backups.setPlan(body, who));
}
