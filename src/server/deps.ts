import type { Db } from './db/pool';
import type { Work } from './work/task';

/** What every feature is given: the records, the time, and threads for what takes long. */
export type Deps = { readonly db: Db; readonly now: () => number; readonly work: Work };
