import {
  advance,
  clashesAhead,
  meetsNow,
  phaseAt,
  stepNow,
  stepWords,
  waitToPour,
  type BrewStep,
  type Clash,
  type Moment,
  type Phase,
} from '#core/timing';
import { colourOfBrew, diluted, tint, type Liquor } from '#core/colour';
import { brewOf, withLeafBack } from '#contracts/plan';
import type { Brew, BrewEventBody, Order } from '#contracts/brews';
import type { Who } from '#contracts/primitives';
import type { Waiting } from '../../app/waiting';
import {
  epochMs,
  minutesText,
  seconds,
  secondsBetween,
  volumeText,
  temperatureText,
  type EpochMs,
  type Seconds,
  type VolumeUnit,
} from '#core/units';
import { houseLiquor, type Recipe } from '#core/recipes';
import { leafActWords } from '#core/vessels';
import type { KnownTea } from '#core/styles';

/**
 * A brew on the bar; `unsaved` while something of it waits to be sent, `partners` what is pulled and judged with it.
 */
export type BarBrew = Brew & { readonly unsaved: boolean; readonly partners: readonly BarBrew[] };

/** A brew with one thing done to it, as the server would answer; what it would refuse changes nothing. */
export function applied(brew: Brew, event: BrewEventBody, by: Who): Brew {
  const at = epochMs(event.at);
  switch (event.kind) {
    case 'step':
      return {
        ...brew,
        marks: [
          ...brew.marks,
          {
            key: event.key,
            at,
            outcome: event.outcome,
            grams: event.grams,
            celsius: event.celsius,
          },
        ],
      };
    case 'reading':
      return { ...brew, readings: [...brew.readings, { at, celsius: event.celsius }] };
    case 'pair':
      return { ...brew, pairedId: event.with };
    case 'claim':
      return { ...brew, pulledBy: by };
    case 'undo':
    case 'colour':
    case 'solids':
      return brew;
  }
  const step = advance(brew.state, { kind: event.kind, at });
  if (step.kind === 'refused') return brew;
  const state = step.state as Brew['state'];
  switch (event.kind) {
    case 'pull':
      return { ...brew, state, ...(by.id ? { pulledBy: by } : { pulledDevice: by.name }) };
    case 'leafBack':
      return brew.state.kind === 'pulled'
        ? {
            ...brew,
            state,
            pulledBy: null,
            pulledDevice: null,
            plan: withLeafBack(
              brew.plan,
              secondsBetween(brew.state.waterOn, brew.state.pulled),
              event.seconds,
            ),
          }
        : brew;
    case 'undoPull':
      return { ...brew, state, pulledBy: null, pulledDevice: null };
    case 'judge':
      return {
        ...brew,
        state,
        judgedBy: by,
        verdict: event.verdict,
        proposal: event.proposal,
        accepted: event.accepted,
      };
    default:
      return { ...brew, state };
  }
}

const keptBrews = new WeakMap<Brew, BarBrew>();
/** A brew as the server knows it; the same object each time, so that what did not change is not drawn anew. */
function asKept(b: Brew): BarBrew {
  const there = keptBrews.get(b) ?? { ...b, unsaved: false, partners: [] };
  keptBrews.set(b, there);
  return there;
}

/** The bar as it stands here: what the server knows, with what still waits to be sent laid over it. */
export function barOf(kept: readonly Brew[], waiting: readonly Waiting[]): BarBrew[] {
  const byId = new Map<string, BarBrew>(kept.map((b) => [b.id, asKept(b)]));
  for (const w of waiting) {
    if (w.kind === 'start') {
      if (!byId.has(w.id)) byId.set(w.id, { ...w.brew, unsaved: true, partners: [] });
    } else if (w.kind === 'event') {
      const brew = w.restores ?? byId.get(w.brewId);
      if (brew) byId.set(w.brewId, { ...applied(brew, w.body, w.by), unsaved: true, partners: [] });
    }
  }
  const open = [...byId.values()]
    .filter((b) => b.state.kind !== 'judged' && b.state.kind !== 'abandoned')
    .sort((a, b) => a.place - b.place);
  const withLead = (b: BarBrew) => b.pairedId !== null && open.some((l) => l.id === b.pairedId);
  return open
    .filter((b) => !withLead(b))
    .map((b) => {
      const partners = open.filter((p) => p.pairedId === b.id);
      return partners.length ? { ...b, partners } : b;
    });
}
/** Every brew of the bar, those that stand in another's place too. */
export const allOf = (brews: readonly BarBrew[]): BarBrew[] =>
  brews.flatMap((b) => [b, ...b.partners]);
/** Vessels that are being warmed or steeped in, each with its brew. */
export const vesselsInUse = (brews: readonly BarBrew[]): Map<string, BarBrew> =>
  new Map(
    allOf(brews)
      .filter((b) => b.state.kind === 'warming' || b.state.kind === 'steeping')
      .map((b) => [b.vesselId, b]),
  );

/** What waits to be brewed, with what was done to it here laid over it. */
export function ordersOf(kept: readonly Order[], waiting: readonly Waiting[]): Order[] {
  const byId = new Map(kept.map((o) => [o.id, o]));
  for (const w of waiting) {
    if (w.kind === 'order') byId.set(w.body.id, w.order);
    else if (w.kind === 'orderChange') {
      if (w.body.state === 'dropped') byId.delete(w.orderId);
      else
        byId.set(w.orderId, {
          ...(byId.get(w.orderId) ?? w.order),
          ...(w.body.rank === undefined ? {} : { rank: w.body.rank }),
          ...(w.body.forWhom === undefined ? {} : { forWhom: w.body.forWhom }),
        });
    } else if (w.kind === 'start' && w.body.orderId) byId.delete(w.body.orderId);
  }
  return [...byId.values()].sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1));
}

export const phaseOf = (brew: Brew, now: EpochMs): Phase =>
  phaseAt(brew.state, brew.plan.recipe.window, now);

/** The liquor of a recipe so many seconds on, where no vessel is meant. */
export const liquorAfter = (tea: KnownTea, recipe: Recipe, s: Seconds): Liquor =>
  houseLiquor(tea, recipe, seconds(Math.max(0, s)));
/** A recipe's cup is worked out once: lists draw many. */
const houseCups = new WeakMap<Recipe, KnownTea & { liquor: Liquor }>();
/** The house cup of a recipe: the colour that is right. */
export function houseCup({ style, fitted, swatches }: KnownTea, recipe: Recipe): Liquor {
  const there = houseCups.get(recipe);
  if (there?.style === style && there.fitted === fitted && there.swatches === swatches)
    return there.liquor;
  const liquor = liquorAfter({ style, fitted, swatches }, recipe, recipe.window.best);
  houseCups.set(recipe, { style, fitted, swatches, liquor });
  return liquor;
}
/** Seconds on the leaf until now, or until it was pulled; null before the water is on. */
export function steepedBy({ state }: Brew, now: EpochMs): Seconds | null {
  if (state.kind === 'warming' || state.kind === 'abandoned') return null;
  return seconds(
    Math.max(0, ((state.kind === 'steeping' ? now : state.pulled) - state.waterOn) / 1000),
  );
}
/** The liquor of a brew now, in its own vessel and heat; null before the water is on. Anew once a second. */
export function liquorOf(brew: Brew, now: EpochMs): Liquor | null {
  const s = steepedBy(brew, now);
  if (s === null) return null;
  const whole = seconds(brew.state.kind === 'steeping' ? Math.floor(s) : s);
  return colourOfBrew(brewOf(brew.plan, brew.tea.style, whole), whole);
}
export const swatchOf = (tea: KnownTea, recipe: Recipe, strength: number): Liquor =>
  diluted(houseCup(tea, recipe), strength);
export { tint };

export type PhaseName = 'warming' | 'steeping' | 'window' | 'past' | 'late' | 'pulled';
/** What a brew says of itself: `brief` is the step in at most 21 letters, for a full bar. */
export type Saying = {
  readonly name: PhaseName;
  readonly figure: string;
  readonly late: boolean;
  readonly over: string;
  readonly step: string;
  readonly brief: string;
  readonly short: string;
  readonly detail: string;
  readonly act: string;
};

export const clockText = (at: EpochMs | number): string => {
  const d = new Date(at);
  return `${String(d.getHours()).padStart(2, '0')}:${String(d.getMinutes()).padStart(2, '0')}`;
};

/** What is done with the leaf when the steep is over, in words: by the vessel as it was then. */
const wordsOf = ({ plan }: Brew) => leafActWords(plan.vessel, plan.recipe.handling.root);

export type Units = { readonly volume: VolumeUnit; readonly temperature: 'C' | 'F' };
/** "6.5 g in 500 ml, 80 °C." in the reader's units. */
export const pourWords = (b: Brew, units: Units): string =>
  `${b.plan.leaf} g in ${volumeText(b.plan.water, units.volume)}, ${temperatureText(b.plan.temperature, units.temperature)}.`;

/**
 * What a brew says at one moment: figure, the word over it, the next step, the button. `wait`: so long before it is
 * poured, to keep clear of another.
 */
export function sayingOf(
  brew: Brew,
  phase: Phase,
  units: Units,
  wait: Seconds = seconds(0),
): Saying {
  const words = wordsOf(brew);
  const { window } = brew.plan.recipe;
  const poured = pourWords(brew, units);
  const again = brew.plan.steep ? `Steep ${brew.plan.steep.number}. ` : '';
  switch (phase.kind) {
    case 'warming': {
      const pour =
        wait > 0
          ? `Wait ${minutesText(wait)}, then pour`
          : brew.plan.steep
            ? 'Pour on again'
            : 'Empty it, leaf in, pour on';
      return {
        name: 'warming',
        figure: minutesText(window.best),
        late: false,
        over: brew.plan.warmed && !brew.plan.steep ? 'Warming, will steep' : 'Ready, will steep',
        short: 'Waits',
        step: pour,
        brief: wait > 0 ? pour : 'Pour on',
        detail: `${again}${poured}`,
        act: 'Water on',
      };
    }
    case 'steeping': {
      const left = minutesText(Math.ceil(phase.left));
      const at =
        brew.state.kind === 'steeping' ? clockText(brew.state.waterOn + window.best * 1000) : '';
      return {
        name: 'steeping',
        figure: left,
        late: false,
        over: 'Steeping, left',
        short: 'Left',
        step: phase.left > 60 ? `${words.leave} ${at}` : `${words.act} in ${left}`,
        brief: phase.left > 60 ? `${words.verb} at ${at}` : `${words.verb} in ${left}`,
        detail: `${again}${poured}`,
        act: words.early,
      };
    }
    case 'window':
      return {
        name: 'window',
        figure: minutesText(Math.ceil(phase.left)),
        late: false,
        over: 'In its window, best in',
        short: 'In window',
        step: `${words.act} soon`,
        brief: words.act,
        detail: `${poured} Latest in ${minutesText(Math.ceil(phase.untilLatest))}`,
        act: words.done,
      };
    case 'past':
      return {
        name: 'past',
        figure: minutesText(Math.floor(-phase.left)),
        late: true,
        over: 'In its window, past best by',
        short: 'Past best',
        step: `${words.act} now`,
        brief: `${words.verb}, latest ${minutesText(Math.ceil(phase.untilLatest))}`,
        detail: `Latest in ${minutesText(Math.ceil(phase.untilLatest))}. ${poured}`,
        act: words.done,
      };
    case 'late':
      return {
        name: 'late',
        figure: minutesText(Math.floor(-phase.untilLatest)),
        late: true,
        over: 'Late, past latest by',
        short: 'Late by',
        step: `${words.act}, taste`,
        brief: `${words.verb}, taste it`,
        detail: 'Likely dark and dry. Split it, top with hot water',
        act: words.done,
      };
    case 'pulled':
    case 'done': {
      const steeped = phase.kind === 'pulled' ? phase.steeped : seconds(0);
      const by =
        brew.pulledBy?.name ??
        (brew.pulledDevice ? `on the ${brew.pulledDevice}, nobody signed in` : '');
      return {
        name: 'pulled',
        figure: minutesText(steeped),
        late: false,
        over: `${words.done} at`,
        short: words.done,
        step: 'Judge the cup',
        brief: 'Judge the cup',
        detail: `${volumeText(brew.plan.liquor, units.volume)} of liquor${by ? `, ${by}` : ''}`,
        act: 'Judge',
      };
    }
  }
}

/** A brew as it is drawn at one moment. */
export type Shown = {
  readonly brew: BarBrew;
  readonly phase: Phase;
  readonly saying: Saying;
  /** What hands do now beside the clock's own. */ readonly step: {
    readonly step: BrewStep;
    readonly act: string;
    readonly done: string;
  } | null;
};

/** What of a recipe wants a hand at a moment: stirs and the pull, seconds from water on. */
export const handsOf = ({ handling, window }: Pick<Recipe, 'handling' | 'window'>): Seconds[] => [
  ...handling.stir,
  window.best,
];
/** The moments of every brew that is steeping. */
export const momentsOf = (brews: readonly Brew[]): Moment[] =>
  brews.flatMap((b) => {
    const { state } = b;
    return state.kind === 'steeping'
      ? handsOf(b.plan.recipe).map((s) => ({ id: b.id, at: epochMs(state.waterOn + s * 1000) }))
      : [];
  });
export const clashesOf = (brews: readonly Brew[], now: EpochMs): Clash[] =>
  clashesAhead(momentsOf(brews), now);
/** How long to wait before pouring a recipe now, and whom it would meet. */
export function apartFrom(
  own: readonly Seconds[],
  brews: readonly Brew[],
  now: EpochMs,
): { readonly wait: Seconds; readonly meets: Brew | null } {
  const others = momentsOf(brews);
  const met = meetsNow(own, others, now);
  return {
    wait: met ? waitToPour(own, others, now) : seconds(0),
    meets: met ? (brews.find((b) => b.id === met.id) ?? null) : null,
  };
}

const TOGETHER_MS = 60;

/** ms until the next figure on any of them changes: each counts its own seconds. */
export function untilNextFigure(brews: readonly Brew[], now: EpochMs): number {
  const waits = brews.flatMap(({ state, plan }) => {
    if (state.kind !== 'steeping') return [];
    // Latest is counted from too; windows are in whole seconds nearly always.
    const into = (now - state.waterOn - (plan.recipe.window.best % 1) * 1000) % 1000;
    return [1000 - ((into + 1000) % 1000)];
  });
  const [first = 1000, ...rest] = waits.sort((a, b) => a - b);
  // What comes within a blink of it is drawn with it.
  return rest.reduce((until, w) => (w - first < TOGETHER_MS ? w : until), first);
}

/** Every brew as it stands now, in its place. */
export function shownAt(brews: readonly BarBrew[], now: EpochMs, units: Units): Shown[] {
  return brews.map((brew) => {
    const phase = phaseOf(brew, now);
    const wait =
      brew.state.kind === 'warming'
        ? apartFrom(
            handsOf(brew.plan.recipe),
            brews.filter((b) => b.id !== brew.id),
            now,
          ).wait
        : seconds(0);
    const next = stepNow(brew.plan, brew.state, brew.marks, now);
    const saying = sayingOf(brew, phase, units, wait);
    const due = next && (next.kind !== 'stir' || saying.name === 'steeping');
    return {
      brew,
      phase,
      saying,
      step: due ? { step: next, ...stepWords(next, brew.plan, units) } : null,
    };
  });
}

const ORDER: Record<PhaseName, number> = {
  late: 0,
  past: 1,
  window: 2,
  warming: 4,
  pulled: 5,
  steeping: 3,
};
/** What wants a hand next: the latest first, then a stir at its moment, then what comes to its pull soonest. */
export function nextHands<
  T extends { brew: Brew; phase: Phase; saying: Saying; step?: Shown['step'] },
>(all: readonly T[]): T[] {
  const left = (p: Phase) => ('left' in p ? p.left : 1e6);
  const rank = (s: T) => (s.step?.step.kind === 'stir' ? 2.5 : ORDER[s.saying.name]);
  return [...all].sort(
    (a, b) => rank(a) - rank(b) || left(a.phase) - left(b.phase) || a.brew.place - b.brew.place,
  );
}
