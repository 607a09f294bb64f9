import { useMemo } from 'react';
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
    const teas = book.teas.flatMap((tea) => {
      const recipe = tea.house?.recipe;
      const { style, fitted, name, method } = tea;
      return tea.retired || !recipe
        ? []
        : [{ name, method, recipe, style, fitted, ...measureOf(tea) }];
    });
    const vessels = shelf.vessels.filter(
      (v) => v.siteId === site.id && !v.retired && v.kind !== 'pitcher',
    );
    return drillFactsOf({ teas, vessels, site, limits });
  }, [book, shelf, site, limits]);
}
