import { daysAfter, type SiteDate, siteDate, weekdayOf, WEEKDAYS, type Zone } from '#core/time';
import { type EpochMs, epochMs, type Grams, grams, ML_PER, numberText } from '#core/units';

// Leaf in stock: counted once, used up by what is brewed; how long the rest lasts, and what a cup costs.

/** So much leaf of a lot was there at one moment. */
export type Counted = { readonly grams: Grams; readonly at: EpochMs };
/** Leaf that was taken for a brew, a cold batch or pockets. */
export type Use = { readonly grams: Grams; readonly at: EpochMs };

const DAY_MS = 86_400_000;
/** How much is used a day is read from the last so many days. */
export const RATE_DAYS = 28;
/** From fewer days nothing is foretold. */
const FEWEST_DAYS = 3;
/** Further ahead than this no day is named, days (from memory: use changes with the season). */
const FURTHEST = 120;

/** Grams a day over the days that are known, at most `RATE_DAYS`; null under three days, or where nothing is used. */
export function usedPerDay(uses: readonly Use[], now: EpochMs): Grams | null {
  const recent = uses.filter(({ at }) => at > now - RATE_DAYS * DAY_MS && at <= now);
  const first = Math.min(...recent.map(({ at }) => at));
  const days = (now - first) / DAY_MS;
  if (recent.length === 0 || days < FEWEST_DAYS) return null;
  return grams(recent.reduce((sum, use) => sum + use.grams, 0) / days);
}

/** How the leaf of a lot is: what is left, and about when it is gone. */
export type Stock =
  | { readonly kind: 'notCounted' }
  | { readonly kind: 'gone' }
  /** `perDay` null: too little is known of its use to name a day. */
  | { readonly kind: 'left'; readonly left: Grams; readonly perDay: null }
  | {
      readonly kind: 'lasts';
      readonly left: Grams;
      readonly perDay: Grams;
      readonly days: number;
    };
/**
 * @param counted the last count of the lot; null: nobody counted it
 * @param used grams of this lot taken since that count
 * @param perDay grams of the tea used a day; null: not known
 */
export function stockOf(counted: Counted | null, used: Grams, perDay: Grams | null): Stock {
  if (counted === null) return { kind: 'notCounted' };
  const left = grams(Math.max(0, counted.grams - used));
  if (left === 0) return { kind: 'gone' };
  if (perDay === null || !(perDay > 0)) return { kind: 'left', left, perDay: null };
  return { kind: 'lasts', left, perDay, days: left / perDay };
}

/** Days ahead that are named by their weekday. */
const BY_WEEKDAY = 6;
/** About when it is gone: "about Thursday", "about 2026-04-17". */
function dayWords(days: number, now: EpochMs, zone: Zone, dateWords: (day: SiteDate) => string) {
  const whole = Math.floor(days);
  if (whole === 0) return 'today';
  if (whole === 1) return 'about tomorrow';
  const day = daysAfter(siteDate(zone, now), whole);
  return whole <= BY_WEEKDAY
    ? `about ${WEEKDAYS[weekdayOf(day)] ?? ''}`
    : `about ${dateWords(day)}`;
}
/** Leaf in words: grams, kilograms from one on. @example leafText(grams(1250)) // '1.25 kg' */
export const leafText = (leaf: Grams): string =>
  leaf >= 1000 ? `${numberText(leaf / 1000, 2)} kg` : `${numberText(leaf, 0)} g`;

/** What is said of a lot's leaf. `dateWords` writes a date as the reader does. */
export function stockWords(
  stock: Stock,
  now: EpochMs,
  zone: Zone,
  dateWords: (day: SiteDate) => string,
): string {
  switch (stock.kind) {
    case 'notCounted':
      return 'not counted yet';
    case 'gone':
      return 'used up, by the log: count what is there';
    case 'left':
      return `about ${leafText(stock.left)} left; too few brews to say for how long`;
    case 'lasts': {
      const left = `about ${leafText(stock.left)} left`;
      if (stock.days > FURTHEST) return `${left}: lasts more than ${FURTHEST} days`;
      return `${left}, ${numberText(stock.perDay, 0)} g a day: runs out ${dayWords(stock.days, now, zone, dateWords)}`;
    }
  }
}

/** Fewer days than this ask for an order (from memory). */
const ORDER_DAYS = 7;
/** Worth a lead's attention: used up, or gone within a week. */
export const isRunningOut = (stock: Stock): boolean =>
  stock.kind === 'gone' || (stock.kind === 'lasts' && stock.days < ORDER_DAYS);

/**
 * What the leaf of one cup of 150 ml costs, in the money of the price; over several steeps each cup carries its share.
 * @param per100g price of 100 g @param dose g per 100 ml @param steeps cups that the same leaf gives, 1 and up
 * @example leafCost(8, 1.2, 1) // 0.144
 */
export const leafCost = (per100g: number, dose: number, steeps: number): number =>
  ((per100g / 100) * dose * ML_PER.teacup) / 100 / Math.max(1, steeps);

/** An instant so many days before another. */
export const rateFrom = (now: EpochMs): EpochMs => epochMs(now - RATE_DAYS * DAY_MS);
