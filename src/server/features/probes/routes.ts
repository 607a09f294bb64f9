import { addProbe, addProbeReading, endProbe, listProbes } from '#contracts/probes';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import type { LiveHub } from '../live';
import { createProbeService } from './service';

export function probeRoutes(
  on: ReturnType<typeof routes>,
  deps: Deps,
  live: Pick<LiveHub, 'nudge'>,
) {
  const probes = createProbeService(deps, live);
  on.signed(listProbes, async ({ who }) => ({ probes: await probes.all(who.siteId) }));
  on.signed(addProbe, ({ body, who }) => probes.add(body, who));
  on.signed(endProbe, ({ params, who }) => probes.end(params.id, who));
  on.keyed(addProbeReading, async ({ body, key }) => {
    const { doubt } = await probes.read(key, body);
    return { taken: doubt === null, doubt };
  });
}
