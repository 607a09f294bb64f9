/** How the leaf looks, as a tea book says it. */
export const LEAF_FORMS = {
  whole: 'whole leaf',
  twisted: 'twisted',
  needle: 'needle',
  flat: 'flat',
  curled: 'curled',
  rolled: 'rolled',
  pearl: 'pearls',
  bud: 'buds',
  broken: 'broken',
  fannings: 'fannings',
  dust: 'dust',
  pressed: 'pressed',
} as const;
export type LeafForm = keyof typeof LEAF_FORMS;
export const LEAF_FORM_NAMES = Object.keys(LEAF_FORMS) as readonly LeafForm[];

export const SEASONS = {
  firstSpring: 'first spring',
  spring: 'spring',
  summer: 'summer',
  autumn: 'autumn',
  winter: 'winter',
} as const;
export type Season = keyof typeof SEASONS;
export const SEASON_NAMES = Object.keys(SEASONS) as readonly Season[];

/** What was done to a leaf, or where it grew, beyond its style. */
export const TRAITS = {
  largeLeaf: 'large-leaf variety',
  shaded: 'shaded',
  roasted: 'roasted',
  scented: 'scented',
  dusted: 'powder-dusted',
} as const;
export type Trait = keyof typeof TRAITS;
export const TRAIT_NAMES = Object.keys(TRAITS) as readonly Trait[];

/** Form, season and traits of a tea; null where nobody said. */
export type LeafFacts = {
  readonly form: LeafForm | null;
  readonly season: Season | null;
  readonly traits: readonly Trait[];
};
export const NO_LEAF_FACTS: LeafFacts = { form: null, season: null, traits: [] };

/**
 * "pearls, spring, scented". @example leafWords({ form: 'pearl', season: null, traits: ['scented'] }) // 'pearls,
 * scented'
 */
export const leafWords = (l: LeafFacts): string =>
  [l.form && LEAF_FORMS[l.form], l.season && SEASONS[l.season], ...l.traits.map((t) => TRAITS[t])]
    .filter(Boolean)
    .join(', ');

/** What a trait or season asks of the brewer, in a line each. Common practice. */
export function leafAdvice(l: LeafFacts): string[] {
  const lines: string[] = [];
  if (l.season === 'summer')
    lines.push('Summer leaf is more bitter than spring leaf: a little cooler.');
  if (l.traits.includes('dusted')) lines.push('Powder-dusted: a cloudy cup is right for it.');
  if (l.traits.includes('shaded')) lines.push('Shaded leaf: heat spoils it.');
  return lines;
}

/** Words for the opened leaf: size, make, colour, how far it has opened. Common practice. */
export const LEAF_WORDS = [
  'whole',
  'torn',
  'broken',
  'even',
  'uneven',
  'buds',
  'stems',
  'dust',
  'still rolled',
  'half open',
  'fully open',
  'bright',
  'coppery',
  'green',
  'olive',
  'dark',
  'dull',
  'spotted',
  'supple',
  'leathery',
] as const;
/** Words of the trade for a cup; a house keeps and orders its own. Common practice. */
export const FIRST_VOCABULARY = [
  'thin',
  'watery',
  'mellow',
  'bright',
  'brisk',
  'malty',
  'biscuity',
  'floral',
  'fruity',
  'vegetal',
  'grassy',
  'savoury',
  'honey',
  'stewed',
  'dusty',
  'dry',
  'puckering',
  'clear',
  'cloudy',
  'body',
  'length',
] as const;
