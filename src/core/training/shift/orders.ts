import type { VesselKind } from '#core/vessels';
import type { Level } from '../diagnosis/diagnosis';
import type { DrillCup } from '../diagnosis/draw';

// Orders that come to one person at the bar within ten minutes, and what goes wrong meanwhile.

type SiteFigure = 'ambientC' | 'boilingC' | 'pourLoss';
/** A tea in the vessel it is brewed in all shift, filled to its line. */
export type ShiftCup = DrillCup & {
  readonly kind: VesselKind;
  readonly earliest: number;
  readonly latest: number;
};
type TeaFigure = 'tea' | 'style' | 'fitted';
/** As it is kept: what several cups share is kept once. */
export type KeptCup = Omit<ShiftCup, SiteFigure | TeaFigure> & {
  /** Which of the teas. */
  readonly tea: number;
};
/** When the guest orders, s from the beginning of the shift, and which of the cups. */
export type ShiftOrder = { readonly at: number; readonly cup: number };
export type ShiftMishap =
  | {
      /** One brew spills; the kettle is empty; a lid is left off; somebody calls. */
      readonly kind: 'spilled' | 'kettleEmpty' | 'lidOff' | 'calledAway';
      readonly at: number;
    }
  /** An order is given under the name of another cup, and put right later. */
  | {
      readonly kind: 'wrongTea';
      readonly at: number;
      readonly order: number;
      readonly named: number;
    };
export type ShiftGiven = {
  readonly level: Level;
  readonly site: Pick<DrillCup, SiteFigure>;
  readonly teas: readonly Pick<DrillCup, TeaFigure>[];
  readonly cups: readonly KeptCup[];
  readonly orders: readonly ShiftOrder[];
  readonly mishap: ShiftMishap;
};
/** What a house’s shift is drawn from: each hot recipe of at most five minutes in each vessel that takes it. */
export type ShiftFacts = readonly ShiftCup[];

/** A shift lasts so long, s. */
export const SHIFT_S = 600;
/** The longest steep of a shift, s: a longer one would not end in it. */
export const LONGEST_STEEP_S = 300;
/** One pair of hands: to pour, to lift the leaf out, to serve, s. */
export const HANDS_S = { pour: 20, pull: 10, serve: 10, lid: 0 } as const;
/** How long each mishap lasts, or may last, s. */
export const MISHAP_LASTS_S = {
  kettleEmpty: 60,
  lidOff: 30,
  wrongTea: 20,
  calledAway: 20,
} as const;
/** How many times faster than a clock it runs. */
export const SHIFT_PACE: Readonly<Record<Level, number>> = { 1: 4, 2: 6, 3: 10, 4: 10, 5: 10 };

/** Each cup of a shift with all that is known of it. @throws {RangeError} where one is of no tea */
export const cupsOfShift = ({ teas, cups, site }: ShiftGiven): ShiftCup[] =>
  cups.map((cup) => {
    const tea = teas[cup.tea];
    if (!tea) throw new RangeError(`a shift has no tea ${cup.tea + 1}`);
    return { ...cup, ...site, ...tea };
  });
