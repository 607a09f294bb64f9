/** What the leaf is cut to; rates and wetting follow from it. */
export type Grade = 'whole' | 'broken' | 'fannings' | 'dust' | 'rolled';
export type Family = 'black' | 'green' | 'white' | 'oolong' | 'ripe dark' | 'herbal';

/**
 * One style of tea. Standing: `start` is common practice; everything else is from memory of the literature and fitted
 * to bands that express common practice; nothing was measured (docs/sources.md).
 */
export type Style = {
  readonly label: string;
  /** As a card says it. */
  readonly kind: string;
  readonly family: Family;
  readonly grade: Grade;
  /** Extraction rate against whole leaf. */
  readonly rate: number;
  /** Seconds at 90 C until the leaf is wetted through (time constant). */
  readonly wetting: number;
  /** ml of water that stays in each gram of drained leaf. */
  readonly held: number;
  /** ml a gram of leaf takes up once it has opened. */
  readonly swell: number;
  /** Sensitivity to stewing. */
  readonly stew: number;
  /** Bitterness of its simple catechins against tea's. */
  readonly potency: number;
  /** mg that can be drawn from a gram: aroma, sweet, caffeine, catechins, tannins, pigment, late. */
  readonly extractable: readonly [number, number, number, number, number, number, number];
  /** Starting point: dose g per 100 ml, C on the leaf, window s. */
  readonly start: {
    readonly dose: number;
    readonly temperature: number;
    readonly earliest: number;
    readonly best: number;
    readonly latest: number;
  };
  /** Where corrections stay inside: g per 100 ml, C, s. */
  readonly range: {
    readonly dose: readonly [number, number];
    readonly temperature: readonly [number, number];
    readonly seconds: readonly [number, number];
  };
};

export const STYLES = {
  'black-broken': {
    label: 'broken black',
    kind: 'black, broken',
    family: 'black',
    grade: 'broken',
    rate: 0.908,
    wetting: 5,
    held: 2.7,
    swell: 5,
    stew: 0.3,
    potency: 1,
    extractable: [0.5, 60, 32, 29.3, 103, 50, 45],
    start: { dose: 1.2, temperature: 95, earliest: 150, best: 180, latest: 240 },
    range: { dose: [0.8, 1.6], temperature: [88, 97], seconds: [120, 300] },
  },
  'black-whole': {
    label: 'whole small-leaf black',
    kind: 'black, whole leaf',
    family: 'black',
    grade: 'whole',
    rate: 0.898,
    wetting: 12,
    held: 3,
    swell: 5,
    stew: 0.3,
    potency: 1,
    extractable: [0.6, 54.6, 28, 36.8, 116, 44, 48.9],
    start: { dose: 1.2, temperature: 90, earliest: 180, best: 240, latest: 300 },
    range: { dose: [0.8, 1.8], temperature: [85, 97], seconds: [150, 360] },
  },
  'black-large': {
    label: 'large-leaf-variety black',
    kind: 'black, large leaf',
    family: 'black',
    grade: 'whole',
    rate: 1.18,
    wetting: 12,
    held: 3,
    swell: 5,
    stew: 0.3,
    potency: 1,
    extractable: [0.6, 65, 36, 39.4, 115, 60, 45],
    start: { dose: 1.2, temperature: 95, earliest: 180, best: 240, latest: 300 },
    range: { dose: [0.8, 1.8], temperature: [90, 98], seconds: [150, 360] },
  },
  'black-first': {
    label: 'light first-spring black',
    kind: 'black, light first spring',
    family: 'black',
    grade: 'whole',
    rate: 1,
    wetting: 12,
    held: 3,
    swell: 5,
    stew: 0.5,
    potency: 1,
    extractable: [0.8, 62, 28, 50, 75, 18, 40],
    start: { dose: 1.2, temperature: 92, earliest: 180, best: 210, latest: 240 },
    range: { dose: [0.8, 1.6], temperature: [85, 95], seconds: [150, 300] },
  },
  'green-steamed': {
    label: 'steamed green',
    kind: 'green, steamed',
    family: 'green',
    grade: 'whole',
    rate: 2.1,
    wetting: 6,
    held: 3.5,
    swell: 5,
    stew: 1,
    potency: 1,
    extractable: [0.6, 80, 28, 55.9, 91.8, 10.1, 40.2],
    start: { dose: 1.333, temperature: 70, earliest: 60, best: 90, latest: 120 },
    range: { dose: [0.6, 2], temperature: [65, 85], seconds: [30, 180] },
  },
  'green-shaded': {
    label: 'shaded green',
    kind: 'green, shaded',
    family: 'green',
    grade: 'whole',
    rate: 1.8,
    wetting: 6,
    held: 3.5,
    swell: 5,
    stew: 1,
    potency: 1,
    extractable: [0.7, 105, 34, 45, 80, 11, 45],
    start: { dose: 2.2, temperature: 60, earliest: 100, best: 120, latest: 140 },
    range: { dose: [0.8, 3], temperature: [50, 75], seconds: [45, 180] },
  },
  'green-pan': {
    label: 'pan-fired green',
    kind: 'green, pan-fired',
    family: 'green',
    grade: 'whole',
    rate: 1.2,
    wetting: 10,
    held: 3.3,
    swell: 5,
    stew: 0.9,
    potency: 1,
    extractable: [0.6, 72, 30, 55, 90, 9, 40],
    start: { dose: 1.333, temperature: 80, earliest: 90, best: 105, latest: 120 },
    range: { dose: [0.6, 2], temperature: [70, 88], seconds: [60, 240] },
  },
  'green-roasted': {
    label: 'roasted / stem / mature green',
    kind: 'green, roasted or stem',
    family: 'green',
    grade: 'whole',
    rate: 1.4,
    wetting: 8,
    held: 3.5,
    swell: 6,
    stew: 0.4,
    potency: 1,
    extractable: [0.7, 60, 14, 28, 40, 22, 40],
    start: { dose: 1.333, temperature: 85, earliest: 120, best: 150, latest: 180 },
    range: { dose: [0.8, 2.5], temperature: [80, 97], seconds: [30, 240] },
  },
  white: {
    label: 'white (buds and leaves)',
    kind: 'white',
    family: 'white',
    grade: 'whole',
    rate: 0.75,
    wetting: 20,
    held: 4,
    swell: 8,
    stew: 0.6,
    potency: 1,
    extractable: [0.5, 62, 32, 50, 60, 11, 50],
    start: { dose: 1.2, temperature: 80, earliest: 180, best: 270, latest: 360 },
    range: { dose: [0.7, 2.5], temperature: [75, 95], seconds: [120, 480] },
  },
  'green-scented': {
    label: 'scented green',
    kind: 'green, scented',
    family: 'green',
    grade: 'whole',
    rate: 1,
    wetting: 10,
    held: 3.3,
    swell: 5,
    stew: 0.6,
    potency: 1,
    extractable: [1.2, 66, 27, 45, 75, 11, 40],
    start: { dose: 1.6, temperature: 84, earliest: 150, best: 180, latest: 210 },
    range: { dose: [0.6, 1.6], temperature: [75, 92], seconds: [90, 300] },
  },
  'oolong-light': {
    label: 'light rolled oolong',
    kind: 'oolong, light, rolled',
    family: 'oolong',
    grade: 'rolled',
    rate: 0.634,
    wetting: 45,
    held: 3.7,
    swell: 6,
    stew: 0.3,
    potency: 1,
    extractable: [0.9, 65.6, 24, 45.9, 69.7, 13.1, 99],
    start: { dose: 1.667, temperature: 95, earliest: 120, best: 150, latest: 180 },
    range: { dose: [1, 3], temperature: [85, 98], seconds: [60, 300] },
  },
  'oolong-dark': {
    label: 'dark oolong',
    kind: 'oolong, dark',
    family: 'oolong',
    grade: 'whole',
    rate: 0.9,
    wetting: 15,
    held: 3.3,
    swell: 5,
    stew: 0.25,
    potency: 1,
    extractable: [0.7, 62, 24, 35, 65, 30, 80],
    start: { dose: 1.667, temperature: 96, earliest: 120, best: 150, latest: 180 },
    range: { dose: [1, 3], temperature: [88, 98], seconds: [60, 300] },
  },
  'dark-ripe': {
    label: 'ripe dark tea',
    kind: 'ripe dark',
    family: 'ripe dark',
    grade: 'whole',
    rate: 1.5,
    wetting: 15,
    held: 3,
    swell: 5,
    stew: 0.08,
    potency: 1,
    extractable: [0.5, 48, 28, 10, 35, 95, 120],
    start: { dose: 1.25, temperature: 98, earliest: 120, best: 150, latest: 180 },
    range: { dose: [0.8, 2.5], temperature: [92, 99], seconds: [60, 480] },
  },
  mint: {
    label: 'mint-like leaf',
    kind: 'herbal, mint-like leaf',
    family: 'herbal',
    grade: 'broken',
    rate: 1,
    wetting: 5,
    held: 5,
    swell: 7,
    stew: 0.1,
    potency: 0.5,
    extractable: [3, 80, 0, 14, 22, 25, 70],
    start: { dose: 1, temperature: 98, earliest: 240, best: 300, latest: 420 },
    range: { dose: [0.5, 2], temperature: [85, 99], seconds: [180, 900] },
  },
  chamomile: {
    label: 'chamomile-like flower',
    kind: 'herbal, flower',
    family: 'herbal',
    grade: 'whole',
    rate: 1.37,
    wetting: 10,
    held: 6,
    swell: 9,
    stew: 0.3,
    potency: 2,
    extractable: [2, 96.1, 0, 41.2, 6.01, 22, 52.9],
    start: { dose: 1, temperature: 95, earliest: 240, best: 300, latest: 420 },
    range: { dose: [0.5, 2], temperature: [65, 98], seconds: [180, 600] },
  },
  rooibos: {
    label: 'rooibos-like',
    kind: 'herbal, red bush',
    family: 'herbal',
    grade: 'fannings',
    rate: 0.45,
    wetting: 8,
    held: 2.2,
    swell: 4,
    stew: 0.05,
    potency: 0.5,
    extractable: [1, 50, 0, 12, 18, 60, 45],
    start: { dose: 1.2, temperature: 98, earliest: 240, best: 300, latest: 420 },
    range: { dose: [0.6, 2], temperature: [90, 99], seconds: [240, 900] },
  },
  hibiscus: {
    label: 'hibiscus-like (tartness not modelled)',
    kind: 'herbal, tart flower',
    family: 'herbal',
    grade: 'broken',
    rate: 1.2,
    wetting: 8,
    held: 4,
    swell: 6,
    stew: 0.05,
    potency: 0.5,
    extractable: [0.8, 130, 0, 8, 15, 60, 70],
    start: { dose: 1.2, temperature: 98, earliest: 240, best: 300, latest: 420 },
    range: { dose: [0.5, 1.5], temperature: [80, 99], seconds: [180, 600] },
  },
} as const satisfies Record<string, Style>;
export type StyleId = keyof typeof STYLES;
export const STYLE_IDS = Object.keys(STYLES) as readonly StyleId[];
/** The style as data. @throws nothing: the id's type is closed. */
export const styleOf = (id: StyleId): Style => STYLES[id];
