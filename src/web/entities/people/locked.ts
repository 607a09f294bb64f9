import type { Session } from '#contracts/sites';
import type { Settings } from '../../platform/settings';
import { useAppSelector } from '../../platform/store';
import { useSession } from './session';

/** Nobody is signed in on this tablet, as it knows itself or as the server says: only a steep can be lifted. */
export const isLocked = (session: Session, settings: Settings): boolean =>
  settings.locked || session.lockedAs !== null;

export function useLocked(): boolean {
  const session = useSession();
  return useAppSelector((s) => isLocked(session, s.settings));
}
