import {
  batchesToBegin,
  coldTeaId,
  coldTeaOf,
  partedAsBefore,
  type PlanAsked,
  type PlanService,
  servicesOf,
  wantedOn,
  type WeekPlan,
} from '#core/coldPlan';
import { type SiteDate, type SiteWeek, weekdayOf, type Zone } from '#core/time';
import { type EpochMs, epochMs, type Millilitres } from '#core/units';
import type { ColdDemand, ColdPlan, LeftFree, PlannedCold } from '#contracts/coldPlans';
import { type Plannable, USUAL_GLASS } from '../../../entities/batches/coldTeas';

/** What is typed holds for that date alone, or for its weekday every week. */
export type Scope = 'date' | 'weekly';
export type PlanDraft = Pick<ColdPlan, 'demand' | 'batches' | 'places' | 'leftFree'>;
const NEWEST_PARTS = { leftFree: [] };
/** A plan to be changed. What a tablet kept of it may be older than its newest parts. */
export const draftOf = (plan: PlanDraft): PlanDraft => ({ ...NEWEST_PARTS, ...plan });
export type DraftAct =
  | { readonly kind: 'added'; readonly tea: Plannable }
  | { readonly kind: 'removed'; readonly coldTea: string }
  | { readonly kind: 'glass'; readonly coldTea: string; readonly glass: Millilitres }
  | {
      readonly kind: 'wanted';
      readonly coldTea: string;
      readonly date: SiteDate;
      readonly scope: Scope;
      /** Service by service. */
      readonly glasses: readonly number[];
    }
  | { readonly kind: 'places'; readonly places: number | null }
  | { readonly kind: 'pinned'; readonly batch: PlannedCold }
  | { readonly kind: 'unpinned'; readonly id: string }
  /** A batch is not made: its pitcher stays free. */
  | { readonly kind: 'leftFree'; readonly batch: string | null; readonly span: LeftFree }
  | { readonly kind: 'usedAgain'; readonly span: LeftFree };

export const demandId = (d: ColdDemand): string => coldTeaId(d.teaId, d.method);
const newDemand = (tea: Plannable): ColdDemand => ({
  ...{ teaId: tea.teaId, method: tea.method, glass: USUAL_GLASS },
  week: Array.from({ length: 7 }, () => []),
  days: {},
});
function wantedAfter(d: ColdDemand, act: Extract<DraftAct, { kind: 'wanted' }>): ColdDemand {
  const glasses = [...act.glasses];
  if (act.scope === 'date') return { ...d, days: { ...d.days, [act.date]: glasses } };
  const { [act.date]: _, ...days } = d.days;
  const weekday = weekdayOf(act.date);
  return { ...d, days, week: d.week.map((w, i) => (i === weekday ? glasses : w)) };
}

/** The draft after one act of somebody's. */
export function draftAfter(draft: PlanDraft, act: DraftAct): PlanDraft {
  const ofTea = (change: (d: ColdDemand) => ColdDemand, coldTea: string): PlanDraft => ({
    ...draft,
    demand: draft.demand.map((d) => (demandId(d) === coldTea ? change(d) : d)),
  });
  switch (act.kind) {
    case 'added':
      return draft.demand.some((d) => demandId(d) === act.tea.id)
        ? draft
        : { ...draft, demand: [...draft.demand, newDemand(act.tea)] };
    case 'removed':
      return {
        ...draft,
        demand: draft.demand.filter((d) => demandId(d) !== act.coldTea),
        batches: draft.batches.filter((b) => coldTeaId(b.teaId, b.method) !== act.coldTea),
      };
    case 'glass':
      return ofTea((d) => ({ ...d, glass: act.glass }), act.coldTea);
    case 'wanted':
      return ofTea((d) => wantedAfter(d, act), act.coldTea);
    case 'places':
      return { ...draft, places: act.places };
    case 'pinned':
      return {
        ...draft,
        batches: [
          ...draft.batches.filter((b) => b.id !== act.batch.id),
          { ...act.batch, pinned: true },
        ],
      };
    case 'leftFree':
      return {
        ...draft,
        batches: draft.batches.filter((b) => b.id !== act.batch),
        leftFree: [...draft.leftFree, act.span],
      };
    case 'usedAgain':
      return { ...draft, leftFree: draft.leftFree.filter((o) => o !== act.span) };
    case 'unpinned':
      return { ...draft, batches: draft.batches.filter((b) => b.id !== act.id) };
  }
}

/** The services of one day, and glasses of that day parted among them as they were parted before. */
export const dayServices = (zone: Zone, week: SiteWeek, date: SiteDate): PlanService[] =>
  servicesOf(zone, week, date, 1).filter((s) => s.date === date);
export const partedDay = (
  d: ColdDemand,
  site: { readonly zone: Zone; readonly week: SiteWeek },
  date: SiteDate,
  glasses: number,
): number[] => partedAsBefore(glasses, dayServices(site.zone, site.week, date), wantedOn(d, date));

/** The batches of a plan that are to be begun; the id of one that was planned before is kept. */
export const batchesOfPlan = (
  plan: WeekPlan,
  asked: PlanAsked,
  known: readonly PlannedCold[],
  newId: () => string,
): PlannedCold[] =>
  batchesToBegin(plan, asked).map(({ pin, coldTea, ...b }) => {
    const { teaId, method } = coldTeaOf(coldTea);
    const same = known.find(
      (k) =>
        k.id === pin || (k.teaId === teaId && k.vesselId === b.vesselId && k.start === b.start),
    );
    return { ...b, teaId, method, id: same?.id ?? newId(), pinned: pin !== null };
  });

export const instantOf = (asked: PlanAsked, minute: number): EpochMs =>
  epochMs(asked.begins + minute * 60_000);
