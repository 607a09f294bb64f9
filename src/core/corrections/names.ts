/** What of a recipe or its handling is turned. One thing is changed at a time. */
export const TURNED_LEVERS = [
  'leafMore',
  'leafLess',
  'cooler',
  'hotter',
  'shorter',
  'longer',
  'roomier',
  'stiller',
  'waterAfter',
] as const;
export type TurnedLever = (typeof TURNED_LEVERS)[number];
/** Those, and what is looked after before anything is turned. */
export const LEVERS = [...TURNED_LEVERS, 'warmVessel', 'checkLot'] as const;
export type Lever = (typeof LEVERS)[number];
/** What a proposal may say instead of, or with, one lever. */
export const PROPOSED_LEVERS = [...LEVERS, 'two', 'followRecipe', 'keep', 'none'] as const;
export type ProposedLever = (typeof PROPOSED_LEVERS)[number];
