import { useMemo } from 'react';
import { type ColdHouse, coldTeaId } from '#core/coldPlan';
import { type EpochMs, epochMs, type Millilitres } from '#core/units';
import { type Plannable, plannableOf } from '../../../entities/batches/coldTeas';
import { useCold } from '../../../entities/batches/useCold';
import { useLimits, useSession } from '../../../entities/people/session';
import { useBookQuery } from '../../../entities/teas/api';
import { useVesselsQuery } from '../../../entities/vessels/api';
import type { PlanDraft } from './draft';

export const PLAN_DAYS = 7;
/** What is planned begins with a minute that is this old at most, so that it does not change at every drawing. */
const STEP_MS = 5 * 60_000;

/** What a draft asks of this site now: its teas, and what a week is planned from; null: not yet. */
export function usePlanHouse(draft: PlanDraft, at: EpochMs) {
  const { site } = useSession();
  const book = useBookQuery();
  const shelf = useVesselsQuery();
  const cold = useCold();
  const now = epochMs(Math.floor(at / STEP_MS) * STEP_MS);
  const { demand } = draft;
  // The same teas as long as no glass changes its size: a typed figure draws its own row, and no other.
  const sizes = JSON.stringify(demand.map((d) => [coldTeaId(d.teaId, d.method), d.glass]));
  const teas = useMemo(() => {
    const glassOf = new Map(JSON.parse(sizes) as [string, Millilitres][]);
    return plannableOf(book.data?.teas ?? [], (id) => glassOf.get(id));
  }, [book.data, sizes]);
  const { standing, fridge } = cold;
  const limits = useLimits();
  const { hours, ambient, coldWater } = site;
  const vessels = useMemo(
    () =>
      (shelf.data?.vessels ?? []).filter(
        (v) => v.siteId === site.id && !v.retired && v.kind === 'pitcher',
      ),
    [shelf.data, site.id],
  );
  const house = useMemo((): ColdHouse | null => {
    if (!hours || !shelf.data || !book.data || cold.isLoading) return null;
    const byId = new Map(draft.demand.map((d) => [coldTeaId(d.teaId, d.method), d] as const));
    const isOf = (t: Plannable) =>
      byId.has(t.id) || standing.some((b) => coldTeaId(b.tea.id, b.plan.method) === t.id);
    return {
      ...{ now, zone: hours.zone, week: hours, days: PLAN_DAYS },
      teas: teas.filter(isOf),
      vessels,
      places: draft.places,
      ...{ air: fridge, ambient, waterAt: coldWater, limits },
      standing: standing.map((b) => ({
        ...b,
        coldTea: coldTeaId(b.tea.id, b.plan.method),
        discardAt: b.kept.discardAt,
      })),
      pinned: draft.batches
        .filter((b) => b.pinned && vessels.some((v) => v.id === b.vesselId))
        .filter((b) => byId.has(coldTeaId(b.teaId, b.method)))
        .map((b) => ({
          ...b,
          coldTea: coldTeaId(b.teaId, b.method),
          start: epochMs(b.start),
          lift: epochMs(b.lift),
        })),
      leftFree: draft.leftFree.map((o) => ({
        vesselId: o.vesselId,
        from: epochMs(o.from),
        to: epochMs(o.to),
      })),
      before: draft.batches.map((b) => ({
        coldTea: coldTeaId(b.teaId, b.method),
        vesselId: b.vesselId,
        start: epochMs(b.start),
        lift: epochMs(b.lift),
      })),
      wanted: Object.fromEntries(byId),
    };
  }, [
    draft,
    hours,
    shelf.data,
    book.data,
    cold.isLoading,
    standing,
    now,
    teas,
    vessels,
    fridge,
    ambient,
    coldWater,
    limits,
  ]);
  return {
    isLoading: book.isLoading || shelf.isLoading || cold.isLoading,
    teas,
    vessels,
    house,
  };
}
