import { type Attribute, ATTRIBUTES } from '#core/corrections';
import type { Random } from '#core/numeric';
import { blindCodes } from './codes';
import type { LeafLessonId } from './leafLessonIds';
import { servingOrders, triangleOrders } from './orders';
import { type Compared, type Factor, type PlannedCup, type Schedule, scheduleOf } from './schedule';
export const EXERCISES = {
  ladder: { label: 'Ladder', asks: 'marks', orders: true, fewestCups: 3, mostCups: 6 },
  pair: { label: 'Pair', asks: 'choice', orders: false, fewestCups: 2, mostCups: 2 },
  triangle: { label: 'Triangle', asks: 'choice', orders: false, fewestCups: 2, mostCups: 2 },
  duoTrio: { label: 'Duo-trio', asks: 'choice', orders: false, fewestCups: 2, mostCups: 2 },
  /** Cups that differ in more than a figure: infusers side by side, one leaf steeped again, cups of one pot. */
  comparison: { label: 'Comparison', asks: 'marks', orders: false, fewestCups: 2, mostCups: 4 },
  /** A round of it: the new lot as it is brewed now, from the second round beside the cup before. */
  dialIn: { label: 'Dial-in', asks: 'marks', orders: false, fewestCups: 1, mostCups: 2 },
  /** Each cup in two bowls, so that a taster meets it twice without knowing. */
  calibration: { label: 'Calibration', asks: 'scores', orders: false, fewestCups: 1, mostCups: 3 },
} as const;
export type ExerciseKind = keyof typeof EXERCISES;
export const EXERCISE_KINDS = Object.keys(EXERCISES) as readonly ExerciseKind[];
/** What a pair asks: which has more of it, or which is liked better. */
export type PairAsks = Attribute | 'preferred';
export const PAIR_ASKS: readonly PairAsks[] = [
  ...(Object.keys(ATTRIBUTES) as Attribute[]),
  'preferred',
];

export type Taster = {
  readonly id: string;
  readonly name: string;
  /** A guest's seat, which nobody took yet or somebody did; absent: one who works here. */
  readonly guest?: 'free' | 'seated' | undefined;
};
/** Who tastes beside those who work here: at most so many. */
export const GUESTS_MOST = 12;
/** Guests come in by their code for so long, s. */
export const GUEST_HOUR = 3600;
/** Seats for so many guests, each under an id of its own, until somebody sits there. */
export const guestSeats = (ids: readonly string[]): Taster[] =>
  ids.map((id, i) => ({ id, name: `Guest ${i + 1}`, guest: 'free' }));
/** The exercise with a guest in a seat, by the name that was typed. */
export const withGuest = (e: Exercise, seatId: string, name: string): Exercise => ({
  ...e,
  tasters: e.tasters.map((t) => (t.id === seatId ? { ...t, name, guest: 'seated' } : t)),
});
/** One cup as it is to be made, and the codes of the bowls that hold it. */
export type ExerciseCup = { readonly plan: PlannedCup; readonly codes: readonly string[] };
export type Exercise = {
  readonly kind: ExerciseKind;
  /** What differs between the cups. */
  readonly way: Factor;
  readonly asks: PairAsks;
  /** What a comparison compares, where no figure differs. */
  readonly compares?: Compared | undefined;
  /** The lesson it belongs to, where it is one. */
  readonly lesson?: LeafLessonId | undefined;
  readonly cups: readonly ExerciseCup[];
  readonly tasters: readonly Taster[];
  /** By taster: the codes in the order they are to be tasted. */
  readonly servings: Readonly<Record<string, readonly string[]>>;
};
export type ExerciseAsk = {
  readonly kind: ExerciseKind;
  readonly way: Factor;
  readonly asks: PairAsks;
  readonly compares?: Compared | undefined;
  readonly lesson?: LeafLessonId | undefined;
  readonly cups: readonly PlannedCup[];
  readonly tasters: readonly Taster[];
};
/** How many bowls hold each cup, so that nobody can tell by a code seen before. */
const BOWLS: Readonly<Record<ExerciseKind, number>> = {
  ladder: 1,
  pair: 1,
  triangle: 2,
  duoTrio: 1,
  comparison: 1,
  dialIn: 1,
  calibration: 2,
};

/** Draws codes and each taster's order. The same draw for the same chance. */
export function setUp(ask: ExerciseAsk, random: Random): Exercise {
  const bowls = BOWLS[ask.kind];
  const codes = blindCodes(ask.cups.length * bowls, random);
  const cups = ask.cups.map((plan, i) => ({
    plan,
    codes: codes.slice(i * bowls, (i + 1) * bowls),
  }));
  const code = (cup: number, bowl: number) => cups[cup]?.codes[bowl] ?? '';
  const orders: string[][] =
    ask.kind === 'triangle'
      ? triangleOrders(ask.tasters.length, random).map((t) => {
          const seen = [0, 0];
          return [...t].map((l) => {
            const cup = l === 'A' ? 0 : 1;
            const bowl = seen[cup] ?? 0;
            seen[cup] = bowl + 1;
            return code(cup, bowl);
          });
        })
      : servingOrders(
          cups.flatMap((c) => c.codes),
          ask.tasters.length,
          random,
        );
  return {
    ...ask,
    cups,
    servings: Object.fromEntries(ask.tasters.map((t, i) => [t.id, orders[i] ?? []])),
  };
}

/** Ladders of time run on one clock, steeps of one leaf in turn; all else is lifted together. */
export const scheduleFor = (e: Pick<Exercise, 'kind' | 'way' | 'cups' | 'compares'>): Schedule =>
  scheduleOf(
    e.cups.map((c) => c.plan),
    scheduleKind(e),
  );

/** How the cups are steeped. */
function scheduleKind(e: Pick<Exercise, 'kind' | 'way' | 'cups' | 'compares'>) {
  if (e.kind === 'ladder' && e.way === 'seconds') return 'oneClock';
  if (e.compares === 'steep') return 'inTurn';
  if (e.compares === 'poured') return 'onePot';
  return 'together';
}
