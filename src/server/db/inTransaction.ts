import { drizzle } from 'drizzle-orm/mysql2';
import type { Pool, PoolConnection } from 'mysql2/promise';
import { isTransient } from '../http/errors';
import { transactionsAgain } from '../operations/metrics';
import { type Db, poolOf, type Tx } from './pool';

const TRIES = 8;
/** Up to so long before it is run again, ms, more with each try; by chance, so that two do not meet again. */
const PAUSE_MS = 50;

type Isolation = 'read committed' | 'repeatable read';

/**
 * Begun, worked and committed on one connection of the pool, which is given back whatever happens. Drizzle's own keeps
 * a connection for good when a server of several refuses to begin, so that a process had none left after ten refusals.
 */
export async function onOneConnection<T>(
  pool: Pick<Pool, 'getConnection'>,
  isolation: Isolation,
  work: (connection: PoolConnection) => Promise<T>,
): Promise<T> {
  const connection = await pool.getConnection();
  try {
    await connection.query(`set transaction isolation level ${isolation}`);
    await connection.query('start transaction');
    const done = await work(connection);
    await connection.query('commit');
    connection.release();
    return done;
  } catch (error) {
    // One that cannot even be taken back is not used again.
    await connection.query('rollback').then(
      () => connection.release(),
      () => connection.destroy(),
    );
    throw error;
  }
}

function inOne<T>(db: Db, isolation: Isolation, work: (tx: Tx) => Promise<T>): Promise<T> {
  const pool: Partial<Pool> = poolOf(db);
  // Inside another transaction it is a part of that one.
  if (!pool.getConnection) return work(db);
  return onOneConnection(poolOf(db), isolation, (connection) =>
    work(drizzle(connection as never) as unknown as Tx),
  );
}

/**
 * Runs `work` in one transaction; a deadlock, a conflict or a lock wait runs the whole of it again. Read committed: what
 * is read after a lock is taken is what is there now, not what was there when the transaction began.
 */
export async function inTransaction<T>(db: Db, work: (tx: Tx) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await inOne(db, 'read committed', work);
    } catch (error) {
      if (attempt >= TRIES || !isTransient(error)) throw error;
      transactionsAgain.inc();
      await new Promise((r) => setTimeout(r, 10 + Math.random() * PAUSE_MS * attempt));
    }
  }
}

/** Several reads that all see the records as they were at one moment. */
export const atOneMoment = <T>(db: Db, read: (tx: Tx) => Promise<T>): Promise<T> =>
  inOne(db, 'repeatable read', read);
