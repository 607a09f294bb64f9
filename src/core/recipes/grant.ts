import { type Celsius, type Grams, grams, type Seconds, seconds } from '#core/units';
import type { Window } from './recipe';
import { MILK_SHARES, type Wish } from './wish';

// How a pour follows a guest's wish: leaf first, then time; hotter water for milk.

/** One step of a wish on the strength scale of 0 to 10: what one mark of a verdict stands for. */
export const WISH_STEP = 0.8;
/** A wish is met when the predicted strength comes so near, of 10. */
const NEAR = 0.1;
/** Milk takes hotter water, as long as the style does, °C (common practice: boiling water for black tea with milk). */
const MILK_HOTTER = 5;
/** Steps of a bar's clock, s. */
const CLOCK_STEP = 5;

/** Leaf, heat on the leaf as it is asked for, and time. */
export type MadeWith = {
  readonly leaf: Grams;
  readonly temperature: Celsius;
  readonly time: Seconds;
};
/** A pour whose leaf, heat and time may move within bounds. */
export type WishRoom = {
  /** What the house makes here. */
  readonly house: MadeWith;
  /** Leaf is measured out in these, g: a tenth of a gram, or a bag. */
  readonly leafStep: Grams;
  readonly least: Grams;
  readonly most: Grams;
  /** The most that may be asked of the water: the style's range, and what boiling water comes to here. */
  readonly hottest: Celsius;
  readonly window: Window;
  /** Predicted strength, 0 to 10, with so much milk for each ml of liquor. */
  readonly strengthOf: (made: MadeWith, milk: number) => number;
};
/** What a wish comes to in one pour. */
export type Granted = MadeWith & {
  readonly wish: Wish;
  readonly house: MadeWith;
  /** What the predicted strength moved by, in steps, against the house's cup with the same milk. */
  readonly steps: number;
  /** False: leaf and time are at the end of their range, and the cup is not all that was asked for. */
  readonly met: boolean;
};

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));
/** The least whole number from `low` to `high` at which `reaches` is true; `high` when it never is. */
function firstThat(low: number, high: number, reaches: (n: number) => boolean): number {
  let [from, to] = [low, high];
  while (from < to) {
    const middle = Math.floor((from + to) / 2);
    if (reaches(middle)) to = middle;
    else from = middle + 1;
  }
  return to;
}

/** Leaf first, by what can be measured out; then time, within the window. Strength never falls with either. */
function towards(
  target: number,
  from: MadeWith,
  { least, most }: { least: Grams; most: Grams },
  { leafStep, window, strengthOf }: WishRoom,
  milk: number,
): MadeWith {
  const leafOf = (count: number) => grams(Number((count * leafStep).toFixed(3)));
  const withLeaf = (count: number): MadeWith => ({ ...from, leaf: leafOf(count) });
  const off = (made: MadeWith) => strengthOf(made, milk) - target;
  const [low, high] = [Math.ceil(least / leafStep - 1e-6), Math.floor(most / leafStep + 1e-6)];
  const start = Math.round(from.leaf / leafStep);
  const isMore = off(from) < 0;
  // A step of leaf too far is worse than a step short: time makes up for what is missing, within its window.
  const over = firstThat(low, Math.max(low, high), (count) => off(withLeaf(count)) >= 0);
  const near = [over, over - 1]
    .map((count) => clamp(count, low, Math.max(low, high)))
    .map((count) => ({ count, off: off(withLeaf(count)) }))
    .filter((found) => (isMore ? found.off <= NEAR : found.off >= -NEAR))
    .sort((a, b) => Math.abs(a.off) - Math.abs(b.off))[0];
  const byLeaf = withLeaf(near?.count ?? start);
  if (Math.abs(off(byLeaf)) <= NEAR) return byLeaf;
  const at = (ticks: number): MadeWith => ({
    ...byLeaf,
    time: seconds(clamp(ticks * CLOCK_STEP, window.earliest, window.latest)),
  });
  const ticks = firstThat(
    Math.floor(window.earliest / CLOCK_STEP),
    Math.ceil(window.latest / CLOCK_STEP),
    (n) => off(at(n)) >= 0,
  );
  const [later, sooner] = [at(ticks), at(ticks - 1)];
  return Math.abs(off(sooner)) < Math.abs(off(later)) ? sooner : later;
}

/**
 * What a wish comes to: the leaf follows first, within the style's range and the vessel, then the time within its
 * window. Milk takes hotter water and at least the house's leaf, so that the cup with milk is as strong as the house's
 * without; lighter and stronger go one step from there.
 */
export function grant(wish: Wish, room: WishRoom): Granted {
  const { house, strengthOf } = room;
  const milk = MILK_SHARES[wish.milk];
  const temperature = milk > 0 ? room.hottest : house.temperature;
  const bounds = {
    least: grams(Math.min(room.least, house.leaf)),
    most: grams(Math.max(room.most, house.leaf)),
  };
  const plain = strengthOf(house, 0);
  const hotter = { ...house, temperature };
  const full =
    strengthOf(hotter, milk) < plain
      ? towards(plain, hotter, { ...bounds, least: house.leaf }, room, milk)
      : hotter;
  const base = strengthOf(full, milk);
  const target = base + WISH_STEP * wish.strength;
  const made = wish.strength === 0 ? full : towards(target, full, bounds, room, milk);
  const reached = strengthOf(made, milk);
  return {
    ...made,
    ...{ wish, house },
    steps: (reached - base) / WISH_STEP,
    met: wish.strength === 0 ? reached > plain - NEAR : Math.abs(reached - target) <= NEAR,
  };
}

/** The hottest water that milk may ask for. @param most what boiling water comes to on the leaf here, °C */
export const hottestForMilk = (
  recipe: Celsius,
  range: readonly [number, number],
  most: Celsius,
): Celsius =>
  Math.max(
    recipe,
    Math.min(recipe + MILK_HOTTER, Math.max(recipe, range[1]), Math.floor(most)),
  ) as Celsius;
