const NO_BREAK = '\u00a0';
/** Between a figure and what it is of. */
const BEFORE_UNIT = /(?<=\d) (?=(?:g|kg|ml|l|oz|s|min|h)\b|°[CF]|%)/g;
/** A figure and its unit stay on one line. @example unbroken('8.5 g in 750 ml') // '8.5\u00a0g in 750\u00a0ml' */
export const unbroken = (words: string): string => words.replace(BEFORE_UNIT, NO_BREAK);
