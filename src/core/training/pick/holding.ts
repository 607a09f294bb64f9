import { pick, type Random, shuffled } from '#core/numeric';
import { numberText } from '#core/units';
import type { Level } from '../diagnosis/diagnosis';
import { drawnFair } from '../drawnFair';
import { weekText } from '../moments';
import type { PickWorked } from './drill';

// Cold liquor on a shelf: serve it, use it first, or throw it out. In doubt it is thrown out.

/** A house's limits, as far as they are asked about. Guidance: the local food code decides. */
export type HoldingLimits = {
  readonly keepHours: number;
  /** Null: no cold tea is brewed at the counter here. */
  readonly counterHours: number | null;
  readonly limitC: number;
  readonly warmHours: number;
};
/** One jug with what its label says. Times are minutes from Monday 00:00. */
export type HoldingJug = {
  readonly name: string;
  readonly place: 'fridge' | 'counter';
  /** Leaf in at the counter, leaf out in the fridge; null: nobody wrote it. */
  readonly madeAt: number | null;
  /** Thrown out by, as the label says. */
  readonly until: number;
  /** Read in the fridge, and for how many hours it has stood so. */
  readonly fridgeC: number;
  readonly warmHours: number;
  /** Fresh liquor was poured on top of the rest of an older batch, made then; null: it was not. */
  readonly onTopOf: number | null;
};
export type HoldingGiven = {
  readonly tea: string;
  readonly now: number;
  readonly limits: HoldingLimits;
  readonly jugs: readonly HoldingJug[];
  readonly level: Level;
};

export const HOLDING_ACTS = ['serve', 'first', 'throw'] as const;
export type HoldingAct = (typeof HOLDING_ACTS)[number];
const ACT_WORDS: Readonly<Record<HoldingAct, string>> = {
  serve: 'Serve',
  first: 'Use first',
  throw: 'Throw out',
};
const HOUR = 60;
const DAY = 24 * HOUR;
/** When a jug has to go by the house's limits, whatever its label says; null: nobody knows. */
export function holdingEnd(jug: HoldingJug, limits: HoldingLimits): number | null {
  if (jug.madeAt === null) return null;
  const made = Math.min(jug.madeAt, jug.onTopOf ?? jug.madeAt);
  const hours = jug.place === 'counter' ? (limits.counterHours ?? 0) : limits.keepHours;
  return Math.min(jug.until, made + hours * HOUR);
}
/** From half of the warm hours on it is used the same day. */
const USE_TODAY_SHARE = 0.5;
const counterFault = ({ counterHours }: HoldingLimits): string =>
  counterHours === null
    ? 'this house brews no cold tea at the counter'
    : `the tea is at the counter for ${numberText(counterHours)} hours or more`;
/** Why a jug is thrown out; null: it may be served. */
export function holdingFault(jug: HoldingJug, given: HoldingGiven): string | null {
  const { limits, now } = given;
  const end = holdingEnd(jug, limits);
  if (end === null) return 'nobody knows when the tea was made';
  if (jug.place === 'fridge' && jug.fridgeC > limits.limitC && jug.warmHours >= limits.warmHours)
    return `the tea was over ${numberText(limits.limitC)} °C for ${numberText(jug.warmHours)} hours`;
  if (now < end) return null;
  if (jug.onTopOf !== null) return 'fresh tea was poured on old tea, and the old tea is too old';
  return jug.place === 'counter' ? counterFault(limits) : 'the tea is too old';
}
function actsOf(given: HoldingGiven): HoldingAct[] {
  const ends = given.jugs.map((jug) =>
    holdingFault(jug, given) === null ? holdingEnd(jug, given.limits) : null,
  );
  const kept = ends.filter((e) => e !== null);
  const first = kept.length > 1 ? Math.min(...kept) : null;
  return given.jugs.map((jug, i) => {
    const end = ends[i] ?? null;
    if (end === null) return 'throw';
    const isWarm =
      jug.place === 'fridge' &&
      jug.fridgeC > given.limits.limitC &&
      jug.warmHours >= USE_TODAY_SHARE * given.limits.warmHours;
    return isWarm || end === first ? 'first' : 'serve';
  });
}
/** What this house allows, in words. */
function limitLines({ now, limits }: HoldingGiven): string[] {
  const { keepHours, counterHours, limitC, warmHours } = limits;
  return [
    `Now: ${weekText(now)}.`,
    `In the fridge this house keeps cold tea for ${numberText(keepHours)} hours after the leaf is out.`,
    ...(counterHours === null
      ? []
      : [
          `At the counter this house keeps cold tea for ${numberText(counterHours)} hours after the leaf is in.`,
        ]),
    `After ${numberText(warmHours)} hours over ${numberText(limitC)} °C the tea is thrown out. After half of that time the tea is used the same day.`,
  ];
}
const EQUAL_ENDS_MINUTES = 60;
/** The question worked out; null: two jugs end alike. */
export function workHolding(given: HoldingGiven): PickWorked | null {
  const { jugs, limits, now, tea } = given;
  const acts = actsOf(given);
  const ends = jugs.flatMap((jug, i) =>
    acts[i] === 'throw' ? [] : [holdingEnd(jug, limits) ?? now],
  );
  const areApart = ends.every((a, i) =>
    ends.every((b, j) => i === j || Math.abs(a - b) > EQUAL_ENDS_MINUTES),
  );
  if (jugs.length === 0 || !areApart) return null;
  // Two jugs of which one is to go today and another ends sooner would both be first.
  if (acts.filter((a) => a === 'first').length > 1) return null;
  const parts = jugs.map((jug, i) => ({
    asked: jug.name,
    options: HOLDING_ACTS.map((id) => ({ id, text: ACT_WORDS[id] })),
    ...{ many: false, right: [acts[i] ?? 'throw'] },
  }));
  const isAnyKept = (picks: readonly (readonly string[])[]) =>
    jugs.some((_, i) => acts[i] === 'throw' && picks[i]?.[0] !== 'throw');
  return {
    tea,
    known: limitLines(given),
    parts,
    guess: (1 / HOLDING_ACTS.length) ** jugs.length,
    working: jugs.map((jug, i) => `${jug.name}: ${whyOf(jug, acts[i] ?? 'throw', given)}.`),
    lesson: 'When you are not sure, throw the tea out. The local food code decides.',
    ifNotRight: (picks) => (isAnyKept(picks) ? 'wrong' : 'near'),
    mistake: (picks) =>
      isAnyKept(picks)
        ? 'You kept tea that must be thrown out. A guest would drink that tea.'
        : null,
  };
}
function whyOf(jug: HoldingJug, act: HoldingAct, given: HoldingGiven): string {
  const fault = holdingFault(jug, given);
  if (fault !== null) return `throw out, because ${fault}`;
  const end = weekText(holdingEnd(jug, given.limits) ?? given.now);
  if (act === 'serve') return `serve, the tea keeps until ${end}`;
  return given.jugs.length > 1
    ? `use first, the tea keeps until ${end} only`
    : 'use first, because the tea was warm for half of the allowed time or more';
}
/** What stands on a jug, line by line. */
export function jugLines(jug: HoldingJug): string[] {
  const made = jug.place === 'counter' ? 'Leaf in' : 'Leaf out';
  const top = jug.onTopOf === null ? [] : [`poured on old tea, leaf out ${weekText(jug.onTopOf)}`];
  return [
    jug.madeAt === null ? `${made}: not written` : `${made} ${weekText(jug.madeAt)}`,
    ...top,
    `throw out by ${weekText(jug.until)}`,
    jug.place === 'counter'
      ? 'at the counter'
      : `in the fridge, ${numberText(jug.fridgeC)} °C for ${numberText(jug.warmHours)} h`,
  ];
}

type Wrong = 'none' | 'past' | 'noTime' | 'warm' | 'useToday' | 'counter' | 'toppedUp' | 'label';
const WRONG: Readonly<Record<Level, readonly Wrong[]>> = {
  1: ['none', 'past'],
  2: ['none', 'past', 'noTime', 'counter'],
  3: ['none', 'past', 'noTime', 'counter', 'warm', 'useToday'],
  4: ['none', 'past', 'noTime', 'counter', 'warm', 'toppedUp'],
  5: ['none', 'noTime', 'counter', 'warm', 'toppedUp', 'label'],
};
const TWO_JUGS_LEVEL = 4;
const quarter = (minutes: number): number => 15 * Math.round(minutes / 15);
const between = (random: Random, low: number, high: number): number =>
  low + random() * (high - low);

function jugWith(
  wrong: Wrong,
  name: string,
  now: number,
  limits: HoldingLimits,
  random: Random,
): HoldingJug {
  const keep = quarter(limits.keepHours * HOUR);
  const cold = { fridgeC: Math.max(1, limits.limitC - 1), warmHours: 0 };
  const warm = (hours: number) => ({ fridgeC: limits.limitC + 2, warmHours: hours });
  const age = quarter(between(random, 0.1, 0.85) * keep);
  const sound: HoldingJug = {
    ...{ name, place: 'fridge', madeAt: now - age, until: now - age + keep },
    ...{ ...cold, warmHours: Math.round(age / HOUR), onTopOf: null },
  };
  switch (wrong) {
    case 'none':
      return sound;
    case 'past': {
      const madeAt = now - keep - quarter(between(random, 0.5, 20) * HOUR);
      return {
        ...sound,
        madeAt,
        until: madeAt + keep,
        warmHours: Math.round((now - madeAt) / HOUR),
      };
    }
    case 'noTime':
      return { ...sound, madeAt: null };
    case 'warm':
      return { ...sound, ...warm(Math.ceil(limits.warmHours + random() * 4)) };
    case 'useToday':
      return { ...sound, ...warm(0.75 * limits.warmHours) };
    case 'counter': {
      const hours = random() < 0.5 ? between(random, 1.1, 1.8) : between(random, 0.2, 0.8);
      const madeAt = now - quarter(hours * (limits.counterHours ?? 1) * HOUR);
      // The label says the fridge's hours: at the counter they do not hold.
      return { ...sound, place: 'counter', madeAt, until: madeAt + keep };
    }
    case 'toppedUp':
      return { ...sound, onTopOf: now - keep - quarter(between(random, 1, 30) * HOUR) };
    case 'label': {
      const madeAt = now - keep - quarter(between(random, 1, 20) * HOUR);
      return { ...sound, madeAt, until: now + quarter(between(random, 2, 20) * HOUR) };
    }
  }
}
const OPENING = 9 * HOUR;
const OPEN_FOR = 9 * HOUR;
/** Draws what stands on a shelf. @throws {RangeError} when no tea of the house is brewed cold */
export function drawHolding(
  { teas, limits }: { readonly teas: readonly string[]; readonly limits: HoldingLimits },
  level: Level,
  random: Random,
): HoldingGiven {
  const isCounter = limits.counterHours !== null;
  return drawnFair(level, (l) => {
    const now = DAY * (3 + Math.floor(random() * 4)) + OPENING + quarter(random() * OPEN_FOR);
    const count = l >= TWO_JUGS_LEVEL ? 2 : 1;
    const names = shuffled(['Pitcher 1', 'Pitcher 2', 'Pitcher 3'], random).slice(0, count);
    const wrongs = WRONG[l].filter((wrong) => wrong !== 'counter' || isCounter);
    const given: HoldingGiven = {
      ...{ tea: pick(random, teas), now, limits, level: l },
      jugs: names.sort().map((name) => jugWith(pick(random, wrongs), name, now, limits, random)),
    };
    return workHolding(given) ? given : null;
  });
}
