import { type Celsius, celsius } from '#core/units';
import { type KeepingLimits, LONGEST_KEEP_HOURS, USUAL_LIMITS } from './keeping';

/** What a lead types for a site. Guidance, cautious on purpose; the local food code decides. */
export type HouseLimits = Pick<
  KeepingLimits,
  'keepHours' | 'limit' | 'warmHours' | 'coolHours' | 'counterHours'
> & {
  /** Wet leaf between two hot steeps is used within so long, h. */
  readonly wetLeafHours: number;
  /** Kept from lift when it began warm, h. */
  readonly warmStartKeepHours: number;
  /** Leaf may stand at room temperature for the hours of `counterHours`; absent: it may not. */
  readonly counterAllowed?: boolean;
};
/** The limits that are figures. */
export type LimitName = Exclude<keyof HouseLimits, 'counterAllowed'>;
/** Until a lead types others: common guidance, from memory. */
export const USUAL_HOUSE_LIMITS: HouseLimits = {
  keepHours: 72,
  warmStartKeepHours: 48,
  limit: celsius(5),
  warmHours: 4,
  coolHours: 4,
  counterHours: 4,
  wetLeafHours: 2,
};
/** What may be typed. More than the usual is laxer than the guidance, and is said. */
export const LIMIT_RANGES: Readonly<Record<LimitName, readonly [least: number, most: number]>> = {
  keepHours: [1, LONGEST_KEEP_HOURS],
  warmStartKeepHours: [1, LONGEST_KEEP_HOURS],
  limit: [3, 8],
  warmHours: [0.5, 6],
  coolHours: [1, 6],
  counterHours: [0.5, 6],
  wetLeafHours: [0.25, 6],
};
export const LIMIT_NAMES = Object.keys(LIMIT_RANGES) as LimitName[];

/** The limits of a batch that is begun now. */
export const limitsFor = (house: HouseLimits, begunWarm: boolean): KeepingLimits => {
  const { warmStartKeepHours, counterAllowed: _, wetLeafHours: _wet, ...limits } = house;
  return {
    ...USUAL_LIMITS,
    ...limits,
    keepHours: begunWarm ? warmStartKeepHours : limits.keepHours,
  };
};
/** A limit made shorter holds at once for all that stands; one made longer only for what is begun after. */
export const stricterOf = (begunWith: KeepingLimits, now: KeepingLimits): KeepingLimits => ({
  ...begunWith,
  keepHours: Math.min(begunWith.keepHours, now.keepHours),
  limit: Math.min(begunWith.limit, now.limit) as Celsius,
  warmHours: Math.min(begunWith.warmHours, now.warmHours),
  coolHours: Math.min(begunWith.coolHours, now.coolHours),
  counterHours: Math.min(begunWith.counterHours, now.counterHours),
});
