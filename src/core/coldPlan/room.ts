import type { Minute, PlanProblem, PlanVessel, Span } from './problem';
import type { StandingPoured } from './standing';

/**
 * Vessels that are alike in everything that matters here. Spans fit into as many of them as ever stand at once, so they
 * are counted, and named only when the plan is there. A vessel that is pinned or out of use for a while is alone.
 */
export type VesselClass = {
  readonly kind: string;
  readonly places: number;
  readonly vessels: readonly PlanVessel[];
};

/** From one moment up to another, by their places in the list of moments. */
export type Between = { readonly first: number; readonly end: number };
/** What a batch takes up while it stands. */
export type Taken = {
  readonly vessel: number;
  readonly inVessel: Between;
  readonly inFridge: Between;
  readonly places: number;
  readonly water: number;
};

/**
 * Room of the house at every moment at which something may begin: each class of vessels, then the places of the fridge,
 * then its litres, one row a resource.
 */
export type Room = {
  readonly classes: readonly VesselClass[];
  readonly moments: readonly Minute[];
  /** Rows: classes, and two for the fridge. */
  readonly rows: number;
  /** What may be taken, row by row, moment by moment. */
  readonly free: Float64Array;
  readonly between: (span: Span) => Between;
  readonly classOf: (vessel: string) => number;
};

const ALWAYS = Number.MAX_SAFE_INTEGER;

function momentsOf(p: PlanProblem): Minute[] {
  const all = [
    0,
    ...p.hands.map((h) => h.at),
    ...p.pins.flatMap((pin) => [pin.start, pin.lift]),
    ...p.vessels.flatMap((v) => v.out.map((o) => o.from)),
  ];
  return [...new Set(all.map((t) => Math.max(0, t)))].sort((a, b) => a - b);
}

function classesOf(p: PlanProblem): VesselClass[] {
  const placesOf = (kind: string) => p.kinds[kind]?.places ?? 1;
  const alone = (v: PlanVessel) => v.out.length > 0 || p.pins.some((pin) => pin.vessel === v.id);
  const alike = new Map<string, PlanVessel[]>();
  for (const v of p.vessels.filter((v) => !alone(v)))
    alike.set(v.kind, [...(alike.get(v.kind) ?? []), v]);
  const groups = [...alike.values(), ...p.vessels.filter(alone).map((v) => [v])];
  return groups.map((vessels) => {
    const kind = vessels[0]?.kind ?? '';
    return { kind, vessels, places: placesOf(kind) };
  });
}

/** The room that is left beside what stands there. */
export function roomOf(p: PlanProblem, { held }: StandingPoured): Room {
  const classes = classesOf(p);
  const moments = momentsOf(p);
  const size = moments.length;
  const [places, litres] = [classes.length, classes.length + 1];
  const rows = classes.length + 2;
  const free = new Float64Array(rows * size);
  classes.forEach((c, row) => free.fill(c.vessels.length, row * size, (row + 1) * size));
  free.fill(p.fridge.places ?? ALWAYS, places * size, (places + 1) * size);
  free.fill(p.fridge.water ?? ALWAYS, litres * size, (litres + 1) * size);

  const firstFrom = (t: Minute): number => {
    let [low, high] = [0, size];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((moments[middle] ?? 0) < t) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  const between = ({ from, to }: Span): Between => ({
    first: firstFrom(Math.max(0, from)),
    end: firstFrom(to),
  });
  const take = (row: number, { first, end }: Between, amount: number) => {
    for (let i = first; i < end; i++)
      free[row * size + i] = Math.max(0, (free[row * size + i] ?? 0) - amount);
  };
  const classOf = (vessel: string) =>
    classes.findIndex((c) => c.vessels.some((v) => v.id === vessel));
  for (const s of held) {
    const row = classOf(s.vessel);
    if (row < 0) continue;
    take(row, between({ from: s.from, to: s.to + p.wash }), 1);
    if (!s.inFridge) continue;
    take(places, between(s), classes[row]?.places ?? 1);
    take(litres, between(s), s.water);
  }
  classes.forEach((c, row) => {
    for (const out of c.vessels.flatMap((v) => v.out)) take(row, between(out), 1);
  });
  return { classes, moments, rows, free, between, classOf };
}

/** Where the rows begin that it takes of: its vessels, the places of the fridge, its litres. */
function rowsOf(room: Room, t: Taken): readonly [number, number, number] {
  const size = room.moments.length;
  return [t.vessel * size, (room.rows - 2) * size, (room.rows - 1) * size];
}

/** Adds what is taken to a table of uses (or takes it away again, by a negative factor). */
export function addTaken(uses: Float64Array, room: Room, t: Taken, factor: number): void {
  const [vessel, places, litres] = rowsOf(room, t);
  for (let i = t.inVessel.first; i < t.inVessel.end; i++)
    uses[vessel + i] = (uses[vessel + i] ?? 0) + factor;
  for (let i = t.inFridge.first; i < t.inFridge.end; i++) {
    uses[places + i] = (uses[places + i] ?? 0) + factor * t.places;
    uses[litres + i] = (uses[litres + i] ?? 0) + factor * t.water;
  }
}

/** True when there is room for it at every moment. */
export function fits(free: Float64Array, room: Room, t: Taken): boolean {
  const [vessel, places, litres] = rowsOf(room, t);
  for (let i = t.inVessel.first; i < t.inVessel.end; i++)
    if ((free[vessel + i] ?? 0) < 1) return false;
  for (let i = t.inFridge.first; i < t.inFridge.end; i++)
    if ((free[places + i] ?? 0) < t.places || (free[litres + i] ?? 0) < t.water) return false;
  return true;
}

/**
 * As `fits`, for a table that stays as it is while it is asked: places that are taken up are counted once, row by row, so
 * that each question is a subtraction. Litres, and what takes more than one place, are looked at moment by moment.
 */
export function fitsWithin(free: Float64Array, room: Room): (t: Taken) => boolean {
  const size = room.moments.length;
  const [places, litres] = [room.rows - 2, room.rows - 1];
  const rowLength = size + 1;
  const full = new Int32Array(room.rows * rowLength);
  let least = Infinity;
  for (let row = 0; row < room.rows; row++)
    for (let i = 0; i < size; i++) {
      const there = free[row * size + i]!;
      if (row === litres) least = Math.min(least, there);
      full[row * rowLength + i + 1] = full[row * rowLength + i]! + (there < 1 ? 1 : 0);
    }
  const isFull = (row: number, { first, end }: Between) =>
    full[row * rowLength + end]! > full[row * rowLength + first]!;
  return (t) => {
    if (isFull(t.vessel, t.inVessel) || (t.places > 0 && isFull(places, t.inFridge))) return false;
    return (t.places <= 1 && t.water <= least) || fits(free, room, t);
  };
}
