import { type Attribute, ATTRIBUTES, type Mark } from '#core/corrections';
import type { ColourStrength } from '#core/fitting';
import type { Random } from '#core/numeric';
import { blindCodes } from './codes';
import { servingOrders, triangleOrders } from './orders';
import { type Compared, type Factor, type PlannedCup, type Schedule, scheduleOf } from './schedule';

export const EXERCISES = {
  ladder: { label: 'Ladder', asks: 'marks', orders: true, fewestCups: 3, mostCups: 6 },
  pair: { label: 'Pair', asks: 'choice', orders: false, fewestCups: 2, mostCups: 2 },
  triangle: { label: 'Triangle', asks: 'choice', orders: false, fewestCups: 2, mostCups: 2 },
  duoTrio: { label: 'Duo-trio', asks: 'choice', orders: false, fewestCups: 2, mostCups: 2 },
  /** Infusers side by side, a bag beside loose leaf, or one leaf steeped again. */
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

export type Taster = { readonly id: string; readonly name: string };
/** One cup as it is to be made, and the codes of the bowls that hold it. */
export type ExerciseCup = { readonly plan: PlannedCup; readonly codes: readonly string[] };
export type Exercise = {
  readonly kind: ExerciseKind;
  /** What differs between the cups. */
  readonly way: Factor;
  readonly asks: PairAsks;
  /** What a comparison compares, where no figure differs. */
  readonly compares?: Compared | undefined;
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
    e.kind === 'ladder' && e.way === 'seconds'
      ? 'oneClock'
      : e.compares === 'steep'
        ? 'inTurn'
        : 'together',
  );

export type Sheet = {
  readonly marks: Readonly<Partial<Record<Attribute | 'colour', Mark>>>;
  readonly words: readonly string[];
  /** Of the opened leaf; the others are of smell and taste. */
  readonly leafWords?: readonly string[] | undefined;
  /** How much it is liked, 0 to 10; asked of everybody, answered by who wants to. */
  readonly liking?: number | undefined;
  /** 0 to 10, where the exercise asks for amounts. */
  readonly scores?: Readonly<Partial<Record<Attribute, number>>> | undefined;
};
export type TastingAct =
  | { readonly kind: 'start' }
  | { readonly kind: 'pour' | 'pull'; readonly cup: number }
  | { readonly kind: 'weigh'; readonly cup: number; readonly grams: number; readonly water: number }
  /** An instrument's word of a cup: dissolved solids in g/L, or strength by colour against the house cup. */
  | {
      readonly kind: 'measure';
      readonly cup: number;
      readonly solids?: number | undefined;
      readonly colour?: ColourStrength | undefined;
    }
  | { readonly kind: 'exclude'; readonly cup: number; readonly reason: string }
  | { readonly kind: 'swap'; readonly a: string; readonly b: string }
  | { readonly kind: 'leave'; readonly taster: string; readonly reason: string }
  | { readonly kind: 'keep'; readonly taster: string; readonly code: string; readonly sheet: Sheet }
  | {
      readonly kind: 'handIn';
      readonly taster: string;
      readonly order: readonly string[] | null;
      readonly choice: string | null;
    }
  | { readonly kind: 'reveal' }
  | { readonly kind: 'stop'; readonly reason: string }
  | { readonly kind: 'undo'; readonly of: string };
export type TastingEvent = {
  readonly id: string;
  readonly at: number;
  readonly by: Taster;
  readonly act: TastingAct;
};

export type CupState = {
  readonly grams: number;
  readonly water: number;
  readonly poured: number | null;
  readonly pulled: number | null;
  readonly excluded: string | null;
  readonly solids: number | null;
  readonly colour: ColourStrength | null;
};
export type TasterState = Taster & {
  readonly sheets: Readonly<Record<string, Sheet>>;
  readonly order: readonly string[] | null;
  readonly choice: string | null;
  readonly handedIn: number | null;
  readonly enteredBy: Taster | null;
  readonly left: string | null;
};
export type Stage = 'set' | 'running' | 'tasting' | 'revealed' | 'stopped';
export type Tasting = {
  readonly stage: Stage;
  readonly started: number | null;
  readonly cups: readonly CupState[];
  readonly tasters: readonly TasterState[];
  /** Code of each bowl to its cup, after what was swapped. */
  readonly cupOf: Readonly<Record<string, number>>;
  readonly swaps: readonly {
    readonly a: string;
    readonly b: string;
    readonly at: number;
    readonly by: Taster;
  }[];
  readonly revealed: number | null;
  readonly stopped: string | null;
};

/** An exercise as what happened has left it. Pure: the server and every page fold the same list to the same table. */
export function foldTasting(e: Exercise, events: readonly TastingEvent[]): Tasting {
  const undone = new Set(events.flatMap((x) => (x.act.kind === 'undo' ? [x.act.of] : [])));
  const cups = e.cups.map((c): CupState => ({
    grams: c.plan.grams,
    water: c.plan.water,
    poured: null,
    pulled: null,
    excluded: null,
    solids: null,
    colour: null,
  }));
  const tasters = e.tasters.map((t): TasterState => ({
    ...t,
    sheets: {},
    order: null,
    choice: null,
    handedIn: null,
    enteredBy: null,
    left: null,
  }));
  const cupOf: Record<string, number> = Object.fromEntries(
    e.cups.flatMap((c, i) => c.codes.map((code) => [code, i])),
  );
  const swaps: Tasting['swaps'][number][] = [];
  let [started, revealed, stopped]: [number | null, number | null, string | null] = [
    null,
    null,
    null,
  ];
  const oneClock = scheduleFor(e).kind === 'oneClock';
  const cup = (i: number, change: Partial<CupState>) => {
    const c = cups[i];
    if (c) cups[i] = { ...c, ...change };
  };
  const taster = (id: string, change: (t: TasterState) => Partial<TasterState>) => {
    const i = tasters.findIndex((t) => t.id === id);
    const t = tasters[i];
    if (t) tasters[i] = { ...t, ...change(t) };
  };
  for (const { id, at, by, act } of events) {
    if (undone.has(id)) continue;
    switch (act.kind) {
      case 'start':
        started ??= at;
        if (oneClock) cups.forEach((_, i) => cup(i, { poured: at }));
        break;
      case 'pour':
        cup(act.cup, { poured: at });
        break;
      case 'pull':
        cup(act.cup, { pulled: at });
        break;
      case 'weigh':
        cup(act.cup, { grams: act.grams, water: act.water });
        break;
      case 'measure':
        cup(act.cup, {
          ...(act.solids !== undefined && { solids: act.solids }),
          ...(act.colour && { colour: act.colour }),
        });
        break;
      case 'exclude':
        cup(act.cup, { excluded: act.reason });
        break;
      case 'swap': {
        const [a, b] = [cupOf[act.a], cupOf[act.b]];
        if (a !== undefined && b !== undefined) {
          cupOf[act.a] = b;
          cupOf[act.b] = a;
          swaps.push({ a: act.a, b: act.b, at, by });
        }
        break;
      }
      case 'leave':
        taster(act.taster, () => ({ left: act.reason }));
        break;
      case 'keep':
        taster(act.taster, (t) =>
          t.handedIn === null ? { sheets: { ...t.sheets, [act.code]: act.sheet } } : {},
        );
        break;
      case 'handIn':
        taster(act.taster, (t) =>
          t.handedIn === null
            ? {
                order: act.order,
                choice: act.choice,
                handedIn: at,
                enteredBy: by.id === t.id ? null : by,
                left: null,
              }
            : {},
        );
        break;
      case 'reveal':
        revealed ??= at;
        break;
      case 'stop':
        stopped ??= act.reason;
        break;
      case 'undo':
        break;
    }
  }
  const lifted = cups.every((c) => c.pulled !== null || c.excluded !== null);
  const stage: Stage =
    stopped !== null
      ? 'stopped'
      : revealed !== null
        ? 'revealed'
        : started === null
          ? 'set'
          : lifted
            ? 'tasting'
            : 'running';
  return { stage, started, cups, tasters, cupOf, swaps, revealed, stopped };
}

/** Who has not handed in and has not left. */
export const missing = (t: Tasting): readonly TasterState[] =>
  t.tasters.filter((x) => x.handedIn === null && x.left === null);

export type Refusal =
  | 'over'
  | 'notStarted'
  | 'alreadyStarted'
  | 'noSuchCup'
  | 'noSuchTaster'
  | 'noSuchCode'
  | 'notYours'
  | 'anothersSheet'
  | 'alreadyHandedIn'
  | 'notPoured'
  | 'notPulled'
  | 'alreadyPulled'
  | 'sheetsMissing'
  | 'orderIncomplete'
  | 'choiceMissing'
  | 'nothingHandedIn'
  | 'cannotUndo';
/** A sheet that its taster wrote: whoever runs the table types in sheets of paper, and no others. */
const wroteOwn = (events: readonly TastingEvent[], taster: string, code: string): boolean =>
  events.some(
    ({ by, act }) =>
      act.kind === 'keep' && act.taster === taster && act.code === code && by.id === taster,
  );
/** Why something may not be done at a table; null when it may. `runs`: the one who set it up, or a lead. */
export function validateAct(
  e: Exercise,
  events: readonly TastingEvent[],
  act: TastingAct,
  who: { readonly id: string; readonly runs: boolean },
): Refusal | null {
  const t = foldTasting(e, events);
  const sheet = act.kind === 'keep' || act.kind === 'handIn';
  if (!sheet && !who.runs) return 'notYours';
  if (t.stage === 'revealed' || t.stage === 'stopped')
    return sheet && (t.tasters.find((x) => x.id === act.taster)?.handedIn ?? null) !== null
      ? 'alreadyHandedIn'
      : 'over';
  switch (act.kind) {
    case 'start':
      return t.started === null ? null : 'alreadyStarted';
    case 'pour':
    case 'pull': {
      const c = t.cups[act.cup];
      if (!c) return 'noSuchCup';
      if (t.started === null) return 'notStarted';
      if (act.kind === 'pull') {
        if (c.poured === null) return 'notPoured';
        if (c.pulled === null) return null;
        return 'alreadyPulled';
      }
      return null;
    }
    case 'measure': {
      const c = t.cups[act.cup];
      if (!c) return 'noSuchCup';
      if (c.pulled === null) return 'notPulled';
      return null;
    }
    case 'weigh':
    case 'exclude':
      return t.cups[act.cup] ? null : 'noSuchCup';
    case 'swap':
      return t.cupOf[act.a] === undefined || t.cupOf[act.b] === undefined || act.a === act.b
        ? 'noSuchCode'
        : null;
    case 'leave': {
      const x = t.tasters.find((p) => p.id === act.taster);
      if (!x) return 'noSuchTaster';
      if (x.handedIn !== null) return 'alreadyHandedIn';
      return null;
    }
    case 'keep':
    case 'handIn': {
      const x = t.tasters.find((p) => p.id === act.taster);
      if (!x) return 'noSuchTaster';
      if (x.id !== who.id && !who.runs) return 'notYours';
      if (x.handedIn !== null) return 'alreadyHandedIn';
      const served = e.servings[x.id] ?? [];
      if (act.kind === 'keep') {
        if (!served.includes(act.code)) return 'noSuchCode';
        return x.id !== who.id && wroteOwn(events, x.id, act.code) ? 'anothersSheet' : null;
      }
      if (EXERCISES[e.kind].asks === 'choice')
        return act.choice !== null && served.includes(act.choice) ? null : 'choiceMissing';
      if (!EXERCISES[e.kind].orders) return null;
      const wanted = served.filter((c) => t.cups[t.cupOf[c] ?? -1]?.excluded === null);
      return act.order !== null &&
        new Set(act.order).size === act.order.length &&
        wanted.every((c) => act.order?.includes(c))
        ? null
        : 'orderIncomplete';
    }
    case 'reveal': {
      if (missing(t).length > 0) return 'sheetsMissing';
      if (t.tasters.some((x) => x.handedIn !== null)) return null;
      return 'nothingHandedIn';
    }
    case 'stop':
      return null;
    case 'undo': {
      const of = events.find((x) => x.id === act.of);
      return of &&
        of.act.kind !== 'handIn' &&
        of.act.kind !== 'keep' &&
        of.act.kind !== 'reveal' &&
        of.act.kind !== 'undo'
        ? null
        : 'cannotUndo';
    }
  }
}

/** What is wanted next of the hand that runs it: which cup is poured or lifted, and when. Null when all is done. */
export function nextMoment(
  e: Exercise,
  t: Tasting,
): { readonly cup: number; readonly act: 'pour' | 'pull'; readonly at: number } | null {
  if (t.started === null) return null;
  const open = scheduleFor(e).moments.filter((m) => {
    const c = t.cups[m.cup];
    return c && c.excluded === null && (m.act === 'pour' ? c.poured === null : c.pulled === null);
  });
  // A cup is lifted by its own water, however late that went on.
  const due = open.map((m) => {
    const c = t.cups[m.cup];
    return {
      ...m,
      at:
        m.act === 'pull' && c && c.poured !== null
          ? c.poured + (e.cups[m.cup]?.plan.seconds ?? 0) * 1000
          : (t.started as number) + m.at * 1000,
    };
  });
  return due.sort((a, b) => a.at - b.at)[0] ?? null;
}
