import {
  at,
  dryLeaf,
  eachSolute,
  heatAfter,
  type Infusion,
  NO_SOLUTES,
  steep,
} from '#core/extraction';
import {
  type Celsius,
  celsius,
  type Grams,
  grams,
  type Millilitres,
  millilitres,
  type Seconds,
  seconds,
} from '#core/units';
import { brewCup, type Brewing, type Cup, cupOf, heatOf, settingOf } from './cup';

// A pot that is emptied cup by cup while its leaf stays in: what is left goes on drawing, in less and less water.

/** A cup poured out of a pot, or hot water poured on its leaf again: so long after the water went on. */
export type PotPour = {
  readonly after: Seconds;
  readonly what: 'cup' | 'refill';
  readonly ml: Millilitres;
};
/** A pot at one moment: all its water, with what the leaf holds of it. */
export type Pot = {
  readonly after: Seconds;
  readonly leaf: Infusion;
  readonly water: Millilitres;
  readonly temperature: Celsius;
};
export type PouredCup = { readonly after: Seconds; readonly ml: Millilitres; readonly cup: Cup };

/** Less liquor than this is no cup any more, ml. */
const LAST_DROPS = 5;
const heldIn = ({ character, leaf }: Brewing, { water }: Pick<Pot, 'water'>): number =>
  Math.min(water, character.held * leaf);
/** Liquor that can still be poured, ml. */
export const leftIn = (b: Brewing, pot: Pick<Pot, 'water'>): Millilitres =>
  millilitres(pot.water - heldIn(b, pot));

/** The pot so long after its water went on; earlier than it stands it is as it stands. */
export function potAt(b: Brewing, pot: Pot, after: Seconds): Pot {
  const time = seconds(Math.max(0, after - pot.after));
  if (!(pot.water > 0) || time === 0) return pot;
  const now: Brewing = { ...b, water: pot.water, temperature: pot.temperature };
  const heat = heatOf(now);
  return {
    ...{ after: seconds(pot.after + time), water: pot.water },
    leaf: steep(pot.leaf, settingOf(now), heat, time),
    temperature: heatAfter(heat, pot.water, time),
  };
}
/** What a cup of this pot would taste of now. */
export const cupFrom = (b: Brewing, { leaf, water }: Pot, ml: Millilitres): Cup =>
  cupOf(
    b.character,
    b.leaf,
    ml,
    water > 0 ? eachSolute((i) => (at(leaf.inLiquor, i) * ml) / water) : NO_SOLUTES,
    leaf.stewed,
    b,
  );

function pourCup(b: Brewing, pot: Pot, asked: Millilitres): { pot: Pot; ml: Millilitres } {
  const ml = millilitres(Math.min(asked, leftIn(b, pot)));
  const stays = pot.water > 0 ? 1 - ml / pot.water : 1;
  const inLiquor = eachSolute((i) => at(pot.leaf.inLiquor, i) * stays);
  return {
    ml,
    pot: { ...pot, water: millilitres(pot.water - ml), leaf: { ...pot.leaf, inLiquor } },
  };
}
/** Hot water on the leaf that stayed in: what was there mixes with it. */
export const refilled = (pot: Pot, ml: Millilitres, hot: Celsius): Pot => ({
  ...pot,
  water: millilitres(pot.water + ml),
  temperature: celsius((pot.water * pot.temperature + ml * hot) / (pot.water + ml)),
});

/**
 * A pot through its pours: each cup as it was poured, and the pot after the last of them.
 * @param b the pot as it was begun; its time is not used @param pours in their order
 * @param hot what the water of a refill has on the leaf
 * @throws {RangeError} on no water or no leaf
 */
export function emptiedPot(
  b: Brewing,
  pours: readonly PotPour[],
  hot: Celsius,
): { readonly cups: readonly PouredCup[]; readonly pot: Pot } {
  const cups: PouredCup[] = [];
  let pot: Pot = {
    ...{ after: seconds(0), water: b.water, temperature: b.temperature },
    leaf: dryLeaf(b.character, b.leaf),
  };
  for (const { after, what, ml: asked } of pours) {
    const then = potAt(b, pot, after);
    if (what === 'refill') pot = refilled(then, asked, hot);
    else {
      const { pot: left, ml } = pourCup(b, then, asked);
      if (ml >= LAST_DROPS) cups.push({ after: then.after, ml, cup: cupFrom(b, then, ml) });
      pot = left;
    }
  }
  return { cups, pot };
}

/** Cups of a pot are poured about so far apart (from memory). */
export const CUP_EVERY: Seconds = seconds(300);
/** A pot emptied into so many cups alike, the first at its best time. */
export const cupByCup = (b: Brewing, cups: number, every: Seconds = CUP_EVERY): PotPour[] =>
  Array.from({ length: cups }, (_, i) => ({
    after: seconds(b.time + i * every),
    what: 'cup' as const,
    ml: millilitres(leftIn(b, b) / cups),
  }));
/** Predicted strengths of those cups, 0 to 10, the first first. */
export const strengthsOfCups = (b: Brewing, cups: number): number[] =>
  emptiedPot(b, cupByCup(b, cups), b.temperature).cups.map(({ cup }) => cup.taste.strength);

/** Leaf is tapered no further than this share of the recipe's. */
const LEAST_SHARE = 0.3;
const HALVINGS = 20;
/**
 * Leaf with which the cups of a pot that keeps its leaf are as strong, on average, as the one cup of the recipe.
 * @returns grams, no more than the recipe's own
 */
export function taperedLeaf(b: Brewing, cups: number): Grams {
  const wanted = brewCup(b).taste.strength;
  const mean = (leaf: number): number => {
    const all = strengthsOfCups({ ...b, leaf: grams(leaf) }, cups);
    return all.reduce((sum, s) => sum + s, 0) / all.length;
  };
  let [low, high] = [b.leaf * LEAST_SHARE, b.leaf as number];
  if (mean(high) <= wanted) return b.leaf;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (mean(middle) > wanted) high = middle;
    else low = middle;
  }
  return grams(low);
}
