/** The seven classes a cup is made of, in the order of every list in this folder. */
export const SOLUTES = ['aro', 'swe', 'caf', 'cat', 'tan', 'pig', 'lat'] as const;
export type Solute = (typeof SOLUTES)[number];
/** What each class stands for. */
export const SOLUTE_WORDS: Readonly<Record<Solute, string>> = {
  aro: 'aroma',
  swe: 'amino acids and sugars',
  caf: 'caffeine',
  cat: 'simple catechins',
  tan: 'gallated and polymeric tannins',
  pig: 'pigment',
  lat: 'late starch and polysaccharide',
};
/** Amounts by class, in the order of `SOLUTES`. The unit stands where it is used (mg, mg/g or g/L). */
export type BySolute = readonly [number, number, number, number, number, number, number];
export const NO_SOLUTES: BySolute = [0, 0, 0, 0, 0, 0, 0];

/** The same done to each class. */
export const eachSolute = (make: (index: number, name: Solute) => number): BySolute =>
  SOLUTES.map((name, i) => make(i, name)) as unknown as BySolute;
/** One class of a list. */
export const at = (list: readonly number[], i: number): number => list[i] ?? 0;
export const sumOf = (list: BySolute): number => list.reduce((a, b) => a + b, 0);
