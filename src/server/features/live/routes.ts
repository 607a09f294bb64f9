import { getLive } from '#contracts/live';
import type { ReadSession, routes } from '../../http/route';
import type { LiveHub } from './hub';

export function liveRoutes(on: ReturnType<typeof routes>, hub: LiveHub, readSession: ReadSession) {
  on.stream(getLive, async ({ query, req, res, who }) => {
    const heard = Number(req.headers['last-event-id'] ?? query.after ?? NaN);
    await hub.join(
      who.siteId,
      Number.isFinite(heard) ? heard : null,
      res,
      async () => (await readSession(req)) !== null,
      who.lockedAs ?? who.name,
    );
  });
}
