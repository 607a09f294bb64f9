import { vesselFaults } from '#core/vessels';
import { ExchangeVessel } from '#contracts/exchange';
import { type VesselRecord, vesselRecord } from '../records';
import { at, brief, type JsonPlan } from './plan';

/** Reads the vessels; their sites are named, and must be here. */
export function readVessels(plan: JsonPlan, list: readonly unknown[]): void {
  list.forEach((given, i) => {
    const v = plan.entry(ExchangeVessel, given, i, 'vessels');
    if (!v) return;
    if (plan.isTwice(i + 1, 'vessels.id', v.id)) return;
    const { id, site: siteName, retired, ...fields } = v;
    const site = plan.here.sites.find((s) => s.name === siteName);
    if (!site)
      return plan.refuse(
        i + 1,
        'vessels.site',
        siteName,
        `No site of this name: here are ${plan.here.sites.map((s) => s.name).join(', ')}.`,
      );
    const wrong = Object.entries(vesselFaults(fields))[0];
    if (wrong)
      return plan.refuse(i + 1, `vessels.${wrong[0]}`, brief(at(fields, [wrong[0]])), wrong[1]);
    const found = plan.here.vessels.find((x) => x.id === id);
    plan.put<VesselRecord>(
      'vessel',
      i + 1,
      id,
      v.name,
      found ? { rev: found.rev, record: vesselRecord(found) } : null,
      { ...fields, retired, siteId: site.id },
    );
  });
}
