import type { BarBrew } from './brews';

/** What a hand can do to a brew on the bar. */
export type ColumnActs = { next: (b: BarBrew) => void; undo: (b: BarBrew) => void; giveUp: (b: BarBrew) => void; working: (b: BarBrew) => void };
