export {
  backupDue,
  backupOld,
  lastPlanned,
  MOST_KEPT,
  newestWhole,
  nextPlanned,
  OLD_BACKUP_MS,
  USUAL_BACKUP_PLAN,
  type BackupPlan,
} from './plan';
