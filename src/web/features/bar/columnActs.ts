import type { BarBrew } from '../../entities/brews/barBrews';
import type { BarItem } from '../../entities/brews/status';

/** What a hand can do to a brew on the bar. */
export type BrewActs = {
  next: (s: BarItem) => void;
  right: (b: BarBrew) => void;
  step: (b: BarBrew, key: string, outcome: 'done' | 'skipped', words: string) => void;
  steps: (b: BarBrew) => void;
  again: (b: BarBrew) => void;
  pair: (b: BarBrew, lead: BarBrew) => void;
  /** The other pots of the same that it can go together with. */
  alike: (b: BarBrew) => readonly BarBrew[];
  claim: (b: BarBrew) => void;
  close: (b: BarBrew) => void;
  steepOn: (b: BarBrew) => void;
  /** The leaf goes back for so many seconds. */
  leafBack: (b: BarBrew, more: number) => void;
  giveUp: (b: BarBrew) => void;
  working: (b: BarBrew) => void;
};
