import { useMemo } from 'react';
import { measureOf } from '#core/teas';
import { drillCupsOf, type DrillFacts, weighedTeasOf } from '#core/training';
import { useSession } from '../people/session';
import { useBookQuery } from '../teas/api';
import { useVesselsQuery } from '../vessels/api';

/** The cups of this house that one can be asked about, and its weighed teas; null while they are fetched. */
export function useDrillFacts(): DrillFacts | null {
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
  const { site } = useSession();
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
    return { cups: drillCupsOf({ teas, vessels, site }), weighed: weighedTeasOf(teas) };
  }, [book, shelf, site]);
}
