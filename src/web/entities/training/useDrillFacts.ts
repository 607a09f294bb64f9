import { useMemo } from 'react';
import { type DrillFacts, drillFactsOf, drillTeasOf } from '#core/training';
import { useLimits, useSession } from '../people/session';
import { useBookQuery } from '../teas/api';
import { useVesselsQuery } from '../vessels/api';
import { useTraining } from './useTraining';

/** All that this house can be asked about; null while it is fetched. */
export function useDrillFacts(): DrillFacts | null {
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
  const { site } = useSession();
  const limits = useLimits();
  const { potGradient: gradient, isLoading } = useTraining();
  return useMemo(() => {
    if (!book || !shelf || isLoading) return null;
    const teas = book.teas.flatMap(drillTeasOf);
    const vessels = shelf.vessels.filter((v) => v.siteId === site.id && !v.retired);
    const open = site.hours?.open ?? null;
    return drillFactsOf({ teas, vessels, site, limits, open, gradient });
  }, [book, shelf, site, limits, gradient, isLoading]);
}
