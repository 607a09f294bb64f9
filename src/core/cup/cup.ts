import {
  type Agitation,
  at,
  type BySolute,
  contactFactor,
  dryLeaf,
  eachSolute,
  type Heat,
  heatAfter,
  type Infusion,
  type LeafOut,
  NO_SOLUTES,
  pourOff,
  type Setting,
  steep,
  steepInTime,
  sumOf,
} from '#core/extraction';
import type { Material } from '#core/heat';
import type { Character } from '#core/styles';
import { type Taste, tasteOf } from '#core/taste';
import {
  type Celsius,
  celsius,
  type Grams,
  grams,
  type Millilitres,
  millilitres,
  type Seconds,
} from '#core/units';
import type { InfuserKind } from '#core/vessels';

/** A brew as the model needs it. Temperature is of the water on the leaf: neither pour nor wall is applied again. */
export type Brewing = {
  readonly character: Character;
  readonly leaf: Grams;
  readonly water: Millilitres;
  readonly temperature: Celsius;
  readonly time: Seconds;
  readonly material?: Material;
  readonly lid?: boolean;
  readonly cosy?: boolean;
  readonly ambient?: Celsius;
  readonly agitation?: Agitation;
  readonly infuser?: InfuserKind;
  /** The vessel's own basket, ml. */
  readonly basket?: Millilitres | null;
  readonly squeeze?: boolean;
  /** ml of milk per ml of liquor. */
  readonly milk?: number;
  /** Water added to the poured liquor, ml per ml of it. */
  readonly waterAfter?: number;
  /** Held at `temperature` instead of cooling, as in a fridge. */
  readonly constant?: boolean;
  /** When the leaf was out of its water, in their order: `time` counts the seconds in it alone. */
  readonly outs?: readonly LeafOut[] | undefined;
  /** Multiplies contact: the lever "stir, roomier infuser". */
  readonly contact?: number;
};

/** A poured cup. Amounts in g/L as drunk; liquor, caffeine and yield are without milk. */
export type Cup = {
  readonly liquor: Millilitres;
  readonly gramsPerLitre: BySolute;
  /** All that is dissolved, g/L. */
  readonly tds: number;
  readonly taste: Taste;
  readonly caffeineMg: number;
  /** Poured solute over leaf, %. */
  readonly yieldPercent: number;
};

const ROOM = celsius(20);
/** The setting a brew's leaf lies in. */
export const settingOf = (b: Omit<Brewing, 'time'>): Setting => ({
  character: b.character,
  leaf: b.leaf,
  water: b.water,
  lid: b.lid ?? true,
  contact: contactFactor(b.character, b),
});
/** How a brew's heat goes: in porcelain under a lid in a room of 20 C unless said. */
export const heatOf = (b: Omit<Brewing, 'time'>): Heat =>
  b.constant
    ? { kind: 'constant', at: b.temperature }
    : {
        kind: 'cooling',
        start: b.temperature,
        ambient: b.ambient ?? ROOM,
        material: b.material ?? 'porcelain',
        lid: b.lid ?? true,
        cosy: b.cosy,
      };

/** Poured solutes as a cup. `stewed` in seconds at 90 C. */
export function cupOf(
  character: Character,
  leaf: Grams,
  volume: Millilitres,
  solutes: BySolute,
  stewed: number,
  { milk = 0, waterAfter = 0 }: Pick<Brewing, 'milk' | 'waterAfter'> = {},
): Cup {
  const gramsPerLitre =
    volume > 0
      ? eachSolute((i) => at(solutes, i) / volume / (1 + waterAfter) / (1 + milk))
      : NO_SOLUTES;
  return {
    liquor: millilitres(volume * (1 + waterAfter)),
    gramsPerLitre,
    tds: sumOf(gramsPerLitre),
    taste: tasteOf(gramsPerLitre, character, stewed, milk),
    caffeineMg: at(solutes, 2),
    yieldPercent: (100 * sumOf(solutes)) / (1000 * leaf),
  };
}

/**
 * The cup of one steep, poured off.
 * @throws {RangeError} on no water, no leaf or negative time.
 */
export function brewCup(b: Brewing): Cup {
  const set = settingOf(b);
  const after = steep(dryLeaf(b.character, b.leaf), set, heatOf(b), b.time, b.outs);
  const poured = pourOff(after, set, { squeeze: b.squeeze });
  return cupOf(b.character, b.leaf, poured.volume, poured.solutes, after.stewed, b);
}

/** One of several steeps of the same leaf. `kept` is the root left under it for the next, a share of the liquor. */
export type Resteep = {
  readonly time: Seconds;
  readonly temperature?: Celsius;
  readonly kept?: number;
};

/** One steep of leaf as it was left: its cup, and the leaf after it. */
function steepOnce(b: Brewing, leaf: Infusion, s: Resteep): { cup: Cup; left: Infusion } {
  const set = settingOf(b);
  const heat = heatOf({ ...b, temperature: s.temperature ?? b.temperature });
  const after = steep(leaf, set, heat, s.time);
  const poured = pourOff(after, set, { kept: s.kept, squeeze: b.squeeze });
  return {
    cup: cupOf(b.character, b.leaf, poured.volume, poured.solutes, after.stewed, b),
    left: poured.left,
  };
}
/** The cups of several steeps of the same leaf, topped up to the same water each time. */
export function brewAgain(b: Brewing, steeps: readonly Resteep[]): Cup[] {
  let leaf = dryLeaf(b.character, b.leaf);
  return steeps.map((s) => {
    const { cup, left } = steepOnce(b, leaf, s);
    leaf = left;
    return cup;
  });
}
/** Leaf as several steeps left it: what the next steep goes on from. With none it is dry. */
export const leafAfter = (b: Brewing, steeps: readonly Resteep[]): Infusion =>
  steeps.reduce((leaf, s) => steepOnce(b, leaf, s).left, dryLeaf(b.character, b.leaf));
/**
 * The cup by how long it steeps, for many times tried.
 * @param leaf dry, or as earlier steeps left it. @param kept the root left in the vessel, a share of the liquor
 */
export function cupInTime(
  b: Omit<Brewing, 'time'>,
  leaf: Infusion = dryLeaf(b.character, b.leaf),
  kept?: number,
): (time: Seconds) => Cup {
  const set = settingOf(b);
  const steeped = steepInTime(leaf, set, heatOf(b));
  return (time) => {
    const after = steeped(time);
    const poured = pourOff(after, set, { kept, squeeze: b.squeeze });
    return cupOf(b.character, b.leaf, poured.volume, poured.solutes, after.stewed, b);
  };
}

/** One stage of a brew that gets its water in parts, such as warm then cold. */
export type Stage = {
  readonly add: Millilitres;
  readonly temperature: Celsius;
  readonly time: Seconds;
  readonly lid?: boolean;
};

/**
 * The cup of a staged brew. Waters mix with no wall; the vessel then cools as a wall-less one of that volume.
 * @returns the cup and the temperature it ends at.
 */
export function brewInStages(
  b: Omit<Brewing, 'water' | 'temperature' | 'time'>,
  stages: readonly Stage[],
): { cup: Cup; endsAt: Celsius } {
  let water = 0;
  let t: Celsius = celsius(0);
  let state = dryLeaf(b.character, b.leaf);
  let set: Setting | null = null;
  for (const s of stages) {
    t = celsius((water * t + s.add * s.temperature) / (water + s.add));
    water += s.add;
    const brew: Brewing = {
      ...b,
      water: millilitres(water),
      temperature: t,
      time: s.time,
      lid: s.lid ?? b.lid,
    };
    set = settingOf(brew);
    const heat = heatOf(brew);
    state = steep(state, set, heat, s.time);
    t = heatAfter(heat, set.water, s.time);
  }
  if (!set) throw new RangeError('a brew has at least one stage');
  const poured = pourOff(state, set, { squeeze: b.squeeze });
  return {
    cup: cupOf(b.character, b.leaf, poured.volume, poured.solutes, state.stewed, b),
    endsAt: t,
  };
}

/** Two liquors poured together: mg and ml add, then it is tasted. Stew goes by volume. */
export function blend(
  character: Character,
  parts: readonly { volume: Millilitres; gramsPerLitre: BySolute; stewed?: number }[],
): Cup {
  const volume = parts.reduce((sum, p) => sum + p.volume, 0);
  if (!(volume > 0)) throw new RangeError('nothing to blend');
  const solutes = eachSolute((i) =>
    parts.reduce((sum, p) => sum + p.volume * at(p.gramsPerLitre, i), 0),
  );
  const stewed = parts.reduce((sum, p) => sum + p.volume * (p.stewed ?? 0), 0) / volume;
  return { ...cupOf(character, grams(1), millilitres(volume), solutes, stewed), yieldPercent: NaN };
}
/** A cup with water added: mg stay, the bitter to sweet dose ratio too. */
export const dilute = (
  character: Character,
  cup: { volume: Millilitres; gramsPerLitre: BySolute; stewed?: number },
  water: Millilitres,
): Cup => blend(character, [cup, { volume: water, gramsPerLitre: NO_SOLUTES, stewed: cup.stewed }]);
