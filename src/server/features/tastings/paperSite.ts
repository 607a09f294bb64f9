import type { TastingUnits } from '#core/tastings';
import type { Site } from '#contracts/sites';
import type { PaperPlace } from '../prints';

/** How the papers of a tasting write figures and days: as its site does. */
export type PaperSite = PaperPlace & { readonly units: TastingUnits };

export const paperSiteOf = (site: Site | undefined): PaperSite => ({
  hours: site?.hours ?? null,
  region: site?.region ?? null,
  units: { volume: site?.volumeUnit ?? 'ml', temperature: site?.temperatureUnit ?? 'C' },
});
