import { useMemo } from 'react';
import { type DrillFacts, drillFactsOf, drillTeasOf } from '#core/training';
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
    const teas = book.teas.flatMap(drillTeasOf);
    const vessels = shelf.vessels.filter((v) => v.siteId === site.id && !v.retired);
    return drillFactsOf({ teas, vessels, site, limits, open: site.hours?.open ?? null });
  }, [book, shelf, site, limits]);
}
