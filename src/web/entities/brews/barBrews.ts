import {
  advance,
  endedByTaste,
  firstCup,
  inWaterUntil,
  isVesselInUse,
  leafInAgain,
  leafPutBack,
  type Phase,
  phaseAt,
  poursWith,
  tastedWithLeafIn,
} from '#core/brews';
import { tint } from '#core/colour';
import { type EpochMs, epochMs, type Millilitres, type Seconds, seconds } from '#core/units';
import type { BrewEventBody } from '#contracts/brewEvents';
import type { Brew, Order } from '#contracts/brews';
import type { Who } from '#contracts/primitives';
import type { WaitingWrite } from '../../platform/outbox/writes';
import { isBrewWrite } from './writes';
/**
 * A brew on the bar; `unsaved` while something of it waits to be sent, `partners` what is pulled and judged with it.
 */
export type BarBrew = Brew & { readonly unsaved: boolean; readonly partners: readonly BarBrew[] };

/** Events that move a brew's state on. */
type StateEvent = Exclude<
  BrewEventBody,
  {
    kind:
      | 'step'
      | 'reading'
      | 'taste'
      | 'pour'
      | 'pair'
      | 'claim'
      | 'undo'
      | 'colour'
      | 'solids'
      | 'tasteAgain';
  }
>;
/** Seconds on the leaf until now, or until it came out. */
const inWater = ({ state }: Brew, now: EpochMs) => inWaterUntil(state, now) ?? seconds(0);
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
    case 'taste':
      return brew.state.kind === 'steeping'
        ? { ...brew, ...tastedWithLeafIn(brew, inWater(brew, at), event.mark) }
        : brew;
    case 'pour': {
      const pours = poursWith(brew, brew.state, { at, what: event.what, ml: event.ml });
      return pours ? { ...brew, pours } : brew;
    }
    case 'pair':
      return { ...brew, pairedId: event.with };
    case 'claim':
      return { ...brew, pulledBy: by };
    case 'undo':
    case 'colour':
    case 'solids':
    case 'tasteAgain':
      return brew;
    default:
      return moved(brew, event, by);
  }
}

/** One cup of it is poured, and the rest stays on the leaf. */
function pouredCup({ plan }: Brew, steeped: Seconds, cup: Millilitres | undefined) {
  const pours = cup === undefined ? null : firstCup(plan, steeped, cup);
  return pours ? { pours } : {};
}
/** A brew moved on in its state by an event; unchanged where the state machine refuses the event. */
function moved(brew: Brew, event: StateEvent, by: Who): Brew {
  const at = epochMs(event.at);
  const step = advance(brew.state, { kind: event.kind, at });
  if (step.kind === 'refused') return brew;
  const state = step.state as Brew['state'];
  switch (event.kind) {
    case 'pull':
      return {
        ...brew,
        state,
        ...(event.seen !== undefined && { seen: event.seen }),
        ...pouredCup(brew, inWater({ ...brew, state }, at), event.cup),
        ...endedByTaste(brew, brew.state, inWater({ ...brew, state }, at), event.mark),
        ...(by.id ? { pulledBy: by } : { pulledDevice: by.name }),
      };
    case 'leafIn':
      return brew.state.kind === 'tasting'
        ? { ...brew, state, ...leafInAgain(brew, brew.state, { at, mark: event.mark }) }
        : brew;
    case 'leafBack':
      return brew.state.kind === 'pulled'
        ? {
            ...{ ...brew, state, pours: undefined, pulledBy: null, pulledDevice: null },
            ...leafPutBack(brew, brew.state, at, event.seconds),
          }
        : brew;
    case 'undoPull':
      return { ...brew, state, pours: undefined, pulledBy: null, pulledDevice: null };
    case 'judge':
      return {
        ...brew,
        state,
        judgedBy: by,
        verdict: event.verdict,
        proposal: event.proposal,
        accepted: event.accepted,
        observed: event.observed,
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
export function barOf(kept: readonly Brew[], waiting: readonly WaitingWrite[]): BarBrew[] {
  const byId = new Map<string, BarBrew>(kept.map((b) => [b.id, asKept(b)]));
  for (const w of waiting.filter(isBrewWrite)) {
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
      .filter((b) => isVesselInUse(b.state.kind))
      .flatMap((b): [string, BarBrew][] => (b.vesselId === null ? [] : [[b.vesselId, b]])),
  );

/** What waits to be brewed, with what was done to it here laid over it. */
export function ordersOf(kept: readonly Order[], waiting: readonly WaitingWrite[]): Order[] {
  const byId = new Map(kept.map((o) => [o.id, o]));
  for (const w of waiting.filter(isBrewWrite)) {
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
export { tint };
