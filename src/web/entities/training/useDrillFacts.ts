import { useMemo } from 'react';
import { isCold } from '#core/recipes';
import { measureOf } from '#core/teas';
import { type DrillFacts, drillFactsOf } from '#core/training';
import { useLimits, useSession } from '../people/session';
import { useBookQuery } from '../teas/api';
import { useVesselsQuery } from '../vessels/api';

/** All that this house can be asked about; null while it is fetched. */
export function useDrillFacts(): DrillFacts | null {
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
  const { site } = useSession();
  const limits = useLimits();
  return useMemo(() => {
    if (!book || !shelf) return null;
    const teas = book.teas
      .filter((tea) => !tea.retired)
      .flatMap((tea) => {
        const { style, fitted, name } = tea;
        const facts = { name, style, fitted, ...measureOf(tea) };
        const hot = tea.house ? [{ ...facts, method: tea.method, recipe: tea.house.recipe }] : [];
        const cold = tea.recipes.flatMap(({ method, house }) =>
          house && isCold(method) ? [{ ...facts, method, recipe: house.recipe }] : [],
        );
        return [...hot, ...cold];
      });
    const vessels = shelf.vessels.filter((v) => v.siteId === site.id && !v.retired);
    return drillFactsOf({ teas, vessels, site, limits, open: site.hours?.open ?? null });
  }, [book, shelf, site, limits]);
}
