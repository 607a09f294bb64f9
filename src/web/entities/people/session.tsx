import { createContext, type ReactNode, useContext, useMemo } from 'react';
import { type HouseLimits, USUAL_HOUSE_LIMITS } from '#core/cold';
import { type SiteClock, USUAL_REGION, type Zone } from '#core/time';
import type { Session, Site } from '#contracts/sites';
import { deviceZone } from '../../ui/days';

const SessionContext = createContext<Session | null>(null);
export const SessionProvider = ({
  session,
  children,
}: {
  session: Session;
  children: ReactNode;
}) => <SessionContext value={session}>{children}</SessionContext>;

/** Who is signed in, and where. @throws outside the signed-in part of the page. */
export function useSession(): Session {
  const session = useContext(SessionContext);
  if (!session) throw new Error('nobody is signed in here');
  return session;
}
/** What somebody reads volumes and temperatures in. */
export type Units = { readonly volume: Site['volumeUnit']; readonly temperature: 'C' | 'F' };
/** The clock of the site, read as people there read it; in this device's zone until its hours are typed. */
export function useClock(): SiteClock {
  const { hours, region } = useSession().site;
  const zone = hours?.zone ?? deviceZone();
  return useMemo(() => ({ zone, region: region ?? USUAL_REGION }), [zone, region]);
}
/** The zone of the site's clock. */
export const useZone = (): Zone => useClock().zone;
/** What the site asks of cold liquor. */
export const useLimits = (): HouseLimits => useSession().site.limits ?? USUAL_HOUSE_LIMITS;
/** What this person reads in: their own choice, else the site's. */
export function useUnits(): Units {
  const { site, units } = useSession();
  return {
    volume: units?.volume ?? site.volumeUnit,
    temperature: units?.temperature ?? site.temperatureUnit,
  };
}
