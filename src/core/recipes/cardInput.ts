import type { CoolingRate, HouseKettle, Material } from '#core/heat';
import type { KnownTea } from '#core/styles';
import type { Celsius, Millilitres, Spoon } from '#core/units';
import type { VesselFacts } from '#core/vessels';
import type { SiteWater } from '#core/water';
import type { Weighing } from './measure';
import type { Method, Recipe } from './recipe';
import type { Wish } from './wish';

/** What of a site the working needs. */
export type SiteFacts = {
  readonly altitudeM: number;
  /** Overrides the altitude when a house has measured it. */
  readonly measuredBoiling: Celsius | null;
  readonly coldWater: Celsius;
  readonly ambient: Celsius;
  readonly pourLoss: number | null;
  /** What comes from its tap, and its filter; absent: not known. */
  readonly water?: SiteWater | undefined;
  readonly kettle: {
    readonly volume: Millilitres;
    readonly material: Material;
    readonly lid: boolean;
    readonly rate?: CoolingRate | null;
  };
};
export type TeaFacts = KnownTea & { readonly weighing: Weighing | null; readonly spoon: Spoon };

export type CardInput = {
  readonly tea: TeaFacts;
  readonly recipe: Recipe;
  readonly method: Method;
  readonly vessel: VesselFacts;
  readonly site: SiteFacts;
  readonly water: Millilitres;
  readonly warmed: boolean;
  /** What the guest asks for; absent: as the house has it. */
  readonly wish?: Wish;
  /** Less leaf, for leaf that stays in while so many cups are poured one by one; absent: the recipe's own. A guest's wish and counted bags are not tapered. */
  readonly taper?: number | undefined;
  /** The kettle its water is heated in; absent: the site's usual one, at whatever heat is wanted. */
  readonly kettle?: HouseKettle | undefined;
};
