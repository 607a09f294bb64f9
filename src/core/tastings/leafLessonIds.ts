/** Lessons that are set out with leaf at the table. */
export const LEAF_LESSON_IDS = [
  'timeLadder',
  'heatPair',
  'infusers',
  'stirring',
  'warmedPot',
  'firstLast',
  'leafAgain',
  'bags',
  'hotCold',
] as const;
export type LeafLessonId = (typeof LEAF_LESSON_IDS)[number];
