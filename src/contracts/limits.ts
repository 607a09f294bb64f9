/** So many brews stand on a site's bar at once. */
export const BAR_SLOTS = 12;
/** So many brews of a filtered log are counted; a longer one says "more than". */
export const COUNTED = 2000;
/** So many brews of one recipe version are counted. */
export const USES_COUNTED = 1000;
