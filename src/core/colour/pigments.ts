import type { StyleId } from '#core/styles';

// Standing: every spectrum, concentration, rate and energy here is FITTED BY EYE to how such liquors look. No brewed
// tea
// was measured. A pigment's name means "class that behaves like" (docs/sources.md).

export const PIGMENTS = ['TF', 'TR', 'TB', 'FL', 'CH', 'PH', 'AN', 'AP', 'RB'] as const;
export type Pigment = (typeof PIGMENTS)[number];
/** Amounts by pigment, g/L; absent means none. */
export type PigmentAmounts = Readonly<Partial<Record<Pigment, number>>>;

export type Band = readonly [height: number, centre: number, width: number];
/** Absorptivity L/(g cm): an exponential tail from 440 nm plus Gaussian bands. */
export type PigmentSpectrum = {
  readonly e440: number;
  readonly slope: number;
  readonly bands: readonly Band[];
};

export const SPECTRA: Readonly<Record<Pigment, PigmentSpectrum>> = {
  TF: { e440: 3, slope: 0.03, bands: [[1.2, 462, 28]] },
  TR: { e440: 1.35, slope: 0.0155, bands: [] },
  TB: { e440: 2, slope: 0.0112, bands: [] },
  FL: { e440: 0.16, slope: 0.0225, bands: [] },
  CH: {
    e440: 20,
    slope: 0.004,
    bands: [
      [50, 436, 26],
      [22, 468, 18],
      [7, 620, 22],
      [26, 666, 19],
    ],
  },
  PH: {
    e440: 28,
    slope: 0.0055,
    bands: [
      [45, 415, 28],
      [8, 535, 18],
      [16, 667, 22],
    ],
  },
  AN: { e440: 5, slope: 0.016, bands: [[38, 522, 34]] },
  AP: { e440: 0.36, slope: 0.0265, bands: [] },
  RB: { e440: 0.95, slope: 0.0185, bands: [[0.22, 490, 30]] },
};

/** Activation energies of release, J/mol. */
export const RATE_ENERGY: Readonly<Record<Pigment, number>> = {
  TF: 38000,
  TR: 55000,
  TB: 55000,
  FL: 36000,
  CH: 8000,
  PH: 65000,
  AN: 30000,
  AP: 38000,
  RB: 42000,
};
/** Heats that move the plateau, J/mol. */
export const PLATEAU_ENERGY: Readonly<Record<Pigment, number>> = {
  TF: 8000,
  TR: 22000,
  TB: 22000,
  FL: 14000,
  CH: -9000,
  PH: 35000,
  AN: 3000,
  AP: 8000,
  RB: 10000,
};

/**
 * A style's standard cup and how it comes about: g/L, turbidity 1/cm, the brew it is the colour of, rates 1/s there.
 */
export type ColourStyle = {
  readonly amounts: PigmentAmounts;
  readonly turbidity: number;
  readonly brew: {
    readonly leafGrams: number;
    readonly waterMl: number;
    readonly temperature: number;
    readonly seconds: number;
  };
  readonly rates: PigmentAmounts;
};

export const COLOUR_STYLES: Readonly<Record<StyleId, ColourStyle>> = {
  'black-broken': {
    amounts: { TF: 0.08, TR: 0.95, TB: 0.07, FL: 0.25 },
    turbidity: 0.012,
    brew: { leafGrams: 3, waterMl: 150, temperature: 96, seconds: 210 },
    rates: { TF: 0.014286, TR: 0.007692, TB: 0.005882, FL: 0.0125 },
  },
  'black-whole': {
    amounts: { TF: 0.06, TR: 0.3, TB: 0.015, FL: 0.3 },
    turbidity: 0.008,
    brew: { leafGrams: 3, waterMl: 150, temperature: 95, seconds: 210 },
    rates: { TF: 0.009091, TR: 0.005263, TB: 0.004167, FL: 0.009091 },
  },
  'black-first': {
    amounts: { TF: 0.015, TR: 0.08, TB: 0.006, FL: 0.3 },
    turbidity: 0.012,
    brew: { leafGrams: 3, waterMl: 150, temperature: 90, seconds: 180 },
    rates: { TF: 0.009091, TR: 0.005556, TB: 0.004167, FL: 0.009091 },
  },
  'green-steamed': {
    amounts: { FL: 0.34, CH: 0.001, PH: 0.0001, TR: 0.004 },
    turbidity: 0.028,
    brew: { leafGrams: 3, waterMl: 150, temperature: 80, seconds: 60 },
    rates: { FL: 0.016667, CH: 0.066667, PH: 0.016667, TR: 0.007692 },
  },
  'green-pan': {
    amounts: { FL: 0.35, CH: 0.00045, PH: 0.00018, TR: 0.012 },
    turbidity: 0.01,
    brew: { leafGrams: 3, waterMl: 150, temperature: 80, seconds: 90 },
    rates: { FL: 0.013333, CH: 0.1, PH: 0.0125, TR: 0.006667 },
  },
  'green-shaded': {
    amounts: { FL: 0.27, CH: 0.0016, PH: 0.00016, TR: 0.003 },
    turbidity: 0.045,
    brew: { leafGrams: 4, waterMl: 150, temperature: 65, seconds: 90 },
    rates: { FL: 0.013333, CH: 0.05, PH: 0.0125, TR: 0.00625 },
  },
  white: {
    amounts: { FL: 0.19, CH: 5e-5, PH: 5e-5, TR: 0.009 },
    turbidity: 0.004,
    brew: { leafGrams: 3, waterMl: 150, temperature: 85, seconds: 240 },
    rates: { FL: 0.005882, CH: 0.005882, PH: 0.005, TR: 0.003846 },
  },
  'oolong-light': {
    amounts: { FL: 0.48, CH: 0.00035, PH: 0.0002, TR: 0.014 },
    turbidity: 0.008,
    brew: { leafGrams: 5, waterMl: 150, temperature: 93, seconds: 90 },
    rates: { FL: 0.0125, CH: 0.0125, PH: 0.011111, TR: 0.008333 },
  },
  'oolong-dark': {
    amounts: { FL: 0.4, TF: 0.008, TR: 0.21, TB: 0.03 },
    turbidity: 0.008,
    brew: { leafGrams: 5, waterMl: 150, temperature: 96, seconds: 90 },
    rates: { FL: 0.016667, TF: 0.016667, TR: 0.011111, TB: 0.009091 },
  },
  'dark-ripe': {
    amounts: { TR: 0.7, TB: 0.65, FL: 0.1 },
    turbidity: 0.008,
    brew: { leafGrams: 5, waterMl: 150, temperature: 99, seconds: 60 },
    rates: { TR: 0.022222, TB: 0.016667, FL: 0.022222 },
  },
  'green-scented': {
    amounts: { FL: 0.3, CH: 0.00052, PH: 0.00018, TR: 0.011 },
    turbidity: 0.008,
    brew: { leafGrams: 3, waterMl: 150, temperature: 80, seconds: 120 },
    rates: { FL: 0.011111, CH: 0.111111, PH: 0.010526, TR: 0.005882 },
  },
  'black-large': {
    amounts: { TF: 0.075, TR: 0.58, TB: 0.035, FL: 0.28 },
    turbidity: 0.01,
    brew: { leafGrams: 3, waterMl: 150, temperature: 96, seconds: 240 },
    rates: { TF: 0.011111, TR: 0.00625, TB: 0.005, FL: 0.010526 },
  },
  'green-roasted': {
    amounts: { FL: 0.24, TR: 0.11, TB: 0.032, PH: 8e-5 },
    turbidity: 0.012,
    brew: { leafGrams: 3, waterMl: 150, temperature: 90, seconds: 90 },
    rates: { FL: 0.014286, TR: 0.011111, TB: 0.009091, PH: 0.0125 },
  },
  hibiscus: {
    amounts: { AN: 0.028, FL: 0.5, TR: 0.09 },
    turbidity: 0.004,
    brew: { leafGrams: 3, waterMl: 200, temperature: 98, seconds: 300 },
    rates: { AN: 0.009091, FL: 0.007692, TR: 0.00625 },
  },
  chamomile: {
    amounts: { AP: 0.5, TR: 0.024, PH: 0.0003 },
    turbidity: 0.014,
    brew: { leafGrams: 2.5, waterMl: 200, temperature: 98, seconds: 300 },
    rates: { AP: 0.007692, TR: 0.005263, PH: 0.005263 },
  },
  mint: {
    amounts: { FL: 0.52, TR: 0.045, PH: 0.001, CH: 0.0009 },
    turbidity: 0.014,
    brew: { leafGrams: 2.5, waterMl: 200, temperature: 98, seconds: 300 },
    rates: { FL: 0.008333, TR: 0.005556, PH: 0.007692, CH: 0.01 },
  },
  rooibos: {
    amounts: { RB: 0.62, TR: 0.16, TB: 0.02 },
    turbidity: 0.008,
    brew: { leafGrams: 3, waterMl: 200, temperature: 98, seconds: 300 },
    rates: { RB: 0.006667, TR: 0.005, TB: 0.004167 },
  },
};
