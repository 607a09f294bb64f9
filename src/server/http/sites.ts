import { AppError } from './errors';
import type { Signed } from './route';

/** Who does something at a site works there. A locked tablet does so at its own. @throws 403 */
export function mustWorkAt(who: Signed, siteId: string): void {
  const at = who.lockedAs === null ? who.siteIds : [who.siteId];
  if (!at.includes(siteId))
    throw new AppError('session.forbidden', 403, 'Only people who work at that site can do this.');
}
/** What happens at a site is read by its people; a lead reads across. @throws 403 */
export function mayRead(who: Signed, siteId: string): void {
  if (who.role !== 'lead') mustWorkAt(who, siteId);
}
/** A site's shelf is looked after by its people; a lead looks after every one. @throws 403 */
export function mayTend(who: Signed, siteId: string): void {
  if (who.role !== 'lead') mustWorkAt(who, siteId);
}
/** The site a list is of: the one that is asked for, or where somebody is who may not read across. @throws 403 */
export function siteRead(who: Signed, siteId: string | undefined): string | undefined {
  if (siteId !== undefined) mayRead(who, siteId);
  return siteId ?? (who.role === 'lead' ? undefined : who.siteId);
}
