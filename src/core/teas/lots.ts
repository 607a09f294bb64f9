/** A calendar day, "2026-03-14": no clock, no zone. */
export type Day = string & { readonly day?: never };

export const LOT_STATES = ['new', 'dialledIn', 'inUse', 'finished'] as const;
export type LotState = (typeof LOT_STATES)[number];
export const LOT_WORDS: Readonly<Record<LotState, string>> = {
  new: 'new: to be dialled in',
  dialledIn: 'dialled in',
  inUse: 'in use',
  finished: 'finished',
};

/** Days before the end of a lot's best in which it is asked to be used up. Common practice. */
const SOON = 28;
const dayMs = (d: string) => Date.parse(`${d}T00:00:00Z`);
const daysFrom = (first: Day, second: Day): number =>
  Math.round((dayMs(second) - dayMs(first)) / 86_400_000);

/** How a lot stands on a day: what its best-before says. */
export function lotNow(
  bestBefore: Day | null,
  today: Day,
): { readonly kind: 'fine' } | { readonly kind: 'soon' | 'past'; readonly days: number } {
  if (!bestBefore) return { kind: 'fine' };
  const days = daysFrom(today, bestBefore);
  if (days < 0) return { kind: 'past', days: -days };
  return days <= SOON ? { kind: 'soon', days } : { kind: 'fine' };
}

/** Leaf older than this is worth a word on a card, days (from memory: a season). */
const OLD_DAYS = 180;
/**
 * The age of a lot and its best-before, where a card should say it; null where both are as they should be.
 * @example lotAgeWords({ arrived: '2026-01-10', bestBefore: '2026-03-20' }, '2026-03-11') // 'best before in 9 days'
 */
export function lotAgeWords(
  lot: { readonly arrived: Day | null; readonly bestBefore: Day | null },
  today: Day,
): string | null {
  const now = lotNow(lot.bestBefore, today);
  const age = lot.arrived === null ? 0 : daysFrom(lot.arrived, today);
  const words = [
    ...(age >= OLD_DAYS ? [`arrived ${Math.round(age / 30.4)} months ago`] : []),
    ...(now.kind === 'past' ? [`best before was ${now.days} days ago`] : []),
    ...(now.kind === 'soon' ? [`best before in ${now.days} days`] : []),
  ];
  return words.length === 0 ? null : words.join(', ');
}

/** Null when a text is a day that exists; else why not. @example dayFault('2026-02-30') // 'There is no such day.' */
export function dayFault(text: string): string | null {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return 'Write the day as 2026-03-14.';
  const [y, m, d] = text.split('-').map(Number) as [number, number, number];
  const days = daysIn(m, y);
  return m < 1 || m > 12 || d < 1 || d > days ? 'There is no such day.' : null;
}

/** Days of a month. */
function daysIn(m: number, y: number) {
  const isLeapYear = (y % 4 === 0 && y % 100 !== 0) || y % 400 === 0;
  if (m === 2) return isLeapYear ? 29 : 28;
  if ([4, 6, 9, 11].includes(m)) return 30;
  return 31;
}
