import { type Celsius, celsius, type EpochMs, epochMs, type Seconds } from '#core/units';

const MINUTE_MS = 60_000;
const MINUTES_AN_HOUR = 60;

/** How the fridge stood at one moment; read by a person unless a probe sent it. */
export type AirReading = {
  readonly at: EpochMs;
  readonly celsius: Celsius;
  readonly source?: 'typed' | 'probe';
};
/** A stretch of which somebody knows what the fridge did although nothing was read: the warmer reading holds. */
export type AnsweredGap = { readonly from: EpochMs; readonly to: EpochMs };
/** All that is known of a fridge. */
export type FridgeAir = {
  readonly readings: readonly AirReading[];
  readonly gaps: readonly AnsweredGap[];
};

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
  /** Stretches in which it stood out of the fridge, in the air of the room, the earliest first. */
  readonly out?: readonly OutOfFridge[];
};
/** A stretch out of the fridge; `to` null: it stands there still. */
export type OutOfFridge = {
  readonly from: EpochMs;
  readonly to: EpochMs | null;
  readonly air: Celsius;
};

/**
 * Why it is thrown out then: a counter's hours, its keep, too warm in all, aged faster than the clock; or because a lead
 * chose a sooner or a later end.
 */
export type Because = 'counter' | 'keep' | 'warm' | 'aged' | 'shortened' | 'extended';
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
 * at least `unknown`, unless the gap is answered; before the first that one; after the last the site's own. Out of the
 * fridge the air of the room, where that is warmer.
 */
function airAlong(
  { readings, fridge, answered = [], out = [] }: Kept,
  limits: KeepingLimits,
  held: Celsius | null,
): (at: number) => number {
  let next = 0;
  const inFridge = (at: number): number => {
    while (next < readings.length && (readings[next]?.at ?? 0) <= at) next++;
    const before = readings[next - 1];
    const after = readings[next];
    if (!after) return before && held !== null ? held : fridge;
    if (!before) return after.celsius;
    const warmer = Math.max(before.celsius, after.celsius);
    return isKnown(before, after, limits, answered) ? warmer : Math.max(limits.unknown, warmer);
  };
  return (at) => {
    const air = inFridge(at);
    const stretch = out.find((o) => o.from <= at && (o.to === null || at < o.to));
    return stretch ? Math.max(stretch.air, air) : air;
  };
}

/** A probe reads every few minutes: an hour without a reading is a gap, min. */
const PROBE_GAP_MINUTES = 60;
/** Whether two readings are near enough to speak for the time between, or somebody has. */
function isKnown(
  before: AirReading,
  after: AirReading,
  { gapMinutes }: KeepingLimits,
  answered: readonly AnsweredGap[],
): boolean {
  const byProbe = before.source === 'probe' && after.source === 'probe';
  const most = byProbe ? Math.min(gapMinutes, PROBE_GAP_MINUTES) : gapMinutes;
  return (
    (after.at - before.at) / MINUTE_MS <= most ||
    answered.some((g) => g.from <= before.at && after.at <= g.to)
  );
}
/** Stretches nobody knows of, the newest first: until a lead answers, each counts as warm. */
export const unknownGaps = (
  { readings, gaps }: FridgeAir,
  limits: KeepingLimits,
): { readonly from: EpochMs; readonly to: EpochMs }[] =>
  readings
    .flatMap((after, i) => {
      const before = readings[i - 1];
      if (!before || isKnown(before, after, limits, gaps)) return [];
      return [{ from: before.at, to: after.at }];
    })
    .reverse();

/** The minutes of a batch, one after another: the liquor follows the air from where it began. */
function minutesOf(kept: Kept, limits: KeepingLimits, held: Celsius | null) {
  const air = airAlong(kept, limits, held);
  const share = kept.tau > 0 ? 1 - Math.exp(-60 / kept.tau) : 1;
  let [liquor, begins] = [kept.start as number, kept.startAt as number];
  return () => {
    const around = air(begins);
    liquor += (around - liquor) * share;
    const minute = { begins, ends: epochMs(begins + MINUTE_MS), air: around, liquor };
    begins += MINUTE_MS;
    return minute;
  };
}
/** Air and liquor of a batch at one moment, C. */
export type LiquorAt = { readonly at: EpochMs; readonly air: number; readonly liquor: number };
/**
 * How warm the liquor has been, every `stepMinutes`, from leaf in until `until`; after the last reading the site's
 * fridge is taken.
 */
export function liquorAlong(
  kept: Kept,
  limits: KeepingLimits,
  until: EpochMs,
  stepMinutes: number,
): LiquorAt[] {
  const next = minutesOf(kept, limits, null);
  const minutes = Math.max(0, Math.ceil((until - kept.startAt) / MINUTE_MS));
  const all = Array.from({ length: minutes }, next);
  return all
    .filter((_, i) => i % stepMinutes === 0 || i === minutes - 1)
    .map(({ ends, air, liquor }) => ({ at: ends, air, liquor }));
}

/** From when on the air around it stays as it is: after the last reading, back in the fridge. */
function airSettles({ startAt, readings, out = [] }: Kept): number {
  const last = readings.at(-1)?.at ?? startAt;
  return out.reduce((until, { to }) => Math.max(until, to ?? Infinity), last as number);
}
/** What the minutes so far come to. */
type Counted = {
  warm: number;
  /** Minutes since lift, and their age in minutes at the limit. */
  sinceLift: number;
  age: number;
  coldAt: EpochMs | null;
};
const ended = (discardAt: EpochMs, { age, sinceLift, warm, coldAt }: Counted) => ({
  discardAt,
  because: age - sinceLift > 0.5 ? ('aged' as const) : ('keep' as const),
  ...{ coldAt, warm },
});
/** Cold liquor in cold air that stays so: each minute from lift ages it by one, and nothing else can end it. */
function endOfSteady(from: EpochMs, liftAt: EpochMs, keep: number, counted: Counted) {
  const untilLift = Math.max(0, Math.ceil((liftAt - from) / MINUTE_MS));
  const left = Math.ceil(keep - counted.age);
  return ended(epochMs(from + (untilLift + left) * MINUTE_MS), counted);
}

/** Walks the minutes until it is thrown out, or until nothing changes any more. `held`: the air after the last reading. */
function walk(kept: Kept, limits: KeepingLimits, held: Celsius | null) {
  const most = limits.warmHours * MINUTES_AN_HOUR;
  const keep = limits.keepHours * MINUTES_AN_HOUR;
  const settles = airSettles(kept);
  const counted: Counted = { warm: 0, sinceLift: 0, age: 0, coldAt: null };
  const next = minutesOf(kept, limits, held);
  for (let n = 1; ; n++) {
    const { begins, ends, air, liquor } = next();
    const cold = liquor <= limits.limit;
    if (cold) counted.coldAt ??= ends;
    const counts = counted.coldAt !== null || n > limits.coolHours * MINUTES_AN_HOUR;
    if (!cold && counts) counted.warm += 1;
    if (begins >= kept.liftAt) {
      counted.age += ageOfMinute(liquor, limits.limit);
      counted.sinceLift += 1;
    }
    if (counted.warm >= most)
      return {
        discardAt: ends,
        because: 'warm' as const,
        ...{ coldAt: counted.coldAt, warm: counted.warm },
      };
    if (counted.age >= keep) return ended(ends, counted);
    if (cold && air <= limits.limit && begins >= settles)
      return endOfSteady(ends, kept.liftAt, keep, counted);
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

/** Only what its age ends may be kept longer by a lead's word, and never past five days from lift. */
export const mayExtend = (because: Because): boolean =>
  because === 'keep' || because === 'aged' || because === 'extended';
/** With the end that a lead chose: a sooner one always holds, a later one only over age. */
export function withChosenEnd(
  kept: Keeping,
  chosen: { readonly kind: 'shorten' | 'override'; readonly until: EpochMs } | null,
  liftAt: EpochMs,
): Keeping {
  if (!chosen) return kept;
  if (chosen.kind === 'shorten')
    return chosen.until < kept.discardAt
      ? { ...kept, discardAt: chosen.until, because: 'shortened' }
      : kept;
  const until = epochMs(
    Math.min(chosen.until, liftAt + LONGEST_KEEP_HOURS * MINUTES_AN_HOUR * MINUTE_MS),
  );
  if (!mayExtend(kept.because) || until <= kept.discardAt) return kept;
  return { ...kept, discardAt: until, because: 'extended' };
}

/** Labels say the quarter of an hour before. */
const LABEL_STEP_MS = 15 * MINUTE_MS;
export const labelTime = (discardAt: EpochMs): EpochMs =>
  epochMs(Math.floor(discardAt / LABEL_STEP_MS) * LABEL_STEP_MS);
