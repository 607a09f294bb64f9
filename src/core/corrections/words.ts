import type { Brewing } from '#core/cup';
import type { StyleId } from '#core/styles';
import { capital, celsius, grams, minutesText, numberText, seconds } from '#core/units';
import { MODEL_LEVERS, type ModelLever, turned, type Turns, valueOf } from './levers';
import type { ProposedLever, TurnedLever } from './names';

/** One lever turned, in the terms of a recipe: leaf in g per 100 ml, C, s, contact and water as they are. */
export type Turn = { readonly lever: TurnedLever; readonly from: number; readonly to: number };

const LEAF = 0.1;
const HEAT = 1;
const TIME = 5;
const WATER = 0.02;
const near = (step: number, x: number) => Number((Math.round(x / step) * step).toFixed(4));

/** The turned brew as the bar can do it: 0.1 g, 1 C, 5 s, water to a fiftieth. Contact stays: it is said in words. */
export function asTheBarCan(before: Brewing, style: StyleId, turns: Turns): Brewing {
  const exact = turned(before, style, turns);
  const moved = (l: ModelLever) => Math.abs(valueOf(exact, l) - valueOf(before, l)) > 1e-6;
  return {
    ...exact,
    leaf: moved('leafGrams') ? grams(near(LEAF, exact.leaf)) : before.leaf,
    temperature: moved('temperatureC')
      ? celsius(near(HEAT, exact.temperature))
      : before.temperature,
    time: moved('seconds') ? seconds(near(TIME, exact.time)) : before.time,
    waterAfter: moved('waterAfterFraction')
      ? near(WATER, exact.waterAfter ?? 0)
      : before.waterAfter,
  };
}

/** What was turned between two brews, in the terms of a recipe. Changes too small for the bar are none. */
export function turnsBetween(before: Brewing, after: Brewing): Turn[] {
  const dose = (b: Brewing) => Number(((100 * b.leaf) / b.water).toFixed(2));
  return MODEL_LEVERS.flatMap((l): Turn[] => {
    const [from, to] =
      l === 'leafGrams' ? [dose(before), dose(after)] : [valueOf(before, l), valueOf(after, l)];
    if (Math.abs(to - from) < 1e-6) return [];
    const up = to > from;
    const lever = (
      {
        leafGrams: up ? 'leafMore' : 'leafLess',
        temperatureC: up ? 'hotter' : 'cooler',
        seconds: up ? 'longer' : 'shorter',
        contactFactor: up ? 'roomier' : 'stiller',
        waterAfterFraction: 'waterAfter',
      } as const
    )[l];
    return [{ lever, from, to }];
  });
}

/** The figure of a correction, large. @example headlineOf({ lever: 'cooler', from: 90, to: 85 }) // '5 °C cooler' */
export function headlineOf({ lever, from, to }: Turn): string {
  switch (lever) {
    case 'leafMore':
    case 'leafLess':
      return `${Math.max(1, Math.round(Math.abs(to / from - 1) * 100))} % ${to > from ? 'more' : 'less'} leaf`;
    case 'cooler':
    case 'hotter':
      return `${Math.max(1, Math.round(Math.abs(to - from)))} °C ${lever}`;
    case 'shorter':
    case 'longer':
      return `${minutesText(Math.abs(to - from))} ${lever}`;
    case 'roomier':
      return 'Stir it once';
    case 'stiller':
      return 'Leave it still';
    case 'waterAfter':
      return `${Math.round(100 * to)} % hot water after`;
  }
}
/** From what to what. */
export function changeOf({ lever, from, to }: Turn): string {
  switch (lever) {
    case 'leafMore':
    case 'leafLess':
      return `${numberText(from, 2)} to ${numberText(to, 2)} g per 100 ml`;
    case 'cooler':
    case 'hotter':
      return `${Math.round(from)} to ${Math.round(to)} °C`;
    case 'shorter':
    case 'longer':
      return `best at ${minutesText(to)}, was ${minutesText(from)}`;
    case 'roomier':
      return 'or a roomier infuser';
    case 'stiller':
      return 'no stirring, or a smaller infuser';
    case 'waterAfter':
      return `${Math.round(100 * to)} ml to each 100 ml poured`;
  }
}
const NAMES: Readonly<Record<ModelLever, readonly TurnedLever[]>> = {
  leafGrams: ['leafMore', 'leafLess'],
  temperatureC: ['cooler', 'hotter'],
  seconds: ['shorter', 'longer'],
  contactFactor: ['roomier', 'stiller'],
  waterAfterFraction: ['waterAfter'],
};
const WORDS: Readonly<Record<ModelLever, string>> = {
  leafGrams: 'leaf',
  temperatureC: 'heat',
  seconds: 'time',
  contactFactor: 'handling',
  waterAfterFraction: 'water after',
};
/**
 * What is left alone, so that only one thing changes. @example restOf([{ lever: 'cooler', from: 90, to: 85 }]) //
 * 'Leaf and time stay.'
 */
export function restOf(turns: readonly Turn[]): string {
  const stays = (['leafGrams', 'temperatureC', 'seconds'] as const)
    .filter((l) => !turns.some((t) => NAMES[l].includes(t.lever)))
    .map((l) => WORDS[l]);
  if (stays.length === 0) return '';
  const said = stays.length === 3 ? 'leaf, heat and time' : stays.join(' and ');
  return `${capital(said)} ${stays.length === 1 ? 'stays' : 'stay'}.`;
}

/** What a lever turns, in a few words. */
export const LEVER_WORDS: Readonly<Record<ProposedLever, string>> = {
  leafMore: 'more leaf',
  leafLess: 'less leaf',
  cooler: 'cooler water',
  hotter: 'hotter water',
  shorter: 'less time',
  longer: 'more time',
  roomier: 'stir, or a roomier infuser',
  stiller: 'no stirring',
  waterAfter: 'hot water after',
  warmVessel: 'warm the vessel',
  checkLot: 'look at lot and water',
  two: 'several things at once',
  followRecipe: 'follow the recipe',
  keep: 'nothing',
  none: 'nothing',
};
