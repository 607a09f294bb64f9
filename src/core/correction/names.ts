/** What a lever does. One thing is changed at a time. */
export const LEVERS = ['leafMore', 'leafLess', 'cooler', 'hotter', 'shorter', 'longer', 'warmVessel', 'roomier', 'stiller', 'waterAfter', 'checkLot'] as const;
export type Lever = (typeof LEVERS)[number];
/** What a proposal may say instead of, or with, one lever. */
export const PROPOSED_LEVERS = [...LEVERS, 'two', 'followRecipe', 'keep', 'none'] as const;
export type ProposedLever = (typeof PROPOSED_LEVERS)[number];
