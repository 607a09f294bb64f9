import { useMemo } from 'react';
import { houseKettle } from '#core/heat';
import type { ChosenKettle } from '../brews/starts';
import { useSession } from '../people/session';
import { useKettlesQuery } from './api';

const NONE: readonly ChosenKettle[] = [];
/** The site's kettles as a pour reckons with them, and the usual one among them. */
export function useSiteKettles(): {
  readonly kettles: readonly ChosenKettle[];
  readonly usual: ChosenKettle | null;
  /** Not read yet, and nothing of them is kept on this device. */
  readonly isLoading: boolean;
} {
  const { site } = useSession();
  const { data, isLoading } = useKettlesQuery();
  const kettles = useMemo(
    () =>
      data?.kettles
        .filter((k) => k.siteId === site.id && !k.retired)
        .map((k) => ({ ...houseKettle(k), id: k.id })) ?? NONE,
    [data, site.id],
  );
  const usual = kettles.find((k) => k.name === site.kettle.name) ?? null;
  return { kettles, usual, isLoading };
}
