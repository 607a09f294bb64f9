import { z } from 'zod';
import { type BackupPlan, MOST_KEPT } from '#core/backups';
import { endpoint } from './endpoint';
import { Instant } from './primitives';
import { ROUTES } from './routes';
import { ZoneName } from './sites';

const Kept = z.number().int('Whole numbers.').min(0).max(MOST_KEPT, `At most ${MOST_KEPT}.`);
/** When the house backs itself up, and which backups stay. */
export const BackupPlanBody = z.strictObject({
  time: z
    .string()
    .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time is 00:00 to 23:59.')
    .nullable(),
  zone: ZoneName,
  days: Kept,
  weeks: Kept,
  months: Kept,
}) satisfies z.ZodType<BackupPlan>;

/** What a lead knows a house by; written beside each backup. */
export const BackupHolds = z.strictObject({
  sites: z.array(z.string()),
  people: z.number(),
  teas: z.number(),
  vessels: z.number(),
  brews: z.number(),
  batches: z.number(),
  tastings: z.number(),
  /** The last brew’s start, as ISO 8601. */
  newest: z.string().nullable(),
});
export type BackupHolds = z.infer<typeof BackupHolds>;

export const Backup = z.strictObject({
  name: z.string(),
  at: Instant,
  bytes: z.number(),
  sealed: z.boolean(),
  /** When it was restored into a database of its own and compared; null: it was not. */
  checked: Instant.nullable(),
  /** What differed then; none: it came back whole. */
  faults: z.array(z.string()),
  tables: z.number(),
  rows: z.number(),
  holds: BackupHolds.nullable(),
});
export type Backup = z.infer<typeof Backup>;

export const Backups = z.strictObject({
  /** Null: the records lie on a database server of the owner’s own, which is backed up there. */
  folder: z.string().nullable(),
  /** A passphrase is set on the machine: what is made from now on is sealed. */
  sealed: z.boolean(),
  /** One is being made now. */
  running: z.boolean(),
  /** How the last one ended that was not made; null: the last one was. */
  failed: z.strictObject({ at: Instant, why: z.string() }).nullable(),
  plan: BackupPlanBody,
  next: Instant.nullable(),
  /** The newest first. */
  backups: z.array(Backup),
});
export type Backups = z.infer<typeof Backups>;

export const getBackups = endpoint(ROUTES.getBackups, { response: Backups });
/** Begins one; it goes on while others work. While one is being made this begins none. */
export const makeBackup = endpoint(ROUTES.makeBackup, { response: Backups });
export const setBackupPlan = endpoint(ROUTES.setBackupPlan, {
  body: BackupPlanBody,
  response: Backups,
});
