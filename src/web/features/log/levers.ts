import type { ProposedLever } from '#core/corrections';

/** What a correction turns, in a few words. */
export const LEVER_WORDS: Readonly<Record<ProposedLever, string>> = {
  leafMore: 'more leaf',
  leafLess: 'less leaf',
  cooler: 'cooler',
  hotter: 'hotter',
  shorter: 'shorter',
  longer: 'longer',
  roomier: 'stir, or a roomier infuser',
  stiller: 'leave it still',
  waterAfter: 'water after',
  warmVessel: 'warm the vessel',
  checkLot: 'look at the lot',
  two: 'two things at once',
  followRecipe: 'brew it to the recipe',
  keep: 'nothing',
  none: 'nothing',
};
