import { type Cup, cupOf } from '#core/cup';
import {
  contactFactor,
  dryLeaf,
  eachSolute,
  type Heat,
  heatAfter,
  heatedPanels,
  hold,
  type Infusion,
  pourOff,
  type Setting,
  SQUEEZED,
  steep,
} from '#core/extraction';
import { followed } from '#core/heat';
import type { Character } from '#core/styles';
import { bodyOf } from '#core/taste';
import {
  type Celsius,
  celsius,
  type Grams,
  type Millilitres,
  millilitres,
  type Seconds,
  seconds,
} from '#core/units';
import { type ColdFill, followingTime, hours, startOf } from './chill';

/** What lies in the fridge: a fill, its leaf, and the air around it. */
export type ColdSteep = ColdFill & { readonly character: Character; readonly air: Celsius };

/** A steep whose beginning and time constant are known: what a batch keeps of itself. */
export type Drawn = {
  readonly character: Character;
  readonly leaf: Grams;
  readonly water: Millilitres;
  readonly start: Celsius;
  readonly air: Celsius;
  readonly tau: Seconds;
  /** Of warm-then-cold: what went on first, hot and with the lid off, and for how long. */
  readonly hotFirst?: HotPart | null;
};
/** Hot water on the leaf before the cold. */
export type HotPart = {
  readonly water: Millilitres;
  readonly temperature: Celsius;
  readonly time?: Seconds;
};
/** A hot start is made in a room so warm, C. */
const ROOM = celsius(20);
const drawnOf = (s: ColdSteep): Drawn => ({ ...s, start: startOf(s), tau: followingTime(s) });

/** What runs off drained leaf, ml: leaf keeps its own, pressed a part of it, and the vessel what lies under its tap. */
export const coldYield = (
  s: { readonly water: Millilitres; readonly leaf: Grams; readonly held: number },
  { squeeze = false, dead = 0 } = {},
): Millilitres =>
  millilitres(s.water - Math.min(s.water, s.held * s.leaf) * (squeeze ? SQUEEZED : 1) - dead);

/** The liquor at one moment, and its temperature. */
export type CourseAt = { readonly water: Celsius; readonly cup: Cup };

/** Loose leaf, still, under a lid. */
const settingOf = ({ character, leaf, water }: Drawn): Setting => ({
  character,
  leaf,
  water,
  lid: true,
  contact: contactFactor(character, { leaf }),
});
const heatOf = ({ start, air, tau }: Drawn): Heat => ({ kind: 'following', start, air, tau });

/** Hot water stays on the leaf for a minute (common practice). */
const HOT_MINUTE = seconds(60);
/** The leaf as the cold water finds it. */
function leafBeforeCold(s: Drawn): { leaf: Infusion; took: Seconds } {
  const dry = dryLeaf(s.character, s.leaf);
  if (!s.hotFirst) return { leaf: dry, took: seconds(0) };
  const { water, temperature, time = HOT_MINUTE } = s.hotFirst;
  const heat = {
    kind: 'cooling',
    start: temperature,
    ambient: ROOM,
    material: 'none',
    lid: false,
  } as const;
  return {
    leaf: steep(dry, { ...settingOf({ ...s, water }), lid: false }, heat, time),
    took: time,
  };
}

/**
 * Liquor and temperature `after` the leaf went in.
 * @param waterAfter water added to what ran off, ml per ml of it.
 */
export function drawnCup(s: Drawn, after: Seconds, { waterAfter = 0 } = {}): CourseAt {
  const [set, heat] = [settingOf(s), heatOf(s)];
  const { leaf, took } = leafBeforeCold(s);
  const cold = seconds(Math.max(0, after - took));
  const state = steep(leaf, set, heat, cold);
  const poured = pourOff(state, set);
  return {
    water: heatAfter(heat, s.water, cold),
    cup: cupOf(s.character, s.leaf, poured.volume, poured.solutes, state.stewed, { waterAfter }),
  };
}
export const courseAt = (s: ColdSteep, after: Seconds): CourseAt => drawnCup(drawnOf(s), after);

/** Body of what is in the liquor, g/L. */
const bodyIn = ({ inLiquor }: Infusion, water: Millilitres): number =>
  bodyOf(eachSolute((i) => (inLiquor[i] ?? 0) / water));

/** No window is looked for beyond three days. */
const LONGEST = hours(72);
const CLOSE_ENOUGH_S = 0.01;

/**
 * When the liquor is as full as `body` g/L, in s; null when it will not be in three days. A steep of any length begins
 * with the same panels, so they are walked once, and only the panel in which the body is reached is looked into.
 */
function timeOfBody(s: Drawn, body: number): Seconds | null {
  const set = settingOf(s);
  const panels = heatedPanels(heatOf(s), s.water, LONGEST);
  const at = (middle: number) => followed(s.start, s.air, s.tau, seconds(middle));
  let state = dryLeaf(s.character, s.leaf);
  for (const { from, to } of panels) {
    const until = (t: number) => hold(state, set, at((from + t) / 2), t - from);
    const end = until(to);
    if (bodyIn(end, s.water) < body) {
      state = end;
      continue;
    }
    let [low, high] = [from, to];
    while (high - low > CLOSE_ENOUGH_S) {
      const middle = (low + high) / 2;
      if (bodyIn(until(middle), s.water) < body) low = middle;
      else high = middle;
    }
    return seconds((low + high) / 2);
  }
  return null;
}
/**
 * When the liquor here is as full as it is after `at` where the recipe was made: null when it will not get there in
 * three days.
 */
export function sameBodyAt(here: ColdSteep, reference: ColdSteep, at: Seconds): Seconds | null {
  return timeOfBody(drawnOf(here), bodyOf(courseAt(reference, at).cup.gramsPerLitre));
}
