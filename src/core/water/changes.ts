import type { Day } from '#core/teas';
import { daysBetween } from '#core/time';
import type { BrewWater } from './brewWater';
import { daysWords, type Hardness } from './water';

/** Days a brew's filter had been in use on a day; null where that is not known. */
export const filterAge = ({ filterChanged }: BrewWater, day: Day): number | null =>
  filterChanged === null ? null : Math.max(0, daysBetween(filterChanged, day));
const HARDNESS_WORDS: Readonly<Record<Hardness, string>> = {
  unknown: 'hardness not known',
  soft: 'soft',
  medium: 'medium hard',
  hard: 'hard',
};
/** "medium hard, filtered, the filter 12 days in use". */
export function brewWaterWords(water: BrewWater, day: Day): string {
  const age = filterAge(water, day);
  return [
    HARDNESS_WORDS[water.hardness],
    water.filtered ? 'filtered' : 'not filtered',
    ...(age === null ? [] : [`the filter ${daysWords(age)} in use`]),
  ].join(', ');
}

/** Filters whose ages differ by less make no difference worth a line, days (from memory). */
const AGE_WORTH_SAYING = 7;
/** What differs between the water of an earlier brew and of a later one, a line each. */
export function waterChanges(
  before: { readonly water: BrewWater; readonly day: Day },
  after: { readonly water: BrewWater; readonly day: Day },
): string[] {
  const lines: string[] = [];
  if (before.water.hardness !== after.water.hardness)
    lines.push(
      `Tap water: ${HARDNESS_WORDS[after.water.hardness]}, was ${HARDNESS_WORDS[before.water.hardness]}.`,
    );
  if (before.water.filtered !== after.water.filtered)
    lines.push(
      after.water.filtered
        ? 'The water is filtered now, and was not.'
        : 'The water is not filtered now, and was.',
    );
  const [then, now] = [filterAge(before.water, before.day), filterAge(after.water, after.day)];
  if (then !== null && now !== null && Math.abs(now - then) >= AGE_WORTH_SAYING)
    lines.push(`The filter was ${daysWords(now)} in use, ${daysWords(then)} then.`);
  return lines;
}
