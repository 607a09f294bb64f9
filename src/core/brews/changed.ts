import type { Day } from '#core/teas';
import { type BrewWater, waterChanges } from '#core/water';

/** What of a brew may explain a cup that turned flat: none of it is the recipe. */
export type BrewFacts = {
  readonly day: Day;
  readonly lot: string | null;
  readonly kettle: string;
  readonly vessel: string;
  readonly version: number;
  /** Null: it was not kept yet. */
  readonly water: BrewWater | null;
};
const named = (name: string | null): string => name ?? 'none named';
/**
 * What was different when an earlier cup was right, a line each.
 * @param then the earlier brew @param now the brew whose cup is judged
 */
export function whatChanged(then: BrewFacts, now: BrewFacts): string[] {
  const lines: string[] = [];
  const line = (what: string, is: string, was: string) => {
    if (is !== was && is !== '' && was !== '') lines.push(`${what}: ${is}, was ${was}.`);
  };
  line('Lot', named(now.lot), named(then.lot));
  if (then.water && now.water)
    lines.push(
      ...waterChanges({ water: then.water, day: then.day }, { water: now.water, day: now.day }),
    );
  line('Kettle', now.kettle, then.kettle);
  line('Vessel', now.vessel, then.vessel);
  line('Recipe version', String(now.version), String(then.version));
  return lines;
}
