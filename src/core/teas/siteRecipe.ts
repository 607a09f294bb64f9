/** Why a site brews a recipe of its own. */
export const SITE_REASONS = ['altitude', 'water', 'heat', 'taste'] as const;
export type SiteReason = (typeof SITE_REASONS)[number];
/** How each is said: "because of its altitude". */
export const SITE_REASON_WORDS: Readonly<Record<SiteReason, string>> = {
  altitude: 'its altitude',
  water: 'its water',
  heat: 'its kettles and vessels',
  taste: 'the taste of its guests',
};
/** At most so many letters tell more of it. */
export const SITE_REASON_LETTERS = 200;
