import type { Random } from '#core/numeric';
import type { Level } from '../diagnosis/diagnosis';
import type { DrillFacts } from '../drillCups';
import type { Figure } from './figures';

/** How a figure is asked for, answered and worked out, in words. */
export type FigureWords = {
  /** Whose leaf it is; null: no tea is asked about. */
  readonly tea: string | null;
  readonly known: string;
  readonly asked: string;
  /** "How much leaf?", and the name of its rule. */
  readonly question: string;
  readonly name: string;
  readonly unit: string;
  /** From `least` to `most` in steps; a line at every `tick`; the mark begins at `start`, else a third of the way. */
  readonly rule: {
    readonly least: number;
    readonly most: number;
    readonly step: number;
    readonly tick: number;
    readonly start?: number;
  };
  /** A figure as it is said, without its unit. */
  readonly text: (value: number) => string;
  /**
   * How many of the rule’s own units one typed unit is: 4 quarters to a spoon, 60 s to a minute; null: it is pulled
   * only.
   */
  readonly perTyped: number | null;
  readonly working: readonly string[];
  /** One sentence of the trade. */
  readonly lesson: string;
  /** What a wrong figure comes from; empty where nothing more is to be said. */
  readonly mistake: (id: string) => string;
  /** What an answered figure does to the cup. */
  readonly inCup: (value: number) => string;
  /** What is answered where no figure will do; null: there is always one. */
  readonly cannot: string | null;
};
/** A drill whose answer is a figure. */
export type FigureDrill<Given> = {
  /** Raised whenever the same given would come to another question. */
  readonly version: number;
  /** @throws {RangeError} when the house has nothing to ask about */
  readonly draw: (facts: DrillFacts, level: Level, random: Random) => Given;
  /** The question worked out; null: it is no fair one. */
  readonly work: (given: Given) => Figure | null;
  readonly words: (given: Given) => FigureWords;
};
