import { isTransient } from '../http/errors';
import type { Db, Tx } from './pool';

const TRIES = 5;

/**
 * Runs `work` in one transaction; a deadlock or lock wait runs the whole of it again. Read committed: what is read
 * after a
 * lock is taken is what is there now, not what was there when the transaction began.
 */
export async function inTransaction<T>(db: Db, work: (tx: Tx) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await db.transaction((tx) => work(tx as unknown as Tx), {
        isolationLevel: 'read committed',
      });
    } catch (error) {
      if (attempt >= TRIES || !isTransient(error)) throw error;
      await new Promise((r) => setTimeout(r, 10 + 20 * attempt));
    }
  }
}
