import { z } from 'zod';

const Env = z.object({
  DATABASE_URL: z.url(),
  /** The same database for who may change its tables; empty: `DATABASE_URL` may. */
  LIMNOS_OWNER_DATABASE_URL: z.string().default(''),
  PORT: z.coerce.number().int().min(0).max(65535).default(8137),
  /** A database that does not answer at all for so long, ms, ends this process, to be started anew; 0: it waits. */
  LIMNOS_RECORDS_WITHIN: z.coerce.number().int().min(0).default(0),
  /** Where Prometheus reads, on loopback alone; empty: nowhere. 0 takes any free one. */
  LIMNOS_METRICS_PORT: z
    .union([z.literal(''), z.coerce.number().int().min(0).max(65535)])
    .default(''),
  LIMNOS_WEB: z.string().default('dist/web'),
  LIMNOS_MIGRATIONS: z.string().default('drizzle'),
  LIMNOS_DEMO_DAYS: z.coerce.number().int().min(0).max(400).default(21),
  /** For tests and pictures: the instant at which this server's clock starts; it runs on from there. */
  LIMNOS_CLOCK: z.iso.datetime().optional(),
  /** Proxies whose word for a device's address is taken: addresses or networks, separated by commas. */
  LIMNOS_TRUSTED_PROXIES: z
    .string()
    .default('')
    .transform((v) =>
      v
        .split(',')
        .map((p) => p.trim())
        .filter(Boolean),
    ),
  /** Asked of whoever begins an empty house; empty: anybody may begin it. */
  LIMNOS_CLAIM_WORD: z.string().default(''),
  /** A folder on the disk that the records lie on; empty: they lie elsewhere. */
  LIMNOS_DISK: z.string().default(''),
  /** Where backups lie, and the program that makes them; empty: the records are backed up elsewhere. */
  LIMNOS_BACKUPS: z.string().default(''),
  LIMNOS_BACKUP_PROGRAM: z.string().default('scripts/backup.mjs'),
  /** Seals backups; read by that program. */
  LIMNOS_BACKUP_PASSPHRASE: z.string().default(''),
  /** Fewer megabytes left than this are few: said on every page, and large things are refused. */
  LIMNOS_DISK_LOW: z.coerce.number().min(0).default(500),
  /** Files of a certificate and its key: the house is served over HTTPS to its own network. Empty: loopback, plain. */
  LIMNOS_TLS_CERT: z.string().default(''),
  LIMNOS_TLS_KEY: z.string().default(''),
  /** The certificate of the authority behind them, for devices to take; empty: they trust it already. */
  LIMNOS_TLS_AUTHORITY: z.string().default(''),
  /** The name by which devices reach this machine. */
  LIMNOS_SHOP_HOST: z.string().default(''),
  /** Its address in the shop's network. */
  LIMNOS_SHOP_IP: z.string().default('127.0.0.1'),
  /** The house's port at a proxy in front, which speaks HTTPS for this process; empty: this process speaks it itself. */
  LIMNOS_SHOP_PORT: z.union([z.literal(''), z.coerce.number().int().min(1).max(65535)]).default(''),
  /** Whether this process has the plain page that helps a device in; of several behind a proxy one has it. */
  LIMNOS_HELPS: z.stringbool().default(true),
  /** Where the plain page stands that helps a device in. */
  LIMNOS_HELP_PORT: z.coerce.number().int().min(0).max(65535).default(8137),
  /** For tests: an answer that breaks its contract is an error. */
  LIMNOS_CHECK_RESPONSES: z.stringbool().default(false),
  LIMNOS_SEED: z.enum(['demo', 'empty', 'reset-demo']).default('demo'),
  LOG_LEVEL: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('warn'),
});
export type Config = z.infer<typeof Env>;

/** The environment, read once. @throws with the names of what is missing or wrong. */
export const readConfig = (env: Record<string, string | undefined>): Config => Env.parse(env);
