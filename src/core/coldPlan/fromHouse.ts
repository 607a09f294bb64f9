import { handMoments, MINUTE_MS, siteDate, stretches } from '#core/time';
import { type EpochMs, epochMs, type Millilitres, millilitres } from '#core/units';
import {
  type ColdHouse,
  type ColdVessel,
  kindOf,
  type PlanAsked,
  type PlanService,
  servicesOf,
} from './coldHouse';
import type { Minute, PlanVessel, WeekPlan } from './problem';
import { lineOf, type WorkedFills } from './teaLine';
import { type Wanted, wantedOn } from './wanted';
import { canBeFilled, infusingPin, pinOf, standingOf } from './whatStands';

/** Hands are thought of at every half hour from opening on. */
const HAND_STEP_MINUTES = 30;
const WASH_MINUTES = 15;

const demandOf = (wanted: Wanted | undefined, services: readonly PlanService[]): number[] =>
  services.map((s) => (wanted ? (wantedOn(wanted, s.date)[s.index] ?? 0) : 0));

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
