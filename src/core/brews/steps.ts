import type { CupsAsked, Handling, KettleUsed, OwnStepTime, Window, Wish } from '#core/recipes';
import {
  type Celsius,
  type EpochMs,
  type Grams,
  type Millilitres,
  millilitres,
  ML_PER,
  type Seconds,
  seconds,
} from '#core/units';
import { leafAct, type VesselFacts } from '#core/vessels';
import type { BrewState } from './brew';

/** Warm the vessel at least so long: common practice. */
export const WARMING = seconds(15);
/** A stir is asked for so long before its moment, and no longer after it than this. */
const STIR_EARLY = 5;
const STIR_LATE = 25;

/** What hands do to one brew, in their order. `pour` starts the clock, `pull` stops it. */
export const STEP_KINDS = [
  'warm',
  'weigh',
  'heat',
  'wait',
  'rinse',
  'pour',
  'stir',
  'own',
  'pull',
  'drain',
  'serve',
  'judge',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];
/** Those the clock itself asks for: they have instants of their own and need no mark. */
export const CLOCK_STEPS: ReadonlySet<StepKind> = new Set(['pour', 'pull', 'judge']);
/** One thing to do. `key` is the kind, with a number where there are several: "stir2". */
export type BrewStep = {
  readonly key: string;
  readonly kind: StepKind;
  /** Seconds from water on at which it is due; null: before it, in its turn. */ readonly due: Seconds | null;
};
/** A step that was confirmed or left out, by a touch. */
export type StepRecord = {
  readonly key: string;
  readonly at: EpochMs;
  readonly outcome: 'done' | 'skipped';
  readonly grams?: Grams;
  readonly celsius?: Celsius;
};

/** What of a plan its steps follow from. */
export type Planned = {
  readonly leaf: Grams;
  readonly water: Millilitres;
  readonly liquor: Millilitres;
  readonly warmed: boolean;
  readonly kettle: Celsius;
  readonly reachable: boolean;
  /** The kettle that was chosen; absent: none was. */
  readonly kettleUsed?: KettleUsed | null | undefined;
  /** Cold water that goes in first, so that boiling water on it makes the heat; null: set the kettle. */
  readonly splash?: Millilitres | null;
  readonly spoons: string | null;
  readonly recipe: { readonly window: Window; readonly handling: Handling };
  readonly vessel: Pick<VesselFacts, 'kind' | 'infuser' | 'strainer'>;
  /** Which steep of its leaf; 1 is the first. */
  readonly steep?: { readonly number: number } | null;
  /** The cups that were asked for. */
  readonly cups?: CupsAsked | null;
  /** Its time is found by tasting. */
  readonly explore?: { readonly best: Seconds } | null | undefined;
  /** What the guest asked for. */
  readonly wish?: (Wish & { readonly milkMl: Millilitres }) | null;
};

/** The steps of a brew. A later steep of the same leaf has nothing to warm, weigh or rinse. */
export function stepsOf(p: Planned): BrewStep[] {
  const { handling, window } = p.recipe;
  const again = (p.steep?.number ?? 1) > 1;
  // Leaf that stays in a mug is drunk off: nothing is drained, and to serve it is the end of the steep itself.
  const drunkOffLeaf = leafAct(p.vessel, handling.root) === 'drinkOff';
  const step = (kind: StepKind, due: number | null, key: string = kind): BrewStep => ({
    key,
    kind,
    due: due === null ? null : seconds(due),
  });
  const own = (handling.own ?? []).map((asked, i) => ({ ...asked, key: `own${i + 1}` }));
  const ownAt = (when: OwnStepTime, due: number | null) =>
    own
      .filter((asked) => asked.when === when)
      .map((asked) => step('own', asked.at ?? due, asked.key));
  return [
    ...(p.warmed && !again ? [step('warm', null)] : []),
    ...(again ? [] : [step('weigh', null)]),
    ...(again ? [] : ownAt('before', null)),
    step('heat', null),
    ...(p.kettleUsed?.wait ? [step('wait', null)] : []),
    ...(handling.rinse > 0 && !again ? [step('rinse', null)] : []),
    step('pour', 0),
    ...[...handling.stir.map((s, i) => step('stir', s, `stir${i + 1}`)), ...ownAt('steep', 0)].sort(
      (a, b) => (a.due ?? 0) - (b.due ?? 0),
    ),
    step('pull', window.best),
    ...ownAt('after', window.best),
    ...(drunkOffLeaf ? [] : [step('drain', window.best), step('serve', window.best)]),
    step('judge', window.best),
  ];
}

export type StepState = 'done' | 'skipped' | 'now' | 'ahead';
export type StepWithState = BrewStep & {
  readonly state: StepState;
  /** When it was done, as far as anybody said. */
  readonly at: EpochMs | null;
  readonly record: StepRecord | null;
};

const instantsOf = (state: BrewState): Partial<Record<StepKind, EpochMs>> => ({
  ...('waterOn' in state ? { pour: state.waterOn } : {}),
  ...('pulled' in state ? { pull: state.pulled } : {}),
  ...('judged' in state ? { judge: state.judged } : {}),
});

/** What is known of a step without the others: skipped or done by a touch of its own. */
type TouchedStep = Omit<StepWithState, 'state'>;
function stateOf(s: TouchedStep, index: number, lastDone: number, byClock: boolean): StepState {
  if (s.record?.outcome === 'skipped' && !byClock) return 'skipped';
  if (index <= lastDone) return 'done';
  return index === lastDone + 1 ? 'now' : 'ahead';
}
/**
 * The state of each step of a brew. A step counts as done by its own touch or by a later one's; a step left out is
 * `skipped`. One step at most is `now`: the first after the last that is done.
 */
export function stepStates(
  steps: readonly BrewStep[],
  state: BrewState,
  records: readonly StepRecord[],
): StepWithState[] {
  const instants = instantsOf(state);
  const touched = steps.map((s): TouchedStep => {
    const record = [...records].reverse().find((r) => r.key === s.key) ?? null;
    return { ...s, record, at: instants[s.kind] ?? record?.at ?? null };
  });
  const lastDone = touched.findLastIndex((s) => s.at !== null);
  return touched.map((s, i) => ({
    ...s,
    state: stateOf(s, i, lastDone, instants[s.kind] !== undefined),
  }));
}

/** A step with a moment of its own while the leaf steeps: a stir, or a step of the house's own. */
export const isAtMoment = ({ kind }: Pick<BrewStep, 'kind'>): boolean =>
  kind === 'stir' || kind === 'own';

/** The step that wants a hand now beside the clock's own; null when there is none. A stir, or a step of the house's own while it steeps, only at its moment. */
export function stepNow(
  p: Planned,
  state: BrewState,
  marks: readonly StepRecord[],
  now: EpochMs,
): BrewStep | null {
  const stood = stepStates(stepsOf(p), state, marks);
  if (state.kind === 'steeping') {
    const s = (now - state.waterOn) / 1000;
    const place = (kind: StepKind) => stood.findIndex((x) => x.kind === kind);
    const whileIn = stood.slice(place('pour') + 1, place('pull'));
    return (
      whileIn.find(
        (x) =>
          isAtMoment(x) &&
          x.record === null &&
          s >= (x.due ?? 0) - STIR_EARLY &&
          s <= (x.due ?? 0) + STIR_LATE,
      ) ?? null
    );
  }
  const current = stood.find((x) => x.state === 'now') ?? null;
  return current && CLOCK_STEPS.has(current.kind) ? null : current;
}

/** Pouring in turns: so many cups, filled half in order and half back, `each` ml a time. */
export type Turns = {
  readonly cups: number;
  readonly each: Millilitres;
  readonly order: readonly number[];
};
/**
 * The order that makes cups of one pot alike: 1, 2, 3, then 3, 2, 1, half a cup each (common practice).
 * @param cups how many; without it, teacups of 150 ml, at least two.
 */
export function turnsOf(
  liquor: Millilitres,
  cups: number = Math.max(2, Math.round(liquor / ML_PER.teacup)),
): Turns {
  const there = Array.from({ length: cups }, (_, i) => i + 1);
  return { cups, each: millilitres(liquor / cups / 2), order: [...there, ...[...there].reverse()] };
}
