/** The words with one more, or without it where it was among them. */
export const toggled = (words: readonly string[], word: string): readonly string[] =>
  words.includes(word) ? words.filter((w) => w !== word) : [...words, word];
