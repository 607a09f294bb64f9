import {
  afterPour,
  boilingAt,
  firstContact,
  planWater,
  POUR_LOSS,
  WARMED_WALL,
  waterDensity,
  type WaterPlan,
} from '#core/heat';
import { type Celsius, celsius, type Grams, grams, metres } from '#core/units';
import type { CardInput, SiteFacts } from './cardInput';

/** Boiling point of a site: measured, else from its altitude. */
export const siteBoiling = (site: Pick<SiteFacts, 'altitudeM' | 'measuredBoiling'>): Celsius =>
  site.measuredBoiling ?? boilingAt(metres(site.altitudeM));

/** How the water of a pour gets its heat, in a vessel that was warmed or a cold one. */
export function heatPlan(a: CardInput, leaf: Grams, warmed: boolean, boiling: Celsius): WaterPlan {
  // Poured by volume at about 20 C; 1 ml is 1 g within 0.2 % there.
  return planWater({
    water: grams(a.water * waterDensity(celsius(20))),
    target: a.recipe.temperature,
    boiling,
    wallAt: warmed ? WARMED_WALL : a.site.ambient,
    material: a.vessel.material,
    capacity: a.vessel.brim,
    leaf,
    cold: a.site.coldWater,
    ambient: a.site.ambient,
    pourLoss: a.site.pourLoss ?? POUR_LOSS,
    kettle: a.site.kettle,
  });
}

/** What water of a heat in the kettle comes to on the leaf of a pour. */
export const onLeafAt = (
  a: Pick<CardInput, 'water' | 'vessel' | 'site' | 'warmed'>,
  leaf: Grams,
  kettle: Celsius,
): Celsius =>
  firstContact({
    water: grams(a.water * waterDensity(celsius(20))),
    waterAt: afterPour(kettle, a.site.ambient, a.site.pourLoss ?? POUR_LOSS),
    material: a.vessel.material,
    capacity: a.vessel.brim,
    wallAt: a.warmed ? WARMED_WALL : a.site.ambient,
    leaf,
    leafAt: a.site.ambient,
  });
/** What boiling water comes to on so much leaf in a full vessel that was warmed, and in a cold one. */
export function boilingOnLeaf(
  vessel: CardInput['vessel'],
  site: SiteFacts,
  leaf: Grams,
): { readonly warmed: Celsius; readonly cold: Celsius } {
  const comesTo = (warmed: boolean) =>
    onLeafAt({ water: vessel.mark, vessel, site, warmed }, leaf, siteBoiling(site));
  return { warmed: comesTo(true), cold: comesTo(false) };
}
/** The heat on the leaf of a pour: as the recipe wants it, or what boiling water comes to. */
export const reached = (a: CardInput, leaf: Grams, boiling: Celsius): Celsius =>
  celsius(Math.min(onLeafAt(a, leaf, boiling), a.recipe.temperature));
