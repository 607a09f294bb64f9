import { type Cost, costOf } from './cost';
import type { Network, Step } from './network';
import type { Minute, Pin, PlanFill, PlanLine, PlanProblem, Pour } from './problem';
import type { Room, Taken } from './room';
import type { StandingPoured } from './standing';

/** When leaf goes in and when it is lifted, and what that costs whatever is poured. */
type Opening = {
  readonly start: Minute;
  readonly lift: Minute;
  readonly offEach: number;
  readonly hands: number;
};
/** Where batches of a line may be begun: what is the same for every glass. */
type Around = {
  readonly p: PlanProblem;
  readonly room: Room;
  readonly line: PlanLine;
  readonly demand: readonly number[];
  readonly preferred: ReadonlySet<Minute>;
  /** Its fills in each class of vessels, the smallest first. */
  readonly fills: readonly (readonly PlanFill[])[];
  /** Moments at which somebody is there, the earliest first. */
  readonly hands: readonly Minute[];
  /** What the plan before had of this line, each in its class of vessels. */
  readonly before: readonly (Opening & { readonly row: number })[];
};

/** A batch that the plan before did not have; the ranks of a whole plan come to less than one. */
const NEW = 2 ** -10;
/** A minute from the best hours: those of a whole plan come to less than one batch that is new. */
const MINUTE_FROM_BEST = 2 ** -30;
/**
 * What parts an opening from others that cost the same. The good hours begin half way from the window's edge to its
 * best.
 */
function rankOf({ line, before }: Around, row: number, { start, lift }: Opening): number {
  const best = 2 * line.goodFrom - line.earliest;
  const isNew = !before.some((b) => b.row === row && b.start === start && b.lift === lift);
  return (isNew ? NEW : 0) + MINUTE_FROM_BEST * Math.abs(lift - start - best);
}

const offEach = (line: PlanLine, start: Minute, lift: Minute): number =>
  Math.max(0, line.goodFrom - (lift - start), lift - start - line.goodTo);
const openingOf = (
  { line, preferred }: Pick<Around, 'line' | 'preferred'>,
  start: Minute,
  lift: Minute,
): Opening => ({
  start,
  lift,
  offEach: offEach(line, start, lift),
  hands: (preferred.has(start) ? 0 : 1) + (preferred.has(lift) ? 0 : 1),
});
const noWorse = (a: Opening, b: Opening): boolean =>
  a.start >= b.start && a.lift >= b.lift && a.offEach <= b.offEach && a.hands <= b.hands;

/** Openings that are ready by a moment, without those that another beats in everything: later, better, easier. */
function openingsReadyBy(around: Around, ready: Minute): Opening[] {
  const { line } = around;
  const hands = around.hands;
  const kept: Opening[] = [];
  // Once one without a fault is found, what is lifted before the last start that would still beat it is beaten by it.
  let beaten = -Infinity;
  const lastLift = hands.findLastIndex((t) => t + line.chill <= ready);
  for (let i = lastLift; i >= 0; i--) {
    const lift = hands[i] ?? 0;
    if (lift - line.earliest <= beaten) break;
    for (let j = i; j >= 0; j--) {
      const start = hands[j] ?? 0;
      if (start > lift - line.earliest) continue;
      if (start < lift - line.latest) break;
      const opening = openingOf(around, start, lift);
      if (kept.some((k) => noWorse(k, opening))) continue;
      kept.push(opening);
      if (opening.offEach === 0 && opening.hands === 0) beaten = Math.max(beaten, start);
    }
  }
  const same = (a: Opening, b: Opening) => a.start === b.start && a.lift === b.lift;
  const again = around.before.filter(
    (b) => b.lift + line.chill <= ready && !kept.some((k) => same(k, b)),
  );
  return [...kept, ...again.filter((b, i) => again.findIndex((o) => same(o, b)) === i)];
}

/** What the plan before had of a line, where somebody is still there to begin and lift it within its window. */
function beforeOf(
  around: Pick<Around, 'p' | 'room' | 'line' | 'preferred' | 'hands'>,
): Around['before'] {
  const { p, room, line, hands } = around;
  const canBe = ({ start, lift }: { start: Minute; lift: Minute }) =>
    hands.includes(start) &&
    hands.includes(lift) &&
    lift - start >= line.earliest &&
    lift - start <= line.latest;
  return (p.before ?? [])
    .filter((b) => b.line === line.id && canBe(b))
    .map((b) => ({ ...openingOf(around, b.start, b.lift), row: room.classOf(b.vessel) }));
}

const readyAt = (line: PlanLine, lift: Minute): Minute => lift + line.chill;
const keepsTo = (line: PlanLine, start: Minute, lift: Minute): Minute =>
  (line.keepFrom === 'lift' ? lift : start) + line.keep;

function takenBy(
  { p, room, line }: Around,
  row: number,
  b: { fill: PlanFill; start: Minute; lift: Minute; ends: Minute },
): Taken {
  const begins = { all: b.start, afterLift: b.lift, never: b.ends }[line.fridge];
  return {
    vessel: row,
    inVessel: room.between({ from: b.start, to: b.ends + p.wash }),
    inFridge: room.between({ from: begins, to: Math.max(begins, b.ends) }),
    places: room.classes[row]?.places ?? 1,
    water: b.fill.water,
  };
}

/** Pours that one batch may stop after, from a glass of a service on. */
type Stop = {
  readonly pours: readonly Pour[];
  readonly glasses: number;
  readonly old: number;
  readonly ends: Minute;
};
/** Poured until it is empty or its keep is over, or to the end of any service before. */
function stopsOf(
  { p, line, demand }: Around,
  opening: Opening,
  { service, left, glasses }: { service: number; left: number; glasses: number },
): Stop[] {
  const [ready, keeps] = [readyAt(line, opening.lift), keepsTo(line, opening.start, opening.lift)];
  const stops: Stop[] = [];
  let pours: readonly Pour[] = [];
  let [poured, old] = [0, 0];
  for (let j = service; j < p.services.length && poured < glasses; j++) {
    const span = p.services[j];
    const wanted = j === service ? left : (demand[j] ?? 0);
    if (!span || wanted === 0) continue;
    if (ready > span.from || span.to > keeps) break;
    const now = Math.min(wanted, glasses - poured);
    poured += now;
    old += now * Math.max(0, span.to - opening.lift - line.fresh);
    pours = [...pours, { service: j, glasses: now }];
    stops.push({ pours, glasses: poured, old, ends: span.to });
  }
  return stops;
}

function batchCost(
  line: PlanLine,
  fill: PlanFill,
  opening: Opening,
  poured: { glasses: number; old: number },
): Cost {
  return costOf({
    unmet: 0,
    thrown: line.serving * (fill.glasses - poured.glasses),
    off: fill.glasses * opening.offEach + poured.old,
    batches: 1,
    hands: opening.hands,
  });
}

function stepsOfPin(around: Around, pin: Pin, place: number, from: Glass | null): Step[] {
  const { line, room } = around;
  const row = room.classOf(pin.vessel);
  const kind = room.classes[row]?.kind ?? '';
  const fill = line.fills[kind]?.find((f) => f.water === pin.water);
  if (!fill) throw new RangeError(`${pin.id}: no fill of ${pin.water} ml in ${pin.vessel}`);
  const opening = openingOf(around, pin.start, pin.lift);
  const idle: Stop = { pours: [], glasses: 0, old: 0, ends: readyAt(line, pin.lift) };
  const stops = from ? stopsOf(around, opening, { ...from, glasses: fill.glasses }) : [idle];
  return stops.map((stop) => ({
    to: (from?.position ?? 0) + stop.glasses,
    ...batchCost(line, fill, opening, stop),
    rank: 0,
    pin: place,
    batch: {
      pin,
      kind,
      fill,
      ...{ start: pin.start, lift: pin.lift, pours: stop.pours },
      taken: takenBy(around, row, { fill, ...opening, ends: stop.ends }),
    },
  }));
}

/** One glass of the demand: glasses before it, its service, and glasses left of that service. */
type Glass = { readonly position: number; readonly service: number; readonly left: number };
function glassesOf(demand: readonly number[]): Glass[] {
  let position = 0;
  return demand.flatMap((wanted, service) =>
    Array.from({ length: wanted }, (_, i) => ({ position: position++, service, left: wanted - i })),
  );
}

function newBatches(around: Around, glass: Glass, openings: readonly Opening[]): Step[] {
  const { line, room } = around;
  const steps: Step[] = [];
  room.classes.forEach((c, row) => {
    const fills = around.fills[row] ?? [];
    for (const opening of openings) {
      const rank = rankOf(around, row, opening);
      // What a smaller fill of this kind serves, a larger one need not stop at.
      let served = 0;
      for (const fill of fills) {
        const stops = stopsOf(around, opening, { ...glass, glasses: fill.glasses });
        for (const stop of stops) {
          if (stop.glasses <= served) continue;
          const { lost, effort } = batchCost(line, fill, opening, stop);
          const { start, lift } = opening;
          const taken = takenBy(around, row, { fill, start, lift, ends: stop.ends });
          const batch = { pin: null, kind: c.kind, fill, start, lift, pours: stop.pours, taken };
          const to = glass.position + stop.glasses;
          steps.push({ to, lost, effort, rank, pin: -1, batch });
        }
        served = Math.max(served, fill.glasses);
      }
    }
  });
  return steps;
}

/** The network of one line beside what stands there. */
export function networkOf(
  p: PlanProblem,
  room: Room,
  { rest }: Pick<StandingPoured, 'rest'>,
  index: number,
): Network {
  const line = p.lines[index];
  if (!line) throw new RangeError(`no line ${index}`);
  const demand = rest[index] ?? [];
  const preferred = new Set(p.hands.filter((h) => h.preferred).map((h) => h.at));
  const hands = p.hands.map((h) => h.at).sort((a, b) => a - b);
  const fills = room.classes.map((c) =>
    [...(line.fills[c.kind] ?? [])].sort((a, b) => a.glasses - b.glasses || a.water - b.water),
  );
  const before = beforeOf({ p, room, line, preferred, hands });
  const around: Around = { p, room, line, demand, preferred, hands, fills, before };
  const pins = p.pins.filter((pin) => pin.line === line.id);
  const openings = new Map<number, Opening[]>();
  const openingsFor = (service: number): Opening[] => {
    const from = p.services[service]?.from ?? 0;
    const lastLift = hands.findLastIndex((t) => t + line.chill <= from);
    const known = openings.get(lastLift) ?? openingsReadyBy(around, from);
    openings.set(lastLift, known);
    return known;
  };
  const glasses = glassesOf(demand);
  return {
    line,
    glasses: glasses.length,
    steps: glasses.map((glass) => [
      ...newBatches(around, glass, openingsFor(glass.service)),
      ...pins.flatMap((pin, i) => stepsOfPin(around, pin, i, glass)),
      {
        to: glass.position + glass.left,
        ...costOf({ unmet: glass.left, thrown: 0, off: 0, batches: 0, hands: 0 }),
        rank: 0,
        batch: null,
        pin: -1,
      },
    ]),
    idle: pins.flatMap((pin, i) => stepsOfPin(around, pin, i, null)),
  };
}
