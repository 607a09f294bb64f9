import { networkOf } from './line';
import { type Step } from './network';
import { fittingPath } from './paths';
import type { Minute, PlanProblem, Span, Unmet, WeekPlan } from './problem';
import { roomOf } from './room';
import { endOfBatch, pourStanding, type StandingPoured } from './standing';

/** Why glasses of a line are not there at a service: the one thing that, were it otherwise, would bring them. */
export type Reason =
  /** Leaf that goes in now is ready then at the earliest. */
  | { readonly kind: 'tooLate'; readonly ready: Minute }
  /** Nobody is there between these to begin or to lift it. */
  | { readonly kind: 'nobody'; readonly span: Span | null }
  /** Every vessel that suits stands then. */
  | { readonly kind: 'vessels'; readonly stand: readonly string[] }
  | { readonly kind: 'fridge'; readonly places: number | null }
  | { readonly kind: 'pins'; readonly pins: readonly string[] }
  /** No one thing alone. */
  | { readonly kind: 'several' };
export type UnmetBecause = Unmet & { readonly because: Reason };

const HALF_HOUR: Minute = 30;
const DAY: Minute = 24 * 60;

/** What the batches of the other lines take while this one is planned again beside them. */
function takenByOthers(p: PlanProblem, plan: WeekPlan, line: string): StandingPoured['held'] {
  return plan.batches
    .filter((b) => b.line !== line)
    .map((b) => ({
      ...{ id: b.vessel, line: b.line, vessel: b.vessel, water: b.water, glasses: 0 },
      ...{ readyAt: 0, discardAt: endOfBatch(p, b), from: b.start, to: endOfBatch(p, b) },
      inFridge: p.lines.find((l) => l.id === b.line)?.fridge !== 'never',
    }));
}
const pouredAt = (path: readonly Step[], service: number): number =>
  path
    .flatMap((s) => s.batch?.pours ?? [])
    .filter((x) => x.service === service)
    .reduce((sum, x) => sum + x.glasses, 0);

/** The line alone, planned again beside the rest of the plan: glasses it leaves unmet at each service. */
function unmetAgain(p: PlanProblem, plan: WeekPlan, line: string): number[] | null {
  const index = p.lines.findIndex((l) => l.id === line);
  const standing = pourStanding(p);
  const held = [...standing.held, ...takenByOthers(p, plan, line)];
  const room = roomOf(
    { ...p, pins: p.pins.filter((pin) => pin.line === line) },
    { ...standing, held },
  );
  const path = fittingPath(networkOf(p, room, standing, index), room, room.free, null, {
    steps: 0,
  });
  return path && p.services.map((_, j) => (standing.rest[index]?.[j] ?? 0) - pouredAt(path, j));
}
const everyHalfHour = (from: Minute, to: Minute) =>
  Array.from({ length: Math.max(0, Math.floor((to - from) / HALF_HOUR)) }, (_, i) => ({
    at: from + i * HALF_HOUR,
    preferred: false,
  }));
const sorted = (hands: PlanProblem['hands']): PlanProblem['hands'] => {
  const seen = new Map(hands.map((h) => [h.at, h] as const));
  return [...seen.values()].sort((a, b) => a.at - b.at);
};

/** The same problem with one thing relaxed. */
const RELAXED: readonly {
  readonly kind: Reason['kind'];
  readonly relax: (p: PlanProblem) => PlanProblem;
}[] = [
  {
    kind: 'tooLate',
    relax: (p) => ({ ...p, hands: sorted([...everyHalfHour(-2 * DAY, 0), ...p.hands]) }),
  },
  {
    kind: 'nobody',
    relax: (p) => ({
      ...p,
      hands: sorted([...everyHalfHour(0, p.services.at(-1)?.to ?? 0), ...p.hands]),
    }),
  },
  {
    kind: 'vessels',
    relax: (p) => ({
      ...p,
      vessels: [
        ...p.vessels,
        ...Object.keys(p.kinds).flatMap((kind) =>
          [1, 2, 3, 4].map((n) => ({ id: `more ${kind} ${n}`, kind, out: [] })),
        ),
      ],
    }),
  },
  { kind: 'fridge', relax: (p) => ({ ...p, fridge: { places: null, water: null } }) },
  // What infuses already stays.
  { kind: 'pins', relax: (p) => ({ ...p, pins: p.pins.filter((pin) => pin.start < 0) }) },
];

/** Hours around a service in which nobody is there. */
function closedBefore(p: PlanProblem, at: Minute): Span | null {
  const gaps = p.hands.flatMap((h, i): Span[] => {
    const before = i === 0 ? null : p.hands[i - 1];
    return before && h.at - before.at > 2 * HALF_HOUR ? [{ from: before.at, to: h.at }] : [];
  });
  return gaps.filter((g) => g.from < at).at(-1) ?? null;
}

/** Glasses that a line leaves unmet with one thing relaxed: worked out once for all its services. */
function relaxedUnmet(p: PlanProblem, plan: WeekPlan) {
  const known = new Map<string, number[] | null>();
  const letGo: WeekPlan = {
    ...plan,
    batches: plan.batches.filter((b) => b.pin === null || b.start < 0),
  };
  return ({ kind, relax }: (typeof RELAXED)[number], line: string): number[] | null => {
    const key = `${kind} ${line}`;
    const there = known.get(key);
    if (there !== undefined) return there;
    const unmet = unmetAgain(relax(p), kind === 'pins' ? letGo : plan, line);
    known.set(key, unmet);
    return unmet;
  };
}

function reasonFor(
  p: PlanProblem,
  plan: WeekPlan,
  u: Unmet,
  unmetWith: ReturnType<typeof relaxedUnmet>,
): Reason {
  const line = p.lines.find((l) => l.id === u.line);
  const from = p.services[u.service]?.from ?? 0;
  const ready = (p.hands[0]?.at ?? 0) + (line?.earliest ?? 0) + (line?.chill ?? 0);
  const found = RELAXED.find(
    (relaxed) =>
      // What could be ready in time is not too late.
      !(relaxed.kind === 'tooLate' && ready <= from) &&
      unmetWith(relaxed, u.line)?.[u.service] === 0,
  );
  switch (found?.kind) {
    case 'tooLate':
      return { kind: 'tooLate', ready };
    case 'nobody':
      return { kind: 'nobody', span: closedBefore(p, from) };
    case 'vessels':
      return { kind: 'vessels', stand: standAt(p, plan, from) };
    case 'fridge':
      return { kind: 'fridge', places: p.fridge.places };
    case 'pins':
      return { kind: 'pins', pins: p.pins.filter((x) => x.start >= 0).map((x) => x.id) };
    default:
      return { kind: 'several' };
  }
}
/** Vessels that stand at a moment. */
function standAt(p: PlanProblem, plan: WeekPlan, at: Minute): string[] {
  const planned = plan.batches
    .filter((b) => b.start <= at && at < endOfBatch(p, b))
    .map((b) => b.vessel);
  const held = pourStanding(p)
    .held.filter((h) => at < h.to)
    .map((h) => h.vessel);
  return [...new Set([...held, ...planned])].sort();
}

/** Why each glass that is not there is not there: one thing at a time is relaxed, the first that brings it is said. */
export function reasonsOf(p: PlanProblem, plan: WeekPlan): UnmetBecause[] {
  const unmetWith = relaxedUnmet(p, plan);
  return plan.unmet.map((u) => ({ ...u, because: reasonFor(p, plan, u, unmetWith) }));
}
