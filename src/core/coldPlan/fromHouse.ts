import { type BatchNow, type BatchPlan, type HouseLimits, placeOf, planBatch } from '#core/cold';
import type { Method, Recipe, TeaFacts } from '#core/recipes';
import {
  daysAfter,
  handMoments,
  MINUTE_MS,
  type SiteDate,
  siteDate,
  type SiteWeek,
  stretches,
  type Zone,
} from '#core/time';
import { type Celsius, type EpochMs, epochMs, type Millilitres, millilitres } from '#core/units';
import type { VesselFacts } from '#core/vessels';
import type {
  Minute,
  Pin,
  PlanFill,
  PlanLine,
  PlanProblem,
  PlanVessel,
  Standing,
  WeekPlan,
} from './problem';
import { type Wanted, wantedOn } from './wanted';

/** Hands are thought of at every half hour from opening on. */
const HAND_STEP_MINUTES = 30;
const WASH_MINUTES = 15;
/** Shares of the full mark that are filled. */
const FILLS = [0.5, 0.75, 1];

/** Tea and method as one word, and back. */
export const coldTeaId = (teaId: string, method: Method): string => `${teaId} ${method}`;
export function coldTeaOf(id: string): { teaId: string; method: Method } {
  const [teaId = '', method = 'fridge'] = id.split(' ') as [string, Method];
  return { teaId, method };
}

/** A cold tea that may be planned: as its house recipe stands. */
export type ColdTea = {
  /** See `coldTeaId`. */
  readonly id: string;
  readonly tea: TeaFacts;
  readonly recipe: Recipe;
  readonly method: Method;
  /** Liquor of it in one glass: the whole glass, or an extract's part. */
  readonly serving: Millilitres;
};
export type ColdVessel = VesselFacts & { readonly id: string };
/** A batch that stands, as far as a plan cares. */
export type StandingBatch = {
  readonly id: string;
  readonly coldTea: string;
  readonly vesselId: string;
  readonly plan: BatchPlan;
  readonly now: BatchNow;
  readonly window: { readonly earliest: EpochMs; readonly best: EpochMs; readonly latest: EpochMs };
  readonly ready: EpochMs | null;
  readonly discardAt: EpochMs;
};
/** A batch that is to be begun, put there by hand. */
export type PinnedBatch = {
  readonly id: string;
  readonly coldTea: string;
  readonly vesselId: string;
  readonly water: Millilitres;
  readonly start: EpochMs;
  readonly lift: EpochMs;
};
/** What a week of a site is planned from. */
export type ColdHouse = {
  readonly now: EpochMs;
  readonly zone: Zone;
  readonly week: SiteWeek;
  readonly days: number;
  readonly teas: readonly ColdTea[];
  readonly vessels: readonly ColdVessel[];
  /** Pitchers the fridge has room for; null: as many as there are. */
  readonly places: number | null;
  readonly air: Celsius;
  readonly ambient: Celsius;
  readonly waterAt: Celsius;
  readonly limits: HouseLimits;
  readonly standing: readonly StandingBatch[];
  readonly pinned: readonly PinnedBatch[];
  /** Vessels that are not to be had for a while. */
  readonly leftFree: readonly {
    readonly vesselId: string;
    readonly from: EpochMs;
    readonly to: EpochMs;
  }[];
  /** The plan before: of plans that are as good as each other the one that has most of it is taken. */
  readonly before: readonly {
    readonly coldTea: string;
    readonly vesselId: string;
    readonly start: EpochMs;
    readonly lift: EpochMs;
  }[];
  /** What is wanted of each tea, by its `coldTeaId`; of one that is not there nothing is. */
  readonly wanted: Readonly<Record<string, Wanted>>;
};

/** One service of the plan: the day it begins on, and which of that day it is. */
export type PlanService = {
  readonly date: SiteDate;
  readonly index: number;
  readonly from: EpochMs;
  readonly to: EpochMs;
};
export type PlanAsked = {
  readonly problem: PlanProblem;
  readonly begins: EpochMs;
  readonly services: readonly PlanService[];
};

/** The services of the days from `date` on, in order, numbered within each day. */
export function servicesOf(
  zone: Zone,
  week: SiteWeek,
  date: SiteDate,
  days: number,
): PlanService[] {
  const counted = new Map<SiteDate, number>();
  return stretches(zone, week, 'services', date, days).map((s) => {
    const day = siteDate(zone, s.from);
    const index = counted.get(day) ?? 0;
    counted.set(day, index + 1);
    return { date: day, index, from: s.from, to: s.to };
  });
}

/** Vessels are of a kind when the same fills come out the same in them. */
const kindOf = (v: ColdVessel): string =>
  [v.kind, v.mark, v.brim, v.material, v.basket, v.dead ?? 0, v.lid].join(' ');

/**
 * Fills that were worked out before, by tea, kind of vessel and water; null where the leaf is not covered. To be kept as
 * long as recipes, vessels, fridge, water and limits are the same: what is wanted does not matter.
 */
export type WorkedFills = Map<string, BatchPlan | null>;

/** The fills of a tea in one kind of vessel, each worked out; none where its leaf is not covered. */
function fillsIn(house: ColdHouse, tea: ColdTea, vessel: ColdVessel, worked: WorkedFills) {
  return FILLS.flatMap((share) => {
    const water = millilitres(Math.round((vessel.mark * share) / 10) * 10);
    const key = `${tea.id} ${kindOf(vessel)} ${water}`;
    let plan = worked.get(key);
    if (plan === undefined) {
      const found = planBatch({ ...house, ...tea, vessel, water });
      plan = found.kind === 'plan' ? found.plan : null;
      worked.set(key, plan);
    }
    const glasses = plan ? Math.floor(plan.liquor / tea.serving) : 0;
    return plan && glasses > 0 ? [{ plan, fill: { water, glasses } }] : [];
  });
}
const minutesOf = (seconds: number): Minute => Math.round(seconds / 60);

/** One tea as a line: its hours are those that are right in every vessel it may be in. */
function lineOf(
  house: ColdHouse,
  tea: ColdTea,
  kinds: ReadonlyMap<string, ColdVessel>,
  asked: { demand: readonly number[]; own: readonly StandingBatch[]; fills: WorkedFills },
): PlanLine {
  const worked = [...kinds].map(([kind, vessel]) => ({
    kind,
    fills: fillsIn(house, tea, vessel, asked.fills),
  }));
  const plans = worked.flatMap((w) => w.fills.map((f) => f.plan));
  const { window } = tea.recipe;
  const each = (of: (p: BatchPlan) => number, pick: (...xs: number[]) => number, usual: number) =>
    plans.length > 0 ? minutesOf(pick(...plans.map(of))) : minutesOf(usual);
  const earliest = each((p) => p.window.earliest, Math.max, window.earliest);
  const latest = Math.max(
    earliest,
    each((p) => p.window.latest, Math.min, window.latest),
  );
  const best = Math.min(
    latest,
    Math.max(
      earliest,
      each((p) => p.window.best, Math.max, window.best),
    ),
  );
  const cold = each((p) => p.coldAfter ?? 0, Math.max, 0);
  const keepHours = Math.min(house.limits.keepHours, ...plans.map((p) => p.keeping.keepHours));
  const fills = new Map<string, PlanFill[]>(
    worked.map((w) => [w.kind, w.fills.map((f) => f.fill)] as const),
  );
  // What is in already is a fill of its own.
  for (const batch of asked.own.filter((b) => b.now.state.kind === 'infusing')) {
    const vessel = house.vessels.find((v) => v.id === batch.vesselId);
    if (!vessel) continue;
    const there = fills.get(kindOf(vessel)) ?? [];
    const { water, liquor } = batch.plan;
    if (there.some((f) => f.water === water)) continue;
    const glasses = Math.max(1, Math.floor(liquor / tea.serving));
    fills.set(kindOf(vessel), [...there, { water, glasses }]);
  }
  return {
    id: tea.id,
    serving: Math.round(tea.serving),
    earliest,
    latest,
    goodFrom: Math.round((earliest + best) / 2),
    goodTo: Math.round((best + latest) / 2),
    chill: Math.max(0, cold - earliest),
    keep: keepHours * 60,
    keepFrom: 'lift',
    fresh: (keepHours * 60) / 2,
    fridge: 'all',
    fills: Object.fromEntries(fills),
    demand: asked.demand,
  };
}

const demandOf = (wanted: Wanted | undefined, services: readonly PlanService[]): number[] =>
  services.map((s) => (wanted ? (wantedOn(wanted, s.date)[s.index] ?? 0) : 0));

/** The hand moment nearest to a time, of those within a stretch; the time itself where nobody is there. */
function handNear(hands: readonly Minute[], at: Minute, from: Minute, to: Minute): Minute {
  const within = hands.filter((h) => h >= from && h <= to);
  const nearest = within.sort((a, b) => Math.abs(a - at) - Math.abs(b - at))[0];
  return nearest ?? Math.max(0, at);
}

/**
 * A week of a site as a problem: its hands and services from now on, its teas as lines, its pitchers, what stands, and
 * what was put there by hand. Minutes are counted from the last whole one before now.
 */
export function problemOf(house: ColdHouse, known: WorkedFills = new Map()): PlanAsked {
  const { now, zone, week, days } = house;
  const begins = epochMs(Math.floor(now / MINUTE_MS) * MINUTE_MS);
  const minute = (at: number): Minute => Math.round((at - begins) / MINUTE_MS);
  const date = siteDate(zone, begins);
  const moments = handMoments(zone, week, {
    ...{ now: begins, from: date, days, stepMinutes: HAND_STEP_MINUTES },
  }).map((h) => ({ at: minute(h.at), preferred: h.preferred }));
  // Somebody is there now, between two of those.
  const isOpen = stretches(zone, week, 'open', date, 1).some((s) => s.from <= now && now <= s.to);
  const hands =
    isOpen && moments[0]?.at !== 0
      ? [{ at: 0, preferred: moments[0]?.preferred ?? false }, ...moments]
      : moments;
  const services = servicesOf(zone, week, date, days).filter((s) => s.from >= begins);

  const kinds = new Map<string, ColdVessel>();
  for (const v of house.vessels) if (!kinds.has(kindOf(v))) kinds.set(kindOf(v), v);
  const lines = house.teas.map((tea) =>
    lineOf(house, tea, kinds, {
      demand: demandOf(house.wanted[tea.id], services),
      own: house.standing.filter((b) => b.coldTea === tea.id),
      fills: known,
    }),
  );
  const vessels: PlanVessel[] = house.vessels.map((v) => ({
    id: v.id,
    kind: kindOf(v),
    out: house.leftFree
      .filter((o) => o.vesselId === v.id && o.to > begins)
      .map((o) => ({ from: minute(o.from), to: minute(o.to) })),
  }));
  const here = house.standing.filter((b) => house.vessels.some((v) => v.id === b.vesselId));
  const moment = hands.map((h) => h.at);
  return {
    begins,
    services,
    problem: {
      wash: WASH_MINUTES,
      fridge: { places: house.places, water: null },
      hands,
      services: services.map((s) => ({ from: minute(s.from), to: minute(s.to) })),
      kinds: Object.fromEntries([...kinds.keys()].map((kind) => [kind, { places: 1 }])),
      vessels,
      lines,
      standing: here.flatMap((b) => standingOf(house, b, minute)),
      pins: [
        ...here.flatMap((b) => infusingPin(b, lines, moment, minute)),
        ...house.pinned.filter((p) => canBeFilled(house, p, lines)).map((p) => pinOf(p, minute)),
      ],
      before: house.before.map((b) => ({
        line: b.coldTea,
        vessel: b.vesselId,
        start: minute(b.start),
        lift: minute(b.lift),
      })),
    },
  };
}

function standingOf(
  house: ColdHouse,
  b: StandingBatch,
  minute: (at: number) => Minute,
): Standing[] {
  if (b.now.state.kind !== 'drawn') return [];
  const serving = house.teas.find((t) => t.id === b.coldTea)?.serving;
  const { left } = b.now.ledger;
  return [
    {
      id: b.id,
      line: b.coldTea,
      vessel: b.vesselId,
      glasses: serving ? Math.floor(left / serving) : 0,
      water: b.plan.water,
      readyAt: minute(b.ready ?? b.now.state.lifted),
      discardAt: minute(b.discardAt),
      inFridge: placeOf(b.plan, b.now) === 'fridge',
    },
  ];
}
function infusingPin(
  b: StandingBatch,
  lines: readonly PlanLine[],
  hands: readonly Minute[],
  minute: (at: number) => Minute,
): Pin[] {
  const { state } = b.now;
  if (state.kind !== 'infusing' || !lines.some((l) => l.id === b.coldTea)) return [];
  const [from, best, to] = [b.window.earliest, b.window.best, b.window.latest].map(minute) as [
    Minute,
    Minute,
    Minute,
  ];
  const start = Math.min(minute(state.leafIn), -1);
  // Past its window: at the next hand.
  const lift = handNear(hands, best, Math.max(0, from), Math.max(to, hands[0] ?? 0));
  return [{ id: b.id, line: b.coldTea, vessel: b.vesselId, water: b.plan.water, start, lift }];
}
/** False once its pitcher or its recipe has changed so that there is no such fill any more: it is planned anew. */
function canBeFilled(house: ColdHouse, p: PinnedBatch, lines: readonly PlanLine[]): boolean {
  const vessel = house.vessels.find((v) => v.id === p.vesselId);
  const fills = vessel && lines.find((l) => l.id === p.coldTea)?.fills[kindOf(vessel)];
  return fills?.some((f) => f.water === p.water) ?? false;
}
/** One whose start has gone by is begun now, for as long as it was to steep. */
function pinOf(p: PinnedBatch, minute: (at: number) => Minute): Pin {
  const start = Math.max(0, minute(p.start));
  const late = start - minute(p.start);
  return {
    id: p.id,
    line: p.coldTea,
    vessel: p.vesselId,
    water: p.water,
    start,
    lift: minute(p.lift) + late,
  };
}
/** The days that a plan covers whose first day is `first`. */
export const planDays = (first: SiteDate, days: number): SiteDate[] =>
  Array.from({ length: days }, (_, i) => daysAfter(first, i));

/** A batch of a plan by what it is, at its instants. */
export type ToBegin = {
  readonly pin: string | null;
  readonly coldTea: string;
  readonly vesselId: string;
  readonly water: Millilitres;
  readonly glasses: number;
  readonly start: EpochMs;
  readonly lift: EpochMs;
  /** Poured until then; null: for nobody. */
  readonly until: EpochMs | null;
};
/** The batches that are to be begun: what infuses already is none of them. */
export const batchesToBegin = (plan: WeekPlan, { begins, services }: PlanAsked): ToBegin[] => {
  const moment = (minute: Minute) => epochMs(begins + minute * MINUTE_MS);
  return plan.batches
    .filter((b) => b.start >= 0)
    .map((b) => {
      const last = b.pours.at(-1);
      return {
        ...{ pin: b.pin, coldTea: b.line, vesselId: b.vessel },
        ...{ water: millilitres(b.water), glasses: b.glasses },
        start: moment(b.start),
        lift: moment(b.lift),
        until: last ? (services[last.service]?.to ?? null) : null,
      };
    });
};
