/** Words separated by spaces or commas, as a set. @example wordSet('cup, mug').has('mug') // true */
export const wordSet = (words: string): ReadonlySet<string> =>
  new Set(words.split(/[\s,]+/).filter((word) => word !== ''));
