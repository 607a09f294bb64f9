import { sql } from 'drizzle-orm';
import type { LogQuery } from '#contracts/log';
import type { Tx } from '../../db/pool';
import { people, sites, teas, vessels } from '../../db/schema';

/** How many of each the house has: the more there are, the fewer brews each has. */
export type HouseSize = {
  readonly sites: number;
  readonly teas: number;
  readonly vessels: number;
  readonly people: number;
};
export async function houseSize(tx: Tx): Promise<HouseSize> {
  const all = (table: typeof sites | typeof teas | typeof vessels | typeof people) =>
    sql<number>`(select count(*) from ${table})`;
  const [found] = await tx
    .select({ sites: all(sites), teas: all(teas), vessels: all(vessels), people: all(people) })
    .from(sql`(select 1) as one`);
  return found ?? { sites: 1, teas: 1, vessels: 1, people: 1 };
}

/** One of so many has about so many of a thousand brews; nothing while none is asked for. */
const oneOf = (asked: string | undefined, many: number): number | undefined =>
  asked === undefined ? undefined : 1000 / Math.max(1, many);
type Share = (q: Partial<LogQuery>, size: HouseSize) => number | undefined;
const byName =
  (
    shares: Readonly<Record<string, number>>,
    given: (q: Partial<LogQuery>) => string | undefined,
  ): Share =>
  (q) =>
    shares[given(q) ?? ''];
const METHOD_SHARES: Readonly<Record<string, number>> = {
  tastingSet: 15,
  liddedCup: 17,
  release: 100,
  infuserCup: 310,
};
/**
 * How many of a thousand brews each filter lets through, about: counted in the demo where it says what people did, and
 * by the size of the house otherwise. `undefined`: the filter is not asked for, or lets most through.
 */
const SHARES: Readonly<Record<string, Share>> = {
  log_lot: (q, size) => oneOf(q.lotId, size.teas),
  log_tea: (q, size) => oneOf(q.teaId, size.teas),
  log_vessel: (q, size) => oneOf(q.vesselId, size.vessels),
  log_person: (q, size) => oneOf(q.personId, size.people),
  log_site: (q, size) => oneOf(q.siteId, size.sites),
  log_timing: byName({ early: 4, forgotten: 10, late: 64 }, (q) => q.pull),
  log_correction: byName({ notTaken: 220, taken: 425 }, (q) => q.correction),
  log_verdict: byName({ unjudged: 100, right: 250, off: 650 }, (q) => q.verdict),
  // A method that is not named here is brewed seldom.
  log_method: ({ method }) =>
    method === undefined || method === 'pot' ? undefined : (METHOD_SHARES[method] ?? 10),
};
/**
 * The index whose entries are read in the log's order: the one of the rarest that is asked for. Each holds every column
 * that is filtered by.
 */
export function indexFor(q: Partial<LogQuery>, size: HouseSize): string {
  let best = { name: 'log_all', share: 1000 };
  for (const [name, shareOf] of Object.entries(SHARES)) {
    const share = shareOf(q, size);
    if (share !== undefined && share < best.share) best = { name, share };
  }
  return best.name;
}
