import { advance, phaseAt, type Phase } from '#core/timing';
import { colourOfBrew, diluted, tint, type Liquor } from '#core/colour';
import { brewOf } from '#contracts/plan';
import type { Brew, BrewEventBody } from '#contracts/brews';
import type { Who } from '#contracts/primitives';
import type { Waiting } from '../../app/outbox';
import { epochMs, minutesText, seconds, type EpochMs, type Seconds } from '#core/units';
import { houseBrew, methodFor, type Recipe } from '#core/recipes';

/** A brew on the bar; `unsaved` while something of it waits to be sent. */
export type BarBrew = Brew & { readonly unsaved: boolean };

function apply(brew: Brew, event: BrewEventBody, by: Who): Brew {
  const step = advance(brew.state, { kind: event.kind, at: epochMs(event.at) });
  if (step.kind === 'refused') return brew;
  const state = step.state as Brew['state'];
  switch (event.kind) {
    case 'pull': return { ...brew, state, pulledBy: by };
    case 'undoPull': return { ...brew, state, pulledBy: null };
    case 'judge': return { ...brew, state, judgedBy: by, verdict: event.verdict, proposal: event.proposal, accepted: event.accepted };
    default: return { ...brew, state };
  }
}

/** The bar as it stands here: what the server knows, with what still waits to be sent laid over it. */
export function barOf(kept: readonly Brew[], waiting: readonly Waiting[]): BarBrew[] {
  const byId = new Map<string, BarBrew>(kept.map((b) => [b.id, { ...b, unsaved: false }]));
  for (const w of waiting) {
    if (w.kind === 'start') {
      if (!byId.has(w.id)) byId.set(w.id, { ...w.brew, unsaved: true });
    } else {
      const brew = byId.get(w.brewId);
      if (brew) byId.set(w.brewId, { ...apply(brew, w.body, w.by), unsaved: true });
    }
  }
  return [...byId.values()].filter((b) => b.state.kind !== 'judged' && b.state.kind !== 'abandoned').sort((a, b) => a.place - b.place);
}

export const phaseOf = (brew: Brew, now: EpochMs): Phase => phaseAt(brew.state, brew.plan.recipe.window, now);

/** The liquor of a recipe so many seconds on, where no vessel is meant. */
export const liquorAfter = (style: Brew['tea']['style'], recipe: Recipe, s: Seconds): Liquor => colourOfBrew(houseBrew(style, recipe), seconds(Math.max(0, s)));
/** The house cup of a recipe: the colour that is right. */
export function houseCup(style: Brew['tea']['style'], recipe: Recipe): Liquor {
  const there = houseCups.get(recipe);
  if (there?.style === style) return there.liquor;
  const liquor = liquorAfter(style, recipe, recipe.window.best);
  houseCups.set(recipe, { style, liquor });
  return liquor;
}
/** A recipe's cup is worked out once: lists draw many. */
const houseCups = new WeakMap<Recipe, { style: Brew['tea']['style']; liquor: Liquor }>();
/** Seconds on the leaf until now, or until it was pulled; null before the water is on. */
export function steepedBy({ state }: Brew, now: EpochMs): Seconds | null {
  if (state.kind === 'warming' || state.kind === 'abandoned') return null;
  return seconds(Math.max(0, ((state.kind === 'steeping' ? now : state.pulled) - state.waterOn) / 1000));
}
/** The liquor of a brew now, in its own vessel and heat; null before the water is on. Anew once a second. */
export function liquorOf(brew: Brew, now: EpochMs): Liquor | null {
  const s = steepedBy(brew, now);
  if (s === null) return null;
  const whole = seconds(brew.state.kind === 'steeping' ? Math.floor(s) : s);
  return colourOfBrew(brewOf(brew.plan, brew.tea.style, whole), whole);
}
export const swatchOf = (style: Brew['tea']['style'], recipe: Recipe, strength: number): Liquor => diluted(houseCup(style, recipe), strength);
export { tint };

export type PhaseName = 'warming' | 'steeping' | 'window' | 'past' | 'late' | 'pulled';
export type Saying = { readonly name: PhaseName; readonly figure: string; readonly late: boolean; readonly over: string; readonly step: string; readonly short: string; readonly detail: string; readonly act: string };

export const clockText = (at: EpochMs | number): string => {
  const d = new Date(at);
  return `${String(d.getHours()).padStart(2, '0')}:${String(d.getMinutes()).padStart(2, '0')}`;
};

const LIFT: Record<ReturnType<typeof methodFor>, { at: string; now: string; early: string; done: string }> = {
  pot: { at: 'Leave it, lift at', now: 'Lift the basket', early: 'Lift early', done: 'Lifted' },
  infuserCup: { at: 'Leave it, lift at', now: 'Lift the infuser', early: 'Lift early', done: 'Lifted' },
  release: { at: 'Leave it, release at', now: 'Set it on the jug', early: 'Release early', done: 'Released' },
  bag: { at: 'Leave it, lift at', now: 'Lift the bag', early: 'Lift early', done: 'Lifted' },
  liddedCup: { at: 'Leave it, pour at', now: 'Pour it off', early: 'Pour early', done: 'Poured' },
  tastingSet: { at: 'Leave it, pour at', now: 'Pour it off', early: 'Pour early', done: 'Poured' },
};

/** What a brew says of itself at one moment: figure, the word over it, the next step, the button. */
export function sayingOf(brew: Brew, phase: Phase, pour: (brew: Brew) => string): Saying {
  const words = LIFT[methodFor(brew.plan.vessel)];
  const { window } = brew.plan.recipe;
  const poured = pour(brew);
  switch (phase.kind) {
    case 'warming':
      return { name: 'warming', figure: minutesText(window.best), late: false, over: 'Warming, will steep', short: 'Warming', step: 'Empty it, leaf in, pour on', detail: phase.elapsed < 15 ? `Warm it 15 s or more. ${poured}` : `Warm enough. ${poured}`, act: 'Water on' };
    case 'steeping':
      return { name: 'steeping', figure: minutesText(Math.ceil(phase.left)), late: false, over: 'Steeping, left', short: 'Left', step: phase.left > 60 && brew.state.kind === 'steeping' ? `${words.at} ${clockText(brew.state.waterOn + window.best * 1000)}` : `${words.now} in ${minutesText(Math.ceil(phase.left))}`, detail: poured, act: words.early };
    case 'window':
      return { name: 'window', figure: minutesText(Math.ceil(phase.left)), late: false, over: 'In its window, best in', short: 'In window', step: `${words.now} soon`, detail: `${poured} Latest in ${minutesText(Math.ceil(phase.untilLatest))}`, act: words.done };
    case 'past':
      return { name: 'past', figure: minutesText(Math.floor(-phase.left)), late: true, over: 'In its window, past best by', short: 'Past best', step: `${words.now} now`, detail: `Latest in ${minutesText(Math.ceil(phase.untilLatest))}. ${poured}`, act: words.done };
    case 'late':
      return { name: 'late', figure: minutesText(Math.floor(-phase.untilLatest)), late: true, over: 'Late, past latest by', short: 'Late by', step: `${words.now}, taste`, detail: 'Likely dark and dry. Split it, top with hot water', act: words.done };
    case 'pulled':
    case 'done': {
      const steeped = phase.kind === 'pulled' ? phase.steeped : seconds(0);
      return { name: 'pulled', figure: minutesText(steeped), late: false, over: `${words.done} at`, short: words.done, step: 'Judge the cup', detail: `${Math.round(brew.plan.liquor)} ml of liquor${brew.pulledBy ? `, ${brew.pulledBy.name}` : ''}`, act: 'Judge' };
    }
  }
}

const ORDER: Record<PhaseName, number> = { late: 0, past: 1, window: 2, warming: 4, pulled: 5, steeping: 3 };
/** What wants a hand next: the latest first, then what comes to its pull soonest. */
export function nextHands<T extends { brew: Brew; phase: Phase; saying: Saying }>(all: readonly T[]): T[] {
  const left = (p: Phase) => ('left' in p ? p.left : 1e6);
  return [...all].sort((a, b) => ORDER[a.saying.name] - ORDER[b.saying.name] || left(a.phase) - left(b.phase) || a.brew.place - b.brew.place);
}
