import {
  backupDue,
  type BackupPlan,
  newestWhole,
  nextPlanned,
  USUAL_BACKUP_PLAN,
} from '#core/backups';
import { epochMs } from '#core/units';
import type { Backups } from '#contracts/backups';
import type { Tx } from '../../db/pool';
import { house } from '../../db/schema';
import type { Deps } from '../../deps';
import { AppError } from '../../http/errors';
import type { Signed } from '../../http/route';
import { inRecordedTransaction } from '../history';
import { type BackupPlace, backupsIn, isBeingMade, lastFailure } from './place';

/** After one that failed the schedule waits so long. */
const AGAIN_MS = 3_600_000;
const planText = ({ time, zone, days, weeks, months }: BackupPlan): string =>
  `${time === null ? 'by hand' : `daily at ${time} (${zone})`}, keeps ${days} days, ${weeks} weeks, ${months} months`;

/** The backups of a house: what there is, one made now, and the schedule. */
export function createBackupService(deps: Deps, place: BackupPlace | null) {
  const { db, now } = deps;
  let making: Promise<void> | null = null;
  let lastTry = -Infinity;
  /** When the program ended badly, as this process saw. */
  let brokeAt: number | null = null;

  const planOf = async (tx: Tx): Promise<BackupPlan> => {
    const [row] = await tx.select({ plan: house.backups, demo: house.demo }).from(house);
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    // A demo is made new at any time: it is backed up when somebody wants to see it.
    return row?.plan ?? { ...USUAL_BACKUP_PLAN, zone, ...(row?.demo ? { time: null } : {}) };
  };
  async function state(): Promise<Backups> {
    const plan = await planOf(db);
    return {
      folder: place?.folder ?? null,
      sealed: place?.sealed ?? false,
      running: making !== null || (place !== null && (await isBeingMade(place.folder))),
      failed: place === null ? null : await failureOf(place),
      plan,
      next: place === null ? null : nextPlanned(plan, epochMs(now())),
      backups: place === null ? [] : await backupsIn(place.folder),
    };
  }
  /** The folder says how the last one ended; a program that did not run at all could not write that. */
  async function failureOf(here: BackupPlace): Promise<Backups['failed']> {
    const noted = await lastFailure(here.folder);
    if (brokeAt === null || noted) return noted;
    return { at: brokeAt, why: 'The program that makes backups did not run.' };
  }
  async function begin(here: BackupPlace): Promise<void> {
    if (making !== null || (await isBeingMade(here.folder))) return;
    const plan = await planOf(db);
    making = here.make(plan).then((made) => {
      brokeAt = made ? null : now();
      making = null;
    });
  }
  /** Resolves when none is being made by this process. */
  const settled = async (): Promise<void> => {
    await making;
  };
  return {
    state,
    /** Begins one, unless one is being made. @throws where the records are on a server of the owner's own */
    async make(): Promise<Backups> {
      if (place === null)
        throw new AppError(
          'backup.elsewhere',
          409,
          'The records lie on a database server of your own: back them up there.',
        );
      await begin(place);
      return state();
    },
    async setPlan(plan: BackupPlan, who: Signed): Promise<Backups> {
      await inRecordedTransaction(deps, who, async (tx, record) => {
        const before = await planOf(tx);
        await tx.update(house).set({ backups: plan });
        await record({
          thing: 'house',
          id: 'house',
          before: { backups: planText(before) },
          after: { backups: planText(plan) },
        });
      });
      return state();
    },
    /** Makes the planned one when it is due; called again and again. Resolves when it has ended. */
    async keepToPlan(): Promise<void> {
      if (place === null || making !== null || now() - lastTry < AGAIN_MS) return;
      const newest = newestWhole(await backupsIn(place.folder));
      if (!backupDue(await planOf(db), newest?.at ?? null, epochMs(now()))) return;
      lastTry = now();
      await begin(place);
      await settled();
    },
    settled,
  };
}
export type BackupService = ReturnType<typeof createBackupService>;
