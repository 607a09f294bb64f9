import { useMemo } from 'react';
import { type Seconds, seconds } from '#core/units';
import type { PlannedCold } from '#contracts/coldPlans';
import type { Tea } from '#contracts/teas';
import { useColdPlanQuery } from '../../entities/batches/api';
import { useCold } from '../../entities/batches/useCold';
import { useBookQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';

/** A batch that is to be begun, with what is said of it. */
export type PlannedHere = PlannedCold & {
  readonly teaName: string;
  readonly style: Tea['style'];
  readonly vesselName: string;
  /** How long its leaf takes at least, by the house recipe. */
  readonly earliest: Seconds;
};
/** So many are shown beside what stands; the rest is on the plan's own page. */
const SHOWN = 8;

/** The next batches of the kept plan, by when their leaf goes in; none where the plan is out of reach. */
export function usePlanned(): { readonly planned: PlannedHere[]; readonly isLoading: boolean } {
  const { data, isLoading } = useColdPlanQuery();
  const book = useBookQuery();
  const shelf = useVesselsQuery();
  const { batches } = useCold();
  const planned = useMemo(() => {
    const begun = new Set(batches.map((b) => b.id));
    return (data?.plan.batches ?? [])
      .filter((b) => !begun.has(b.id))
      .flatMap((b): PlannedHere[] => {
        const tea = book.data?.teas.find((t) => t.id === b.teaId);
        const vessel = shelf.data?.vessels.find((v) => v.id === b.vesselId);
        if (!tea || !vessel) return [];
        const recipe = tea.recipes.find((r) => r.method === b.method)?.house?.recipe;
        const earliest = recipe?.window.earliest ?? seconds(0);
        return [{ ...b, teaName: tea.name, style: tea.style, vesselName: vessel.name, earliest }];
      })
      .sort((a, b) => a.start - b.start)
      .slice(0, SHOWN);
  }, [data, book.data, shelf.data, batches]);
  return { planned, isLoading: isLoading || book.isLoading || shelf.isLoading };
}
/** Where its leaf is put in: the start card with all of it chosen. */
export const startPathOf = (b: PlannedCold): string =>
  `/cold/start?${new URLSearchParams({
    tea: b.teaId,
    method: b.method,
    vessel: b.vesselId,
    water: String(b.water),
    planned: b.id,
  }).toString()}`;
