import { inTransaction } from '../../db/inTransaction';
import type { Db, Tx } from '../../db/pool';
import type { LiveHub } from './hub';

/** Writes in one transaction, and then makes the pages of the site look at once. */
export const notifyingTransaction =
  (db: Db, live: Pick<LiveHub, 'nudge'>) =>
  async <T>(siteOf: (done: T) => string, work: (tx: Tx) => Promise<T>): Promise<T> => {
    const done = await inTransaction(db, work);
    live.nudge(siteOf(done));
    return done;
  };
