/** What a fridge may read, C: colder is a freezer, warmer no fridge. */
export const FRIDGE_C = { coldest: -5, warmest: 45 } as const;

/** Null when a fridge may read so much; else what is wrong, in words. */
export function fridgeReadingFault(celsius: number): string | null {
  if (celsius < FRIDGE_C.coldest) return 'A fridge is warmer than that. Was this the freezer?';
  if (celsius > FRIDGE_C.warmest)
    return 'A fridge is colder than that. Read the thermometer again.';
  return null;
}
