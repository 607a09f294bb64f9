import { type Celsius, celsius, type EpochMs, epochMs, type Seconds } from '#core/units';

const MINUTE_MS = 60_000;
const MINUTES_AN_HOUR = 60;

/** How the fridge stood at one moment. */
export type AirReading = { readonly at: EpochMs; readonly celsius: Celsius };
/** A stretch of which somebody knows what the fridge did although nothing was read: the warmer reading holds. */
export type AnsweredGap = { readonly from: EpochMs; readonly to: EpochMs };

/** What a house asks of cold liquor. Guidance, cautious on purpose; the local food code decides. */
export type KeepingLimits = {
  /** Kept from lift, h: 72, or 48 for warm-then-cold; at most 120. */
  readonly keepHours: number;
  /** Cold is at or below this, C: 5 (3 to 8). */
  readonly limit: Celsius;
  /** Hours over the limit, in all, before it is thrown out: 4. */
  readonly warmHours: number;
  /** Hours it may take to be cold the first time: 4. */
  readonly coolHours: number;
  /** A counter steep lasts so long from leaf in, whatever follows: 4. */
  readonly counterHours: number;
  /** Readings further apart leave a gap nobody knows, min: 60 for a probe, 840 for typed ones. */
  readonly gapMinutes: number;
  /** A gap is taken to have been at least so warm, C: 8. */
  readonly unknown: Celsius;
};
/** The house's own settings until a lead changes them. */
export const USUAL_LIMITS: KeepingLimits = {
  keepHours: 72,
  limit: celsius(5),
  warmHours: 4,
  coolHours: 4,
  counterHours: 4,
  gapMinutes: 14 * MINUTES_AN_HOUR,
  unknown: celsius(8),
};
/** Five days is the most. */
export const LONGEST_KEEP_HOURS = 120;

export type Kept = {
  readonly method: 'fridge' | 'counter';
  readonly startAt: EpochMs;
  readonly start: Celsius;
  readonly liftAt: EpochMs;
  /** 0: the thermometer stands in liquid. */
  readonly tau: Seconds;
  /** The site's fridge, where nothing was read. */
  readonly fridge: Celsius;
  readonly readings: readonly AirReading[];
  readonly answered?: readonly AnsweredGap[];
};

/** Why it is thrown out then: a counter's hours, its keep, too warm in all, or aged faster than the clock. */
export type Because = 'counter' | 'keep' | 'warm' | 'aged';
export type Discard = {
  readonly discardAt: EpochMs;
  readonly because: Because;
};
export type Keeping = Discard & {
  /** When it was first cold; null when it was not. */
  readonly coldAt: EpochMs | null;
  /** Minutes over the limit so far counted, by the moment of discard. */
  readonly warmMinutes: number;
  /** The discard if the last reading, which is over the limit, holds on; null while it is not. */
  readonly ifStays: Discard | null;
};

/** Ageing reaches zero here, C: cautious (Ratkowsky and others 1982, from memory). */
const NO_GROWTH = -2;
/** Age of a minute of kept liquor, in minutes at the limit: the square-root law of growth above it. */
export const ageOfMinute = (at: number, limit: number): number =>
  at <= limit ? 1 : ((at - NO_GROWTH) / (limit - NO_GROWTH)) ** 2;

/**
 * The air along the minutes, asked for forwards: between two readings the warmer of both; where they are too far apart
 * at least `unknown`, unless the gap is answered; before the first that one; after the last the site's own.
 */
function airAlong(
  { readings, fridge, answered = [] }: Kept,
  limits: KeepingLimits,
  held: Celsius | null,
): (at: number) => number {
  let next = 0;
  return (at) => {
    while (next < readings.length && (readings[next]?.at ?? 0) <= at) next++;
    const before = readings[next - 1];
    const after = readings[next];
    if (!after) return before && held !== null ? held : fridge;
    if (!before) return after.celsius;
    const warmer = Math.max(before.celsius, after.celsius);
    const apart = (after.at - before.at) / MINUTE_MS;
    const known =
      apart <= limits.gapMinutes || answered.some((g) => g.from <= before.at && after.at <= g.to);
    return known ? warmer : Math.max(limits.unknown, warmer);
  };
}

/** Walks the minutes until it is thrown out. `held`: the air after the last reading. */
function walk(kept: Kept, limits: KeepingLimits, held: Celsius | null) {
  const air = airAlong(kept, limits, held);
  const share = kept.tau > 0 ? 1 - Math.exp(-60 / kept.tau) : 1;
  const most = limits.warmHours * MINUTES_AN_HOUR;
  const keep = limits.keepHours * MINUTES_AN_HOUR;
  let [liquor, warm, age, sinceLift] = [kept.start as number, 0, 0, 0];
  let coldAt: EpochMs | null = null;
  for (let n = 1; ; n++) {
    const begins = kept.startAt + (n - 1) * MINUTE_MS;
    const ends = epochMs(begins + MINUTE_MS);
    liquor += (air(begins) - liquor) * share;
    const cold = liquor <= limits.limit;
    if (cold) coldAt ??= ends;
    const counts = coldAt !== null || n > limits.coolHours * MINUTES_AN_HOUR;
    if (!cold && counts) warm += 1;
    if (begins >= kept.liftAt) {
      age += ageOfMinute(liquor, limits.limit);
      sinceLift += 1;
    }
    if (warm >= most) return { discardAt: ends, because: 'warm' as const, coldAt, warm };
    if (age >= keep) {
      const because = age - sinceLift > 0.5 ? ('aged' as const) : ('keep' as const);
      return { discardAt: ends, because, coldAt, warm };
    }
  }
}

/**
 * Until when cold liquor is kept, minute by minute from leaf in: four hours over the limit in all, or the age its limit
 * allows from lift, whichever comes first. An opened door counts little, a power cut fully: the liquor follows the air.
 * @throws {RangeError} when it was lifted before it began, or when nothing would ever end it.
 */
export function keepingOf(kept: Kept, limits: KeepingLimits): Keeping {
  if (kept.method === 'fridge' && kept.liftAt < kept.startAt)
    throw new RangeError('lifted before the leaf was in');
  if (!(limits.keepHours > 0) || !(limits.warmHours > 0))
    throw new RangeError('a limit is more than nothing');
  if (kept.method === 'counter')
    return {
      discardAt: epochMs(kept.startAt + limits.counterHours * MINUTES_AN_HOUR * MINUTE_MS),
      because: 'counter',
      coldAt: null,
      warmMinutes: 0,
      ifStays: null,
    };
  const { discardAt, because, coldAt, warm } = walk(kept, limits, null);
  const last = kept.readings.at(-1);
  const over = last !== undefined && last.celsius > limits.limit;
  const stays = over ? walk(kept, limits, last.celsius) : null;
  return {
    discardAt,
    because,
    coldAt,
    warmMinutes: warm,
    ifStays: stays && { discardAt: stays.discardAt, because: stays.because },
  };
}

/** Labels say the quarter of an hour before. */
const LABEL_STEP_MS = 15 * MINUTE_MS;
export const labelTime = (discardAt: EpochMs): EpochMs =>
  epochMs(Math.floor(discardAt / LABEL_STEP_MS) * LABEL_STEP_MS);
