import { drizzle, type MySql2Database } from 'drizzle-orm/mysql2';
import { migrate } from 'drizzle-orm/mysql2/migrator';
import { createPool, type Pool } from 'mysql2/promise';
import * as schema from './schema/index';

export type Db = MySql2Database<typeof schema>;
/** A transaction, or the pool itself for a single read. */
export type Tx = Pick<Db, 'select' | 'selectDistinct' | 'insert' | 'update' | 'delete' | 'execute'>;

export function openPool(url: string): Pool {
  const u = new URL(url);
  return createPool({
    host: u.hostname,
    port: Number(u.port || 3306),
    user: decodeURIComponent(u.username),
    password: decodeURIComponent(u.password),
    database: u.pathname.slice(1),
    timezone: 'Z',
    jsonStrings: true,
    supportBigNumbers: true,
    connectionLimit: 10,
    connectTimeout: 3000,
  });
}

export const openDb = (pool: Pool): Db =>
  drizzle(pool as never, { schema, mode: 'planetscale' }) as unknown as Db;

/** What `openDb` was given; a transaction has a connection there instead. */
export const poolOf = (db: Db): Pool => (db as unknown as { $client: Pool }).$client;

/** Where the migrations keep which of them were run. */
export const MIGRATIONS_TABLE = '__drizzle_migrations';
/** A database of several servers has no locks by name: whoever runs it brings one process up to date first. */
const NO_NAMED_LOCKS = 1235;
/** Brings the schema up to date; one process at a time. */
export async function migrateDb(pool: Pool, db: Db, folder: string): Promise<void> {
  const lock = await pool.getConnection();
  try {
    await lock.query("select get_lock('limnos.migrate', 60)").catch((error: { errno?: number }) => {
      if (error.errno !== NO_NAMED_LOCKS) throw error;
    });
    await migrate(db as never, { migrationsFolder: folder, migrationsTable: MIGRATIONS_TABLE });
  } finally {
    // Its locks end with it.
    lock.destroy();
  }
}
