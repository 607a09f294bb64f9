import type { Recipe } from '#core/recipes';
import type { InfuserKind } from '#core/vessels';
import { type CupDifference, differenceName, DIFFERENCES } from './difference';

/** One cup of an exercise: how it is made. */
export type PlannedCup = {
  readonly grams: number;
  readonly water: number;
  readonly celsius: number;
  readonly seconds: number;
  /** Another infuser than the vessel's own. */
  readonly infuser?: InfuserKind | undefined;
  /** Which steep of the same leaf; the first when absent. */
  readonly steep?: number | undefined;
  /** Stirred while it steeps. */
  readonly stirred?: boolean | undefined;
  /** Which cup of a pot that is poured into several. */
  readonly poured?: PouredCup | undefined;
  /** What it has of its own beside its figures. */
  readonly made?: CupDifference | undefined;
};
/** One of the cups a pot is poured into, the first being 1: filled one after the other, or all in turns. */
export type PouredCup = { readonly place: number; readonly of: number; readonly inTurns?: boolean };
/** Water below this is no hot brew, °C: such a cup was brewed for hours before the tasting. */
const COLD_BELOW_C = 30;
export const isColdCup = ({ celsius }: Pick<PlannedCup, 'celsius'>): boolean =>
  celsius < COLD_BELOW_C;
/** The shortest and the longest a cup of a table may steep, s. */
export const SHORTEST_CUP = 5;
export const longestCup = (c: Pick<PlannedCup, 'celsius'>): number =>
  isColdCup(c) ? 172_800 : 3600;
/** The house cup with so much water: what a recipe asks for. */
export const housePour = (
  { dose, temperature, window }: Pick<Recipe, 'dose' | 'temperature' | 'window'>,
  water: number,
): PlannedCup => ({
  grams: Number(((dose * water) / 100).toFixed(2)),
  water,
  celsius: temperature,
  seconds: window.best,
});
/**
 * Standard preparation: 2 g to 100 ml, boiling water, six minutes, white porcelain (ISO 3103, from memory). g per 100
 * ml.
 */
export const STANDARD_DOSE = 2;
/** A cup by it; `onLeaf` is what boiling water comes to in its vessel, C. */
export const standardPreparation = (water: number, onLeaf: number): PlannedCup => ({
  grams: Number(((STANDARD_DOSE * water) / 100).toFixed(1)),
  water,
  celsius: Math.round(onLeaf),
  seconds: 360,
});
export type Moment = { readonly cup: number; readonly act: 'pour' | 'pull'; readonly at: number };
export type Schedule = {
  /**
   * `oneClock`: water on all at once, pulls apart. `together`: starts counted back, so that all are lifted at the
   * same moment. `inTurn`: the same leaf again, water on once the steep before is poured off. `onePot`: one brew,
   * poured into one cup after the other.
   */
  readonly kind: 'oneClock' | 'together' | 'inTurn' | 'onePot';
  /** In order of time, seconds from the start. */
  readonly moments: readonly Moment[];
  readonly length: number;
  /** Moments of one hand that lie nearer than it needs. */
  readonly tight: readonly Moment[];
};
/** A hand needs so long from one pour or pull to the next, s (from memory). */
export const HAND_SECONDS = 10;
/** All water goes on in one pass as the clock is started. */
export const isPouredAtStart = (kind: Schedule['kind']): boolean =>
  kind === 'oneClock' || kind === 'onePot';

/**
 * One schedule for all cups. A ladder of time runs on one clock: all poured on in turn, each lifted at its own time
 * after its own water.
 * Steeps of one leaf go in turn. Other exercises count the starts back, so that all are lifted one hand apart and
 * tasted together. A cold cup is there already.
 */
export function scheduleOf(cups: readonly PlannedCup[], kind: Schedule['kind']): Schedule {
  const moments: Moment[] = [];
  if (isPouredAtStart(kind)) {
    const apart = kind === 'onePot' ? HAND_SECONDS : 0;
    cups.forEach((c, cup) =>
      moments.push({ cup, act: 'pour', at: 0 }, { cup, act: 'pull', at: c.seconds + cup * apart }),
    );
  } else if (kind === 'inTurn') {
    let at = 0;
    cups.forEach((c, cup) => {
      moments.push({ cup, act: 'pour', at }, { cup, act: 'pull', at: at + c.seconds });
      at += c.seconds + HAND_SECONDS;
    });
  } else {
    const hot = [...cups.keys()].filter((i) => !isColdCup(cups[i] as PlannedCup));
    const longest = hot.sort(
      (a, b) => (cups[b] as PlannedCup).seconds - (cups[a] as PlannedCup).seconds,
    );
    const end = Math.max(0, ...hot.map((i) => (cups[i] as PlannedCup).seconds));
    longest.forEach((cup, i) => {
      const pull = end + i * HAND_SECONDS;
      moments.push(
        { cup, act: 'pour', at: pull - (cups[cup] as PlannedCup).seconds },
        { cup, act: 'pull', at: pull },
      );
    });
  }
  moments.sort((a, b) => a.at - b.at || a.cup - b.cup);
  // A ladder's water goes on in one pass of the kettle: that is one act.
  const tight = moments.filter(
    (m, i) =>
      i > 0 &&
      m.at - (moments[i - 1] as Moment).at < HAND_SECONDS &&
      !(isPouredAtStart(kind) && m.act === 'pour'),
  );
  return { kind, moments, length: Math.max(0, ...moments.map((m) => m.at)), tight };
}

export const FACTORS = ['grams', 'water', 'celsius', 'seconds'] as const;
export type Factor = (typeof FACTORS)[number];
/**
 * Differences smaller than these are the hand's, not the exercise's: 0.05 g, 3 ml, 1 C, 2 s (common practice, from
 * memory).
 */
const ALIKE: Readonly<Record<Factor, number>> = { grams: 0.05, water: 3, celsius: 1, seconds: 2 };
export type LikeForLike = {
  readonly differs: readonly Factor[];
  readonly spread: Readonly<Record<Factor, number>>;
  readonly meant: Factor;
  readonly alsoDiffers: readonly Factor[];
  readonly same: boolean;
};

/**
 * What a comparison is of: the infuser (a bag is one), the steeps of one leaf, stirring, the cups that one pot is poured
 * into, a hot brew beside cold ones, or one of the differences that no figure says.
 */
export const COMPARED = [
  'infuser',
  'steep',
  'stirring',
  'poured',
  'hotCold',
  ...DIFFERENCES,
] as const;
export type Compared = (typeof COMPARED)[number];
/** Figures that may differ with what is compared: a later steep has its own time, a cold brew its heat and hours. */
const WITH_IT: Readonly<Record<Compared, readonly Factor[]>> = {
  infuser: [],
  steep: ['seconds'],
  stirring: [],
  poured: [],
  hotCold: ['celsius', 'seconds'],
  lid: [],
  // The same water comes to less in a cold vessel.
  warming: ['celsius'],
  milk: [],
  glass: [],
  water: [],
  lot: [],
  // Each by its own recipe.
  tea: ['grams', 'celsius', 'seconds'],
};
/** Two cups of a comparison that are alike in what it compares. */
function isSame(cups: readonly PlannedCup[], compares: Compared): boolean {
  const kinds = (of: (c: PlannedCup) => unknown) => new Set(cups.map(of)).size;
  switch (compares) {
    case 'infuser':
      return kinds((c) => c.infuser) < cups.length;
    case 'stirring':
      return kinds((c) => c.stirred ?? false) < cups.length;
    case 'steep':
    case 'poured':
    case 'hotCold':
      return false;
    // A cup whose lot or tea is still to be chosen has no name yet, and differs from none.
    default: {
      const names = cups.map((c) => (c.made ? differenceName(c.made) : ''));
      return names.includes('') || new Set(names).size < cups.length;
    }
  }
}
/** Does one thing differ, and only that? */
export function likeForLike(
  cups: readonly PlannedCup[],
  meant: Factor,
  compares?: Compared,
): LikeForLike {
  const of = (w: Factor) => cups.map((c) => c[w]);
  const spread = Object.fromEntries(
    FACTORS.map((w) => [w, cups.length ? Math.max(...of(w)) - Math.min(...of(w)) : 0]),
  ) as Record<Factor, number>;
  const differs = FACTORS.filter((w) => spread[w] > ALIKE[w]);
  if (compares)
    return {
      differs,
      spread,
      meant,
      alsoDiffers: differs.filter((w) => !WITH_IT[compares].includes(w)),
      same: isSame(cups, compares),
    };
  return {
    differs,
    spread,
    meant,
    alsoDiffers: differs.filter((w) => w !== meant),
    same: !differs.includes(meant),
  };
}

/**
 * A ladder's times against the house time, by the number of cups: common practice of trainers, 0:45, 2:00, 4:00,
 * 6:00.
 */
const TIMES_OF_HOUSE: Readonly<Record<number, readonly number[]>> = {
  2: [0.5, 1],
  3: [0.5, 1, 1.5],
  4: [0.19, 0.5, 1, 1.5],
  5: [0.19, 0.5, 1, 1.5, 2],
  6: [0.19, 0.4, 0.7, 1, 1.5, 2],
};
/** Below so many seconds a time is said to so many: [below, rounded to]. */
const ROUND_TO = [
  [30, 5],
  [120, 15],
  [300, 30],
] as const;
/**
 * A time as a trainer says it: to 5 s below half a minute, 15 s below two minutes, half minutes, then whole minutes.
 */
function roundTime(s: number): number {
  const to = ROUND_TO.find(([under]) => s < under)?.[1] ?? 60;
  return Math.max(5, Math.round(s / to) * to);
}
/**
 * The times of a ladder of `n` cups, round, each once, in order, the house time itself among them.
 * @param house best time of the house recipe, s. @param n 2 to 6.
 * @throws {RangeError} on another number of cups. @example ladderTimes(240, 4) // [45, 120, 240, 360]
 */
export function ladderTimes(house: number, n: number): number[] {
  const shares = TIMES_OF_HOUSE[n];
  if (!shares) throw new RangeError('a ladder has two to six cups');
  const at = shares.indexOf(1);
  const times = shares.map((share) => (share === 1 ? house : roundTime(house * share)));
  // Short steeps round onto each other: each keeps its distance from the one nearer the house time.
  for (let i = at - 1; i >= 0; i--)
    times[i] = Math.max(i + 1, Math.min(times[i] as number, (times[i + 1] as number) - 5));
  for (let i = at + 1; i < n; i++)
    times[i] = Math.max(times[i] as number, (times[i - 1] as number) + 5);
  return times;
}

/**
 * Rungs of a ladder around a middle: even in proportion, since that is how strength is tasted, rounded to what a hand
 * does.
 */
export function rungs(way: Factor, from: number, to: number, n: number): number[] {
  const round = { grams: 0.1, water: 5, celsius: 1, seconds: 5 }[way];
  const at = (i: number) =>
    way === 'celsius' ? from + ((to - from) * i) / (n - 1) : from * (to / from) ** (i / (n - 1));
  return Array.from({ length: n }, (_, i) =>
    Number((Math.round(at(i) / round) * round).toFixed(1)),
  );
}
