/** Just-about-right marks: -2 much too little, 0 right, +2 much too much. */
export type Mark = -2 | -1 | 0 | 1 | 2;
/** The mark nearest to a figure; the ends of the scale hold all beyond them. */
export const nearestMark = (x: number): Mark => Math.max(-2, Math.min(2, Math.round(x))) as Mark;
export const MARKS: readonly Mark[] = [2, 1, 0, -1, -2];

/** What is judged in the mouth, each with its word per level (first drafts; a house may mend them). */
export const ATTRIBUTES = {
  strength: {
    label: 'Strength',
    words: { 2: 'heavy', 1: 'full', 0: 'right', [-1]: 'light', [-2]: 'watery' },
  },
  bitterness: {
    label: 'Bitter',
    words: { 2: 'harsh', 1: 'bitter', 0: 'right', [-1]: 'soft', [-2]: 'none' },
  },
  astringency: {
    label: 'Drying',
    words: { 2: 'puckering', 1: 'dry', 0: 'right', [-1]: 'smooth', [-2]: 'slack' },
  },
  sweetness: {
    label: 'Sweet',
    words: { 2: 'sugary', 1: 'sweet', 0: 'right', [-1]: 'little', [-2]: 'none' },
  },
  aroma: {
    label: 'Aroma',
    words: { 2: 'too much', 1: 'strong', 0: 'right', [-1]: 'faint', [-2]: 'flat' },
  },
} as const satisfies Record<string, { label: string; words: Record<Mark, string> }>;
export type Attribute = keyof typeof ATTRIBUTES;
export const ATTRIBUTE_NAMES = Object.keys(ATTRIBUTES) as readonly Attribute[];

/** The judging colour, lightest first: mark, word, and the strength of the house cup the swatch shows. */
export const COLOUR_STEPS: readonly {
  readonly mark: Mark;
  readonly word: string;
  readonly strength: number;
}[] = [
  { mark: -2, word: 'much lighter', strength: 0.5 },
  { mark: -1, word: 'lighter', strength: Math.SQRT1_2 },
  { mark: 0, word: 'as it should be', strength: 1 },
  { mark: 1, word: 'darker', strength: Math.SQRT2 },
  { mark: 2, word: 'much darker', strength: 2 },
];

/** What was found in one cup. */
export type Verdict = { readonly colour: Mark } & { readonly [A in Attribute]: Mark };
export const ALL_RIGHT: Verdict = {
  colour: 0,
  strength: 0,
  bitterness: 0,
  astringency: 0,
  sweetness: 0,
  aroma: 0,
};

/** How far a cup is off, all marks together. */
export const offBy = (v: Verdict): number =>
  Math.abs(v.colour) + ATTRIBUTE_NAMES.reduce((s, a) => s + Math.abs(v[a]), 0);
/** True when nothing is off. */
export const isRight = (v: Verdict): boolean => offBy(v) === 0;

/** The verdict in words, worst first: "darker, bitter". "right" when nothing is off. */
export function verdictWords(v: Verdict): string {
  const found: [number, string][] = [];
  if (v.colour !== 0)
    found.push([Math.abs(v.colour), COLOUR_STEPS.find((s) => s.mark === v.colour)?.word ?? '']);
  for (const a of ATTRIBUTE_NAMES)
    if (v[a] !== 0)
      found.push([
        Math.abs(v[a]),
        a === 'sweetness' && v[a] < 0
          ? `${ATTRIBUTES[a].words[v[a]]} sweetness`
          : ATTRIBUTES[a].words[v[a]],
      ]);
  return found.length
    ? found
        .sort((x, y) => y[0] - x[0])
        .map(([, w]) => w)
        .join(', ')
    : 'right';
}
