import { createContext, type ReactNode, useContext } from 'react';
import type { Session, Site } from '#contracts/sites';

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
/** What this person reads in: their own choice, else the site's. */
export function useUnits(): Units {
  const { site, units } = useSession();
  return {
    volume: units?.volume ?? site.volumeUnit,
    temperature: units?.temperature ?? site.temperatureUnit,
  };
}
