import type { Character } from '#core/styles';
import { type Celsius, type Grams, type Millilitres, type Seconds, seconds } from '#core/units';
import {
  ACTIVATION,
  coldness,
  PARTITION_AT_90,
  PARTITION_HEAT,
  RATE_AT_90,
  STEWING_ENERGY,
  VENTING,
  WETTING_ENERGY,
} from './constants';
import { at, type BySolute, eachSolute, NO_SOLUTES } from './solutes';

/** Leaf and liquor at one moment. Amounts in mg. */
export type Infusion = {
  readonly inLeaf: BySolute;
  readonly inLiquor: BySolute;
  /** Aroma gone to the air, mg. */
  readonly lost: number;
  /** How far the leaf has opened: wetted share is 1 - exp(-opened). It stays open between steeps. */
  readonly opened: number;
  /** Seconds at 90 C that this liquor has stewed for. */
  readonly stewed: Seconds;
};

/** What one steep holds fast while its temperature moves. */
export type Setting = {
  readonly character: Character;
  readonly leaf: Grams;
  /** All the water in the vessel. */
  readonly water: Millilitres;
  /** From `contactFactor`. */
  readonly contact: number;
  readonly lid: boolean;
};

/** Dry leaf, nothing drawn yet. */
export const dryLeaf = (c: Character, leaf: Grams): Infusion => ({
  inLeaf: eachSolute((i) => at(c.extractable, i) * leaf),
  inLiquor: NO_SOLUTES,
  lost: 0,
  opened: 0,
  stewed: seconds(0),
});

/** Least water a gram of leaf is taken to hold, ml, in the partition. */
export const LEAST_HELD = 0.5;

/** Share of a class in the liquor at rest: phi = K r/(1 + K r), r = water against the water in the leaf. */
export function shareAtRest(i: number, s: Setting, x: number): number {
  const r = s.water / (Math.max(s.character.held, LEAST_HELD) * s.leaf);
  const k = at(PARTITION_AT_90, i) * Math.exp(-at(PARTITION_HEAT, i) * x);
  return (k * r) / (1 + k * r);
}

/** Rate of a class, 1/s, opened leaf. */
export const rateOf = (i: number, s: Setting, x: number): number =>
  at(RATE_AT_90, i) * s.contact * Math.exp(-at(ACTIVATION, i) * s.character.sensitivity * x);

/** Rate at which aroma goes to the air, 1/s. */
const ventingOf = (set: Setting, x: number): number =>
  VENTING.rate * (set.lid ? 1 : VENTING.open) * Math.exp(-VENTING.energy * x);

/**
 * One panel of `dt` seconds at one temperature; exact there. Leaf opens (s += dt/tw); the classes relax to their share
 * at rest and never go back into the leaf; aroma leaves whole and is lost from the liquor to the air.
 */
export function hold(from: Infusion, set: Setting, t: Celsius, dt: number): Infusion {
  const x = coldness(t);
  const opening = set.character.wetting * Math.exp(WETTING_ENERGY * x);
  const z = dt / opening;
  // Seconds of fully opened leaf that this panel is worth.
  const effective = dt - opening * Math.exp(-from.opened) * (1 - Math.exp(-z));
  const moved = eachSolute((i) => {
    if (i === 0) return 0;
    const [leaf, liquor] = [at(from.inLeaf, i), at(from.inLiquor, i)];
    const phi = shareAtRest(i, set, x);
    const rest = phi * (leaf + liquor);
    return rest > liquor
      ? (rest - liquor) * (1 - Math.exp((-rateOf(i, set, x) * effective) / phi))
      : 0;
  });
  const aroma = holdAroma(from, rateOf(0, set, x) * effective, ventingOf(set, x) * dt);
  return {
    inLeaf: eachSolute((i) => (i === 0 ? aroma.leaf : at(from.inLeaf, i) - at(moved, i))),
    inLiquor: eachSolute((i) => (i === 0 ? aroma.liquor : at(from.inLiquor, i) + at(moved, i))),
    lost: aroma.lost,
    opened: from.opened + z,
    stewed: seconds(from.stewed + dt * Math.exp(-STEWING_ENERGY * x)),
  };
}

/** Liquor with no leaf in it for `dt` seconds at one temperature: it stews, and its aroma is lost to the air. */
export function standing(from: Infusion, set: Setting, t: Celsius, dt: number): Infusion {
  const x = coldness(t);
  const aroma = holdAroma({ ...from, inLeaf: NO_SOLUTES }, 0, ventingOf(set, x) * dt);
  return {
    ...from,
    inLiquor: eachSolute((i) => (i === 0 ? aroma.liquor : at(from.inLiquor, i))),
    lost: aroma.lost,
    stewed: seconds(from.stewed + dt * Math.exp(-STEWING_ENERGY * x)),
  };
}

/** Aroma over a panel: leaf -> liquor -> air in series; `d` and `v` are rate x time of the two. */
function holdAroma(
  from: Infusion,
  d: number,
  v: number,
): { leaf: number; liquor: number; lost: number } {
  const [leaf, liquor] = [at(from.inLeaf, 0), at(from.inLiquor, 0)];
  const inSeries =
    Math.abs(v - d) < 1e-9 ? d * Math.exp(-d) : (d * (Math.exp(-d) - Math.exp(-v))) / (v - d);
  const [leafAfter, liquorAfter] = [leaf * Math.exp(-d), liquor * Math.exp(-v) + leaf * inSeries];
  return {
    leaf: leafAfter,
    liquor: liquorAfter,
    lost: from.lost + leaf + liquor - leafAfter - liquorAfter,
  };
}

export type Poured = {
  /** What was poured off, ml and mg by class. */
  readonly volume: Millilitres;
  readonly solutes: BySolute;
  /** Leaf and what stays under it, ready for the next water. */
  readonly left: Infusion;
};

/** Squeezing gives back this share of what leaf holds: from memory. */
export const SQUEEZED = 0.6;

/**
 * Pours off: what the leaf holds stays, and of the rest the root that is `kept` (0 drained to the last drop). Solute
 * leaves in proportion to the water.
 */
export function pourOff(from: Infusion, set: Setting, { kept = 0, squeeze = false } = {}): Poured {
  const held = Math.min(set.water, set.character.held * set.leaf) * (squeeze ? SQUEEZED : 1);
  const volume = (set.water - held) * (1 - kept);
  const share = set.water > 0 ? volume / set.water : 0;
  return {
    volume: volume as Millilitres,
    solutes: eachSolute((i) => at(from.inLiquor, i) * share),
    left: {
      ...from,
      inLiquor: eachSolute((i) => at(from.inLiquor, i) * (1 - share)),
      stewed: seconds(0),
    },
  };
}
