import type { Brewing } from '#core/cup';
import { type StyleId, styleOf } from '#core/styles';
import { celsius, grams, seconds } from '#core/units';

/** What a correction can turn, in the order of the model. `contactFactor`: stir, a roomier infuser. */
export const MODEL_LEVERS = [
  'leafGrams',
  'temperatureC',
  'seconds',
  'contactFactor',
  'waterAfterFraction',
] as const;
export type ModelLever = (typeof MODEL_LEVERS)[number];

/**
 * One effort unit of each lever, how far it may go, and what it costs beside leaf, heat and time (from memory): leaf
 * x1.15, +4 C, time x1.2, contact x1.2, a tenth of the liquor in water.
 */
export const EFFORT: Readonly<
  Record<ModelLever, { readonly from: number; readonly to: number; readonly cost: number }>
> = {
  leafGrams: { from: -3, to: 3, cost: 1 },
  temperatureC: { from: -4, to: 4, cost: 1 },
  seconds: { from: -4, to: 4, cost: 1 },
  contactFactor: { from: -2, to: 2, cost: 1.6 },
  waterAfterFraction: { from: 0, to: 4, cost: 1.3 },
};
/** One effort unit of leaf (a ratio), heat (°C) and time (a ratio). */
export const LEAF_STEP = 1.15;
export const HEAT_STEP = 4;
export const TIME_STEP = 1.2;
const CONTACT_STEP = 1.2;
const WATER_STEP = 0.1;
/** No lever asks for hotter water than this on the leaf. */
const HOTTEST = 97;

/** How far each lever is turned, effort units. */
export type Turns = Readonly<Partial<Record<ModelLever, number>>>;
/** Where the tea's own recipe stands, for the brew in hand. */
export type RecipePoint = {
  readonly leafGrams: number;
  readonly temperatureC: number;
  readonly seconds: number;
};

/** Inside the range; a value already outside may stay or come nearer, never go further. */
function within(value: number, from: number, low: number, high: number): number {
  return Math.min(Math.max(value, Math.min(low, from)), Math.max(high, from));
}

/** The value a lever has in a brew. */
export function valueOf(b: Brewing, lever: ModelLever): number {
  switch (lever) {
    case 'leafGrams':
      return b.leaf;
    case 'temperatureC':
      return b.temperature;
    case 'seconds':
      return b.time;
    case 'contactFactor':
      return b.contact ?? 1;
    case 'waterAfterFraction':
      return b.waterAfter ?? 0;
  }
}

/** A brew whose levers a search turns in place: one object, so that the quick cup always meets the same shape. */
export type TurnedBrew = { -readonly [K in keyof Brewing]: Brewing[K] } & {
  contact: number;
  waterAfter: number;
};
export const turnable = (b: Brewing): TurnedBrew => ({
  ...b,
  contact: b.contact ?? 1,
  waterAfter: b.waterAfter ?? 0,
});

/** Turns the levers of `b` into `next`, kept inside the style's working range. */
export function turnInto(next: TurnedBrew, b: Brewing, style: StyleId, turns: Turns): void {
  const { range } = styleOf(style);
  const { leafGrams, temperatureC, seconds: time, contactFactor, waterAfterFraction } = turns;
  next.leaf = leafGrams
    ? grams(
        within(
          b.leaf * LEAF_STEP ** leafGrams,
          b.leaf,
          (range.dose[0] * b.water) / 100,
          (range.dose[1] * b.water) / 100,
        ),
      )
    : b.leaf;
  next.temperature = temperatureC
    ? celsius(
        within(
          Math.min(b.temperature + HEAT_STEP * temperatureC, Math.max(HOTTEST, b.temperature)),
          b.temperature,
          range.temperature[0],
          range.temperature[1],
        ),
      )
    : b.temperature;
  next.time = time
    ? seconds(within(b.time * TIME_STEP ** time, b.time, range.seconds[0], range.seconds[1]))
    : b.time;
  next.contact = (b.contact ?? 1) * (contactFactor ? CONTACT_STEP ** contactFactor : 1);
  next.waterAfter = (b.waterAfter ?? 0) + WATER_STEP * (waterAfterFraction ?? 0);
}
/** The brew with its levers turned, kept inside its style's working range. */
export function turned(b: Brewing, style: StyleId, turns: Turns): Brewing {
  const next = turnable(b);
  turnInto(next, b, style, turns);
  return next;
}

/** True when a lever ends nearer the tea's own recipe than it began. */
export function nearsRecipe(
  before: Brewing,
  after: Brewing,
  lever: ModelLever,
  recipe: RecipePoint,
): boolean {
  if (lever === 'contactFactor' || lever === 'waterAfterFraction') return false;
  const home = recipe[lever];
  return Math.abs(valueOf(after, lever) - home) < Math.abs(valueOf(before, lever) - home) - 1e-9;
}
