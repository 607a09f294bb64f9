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
