import type { Db } from './db/pool';

/** What every feature is given: the records, and the time. */
export type Deps = { readonly db: Db; readonly now: () => number };
