import { GRADES } from './grades';
import { type Grade, type Style } from './style';
import { type StyleId, styleOf } from './styles';

/** What the brewing model knows of one tea's leaf: its style's values, or those fitted to this house. */
export type Character = Pick<
  Style,
  'rate' | 'wetting' | 'held' | 'swell' | 'stew' | 'potency' | 'extractable'
> & {
  /** As brewed: may differ from the style's own cut. */
  readonly grade: Grade;
  /** Multiplies every activation energy; 1 unless fitted. */
  readonly sensitivity: number;
};

/** A tea's own multipliers, found by fitting; 1 each means the style default. */
export type Multipliers = {
  readonly rate: number;
  readonly pool: number;
  readonly bite: number;
  readonly sensitivity: number;
};
export const STYLE_DEFAULT: Multipliers = { rate: 1, pool: 1, bite: 1, sensitivity: 1 };

/**
 * Colours of this house's own cups along a steep, measured (Lab, D65) through one depth; brewed with so much leaf (g
 * per 100 ml) at such heat (C).
 */
export type Swatches = {
  readonly depthCm: number;
  readonly dose: number;
  readonly temperature: number;
  readonly rungs: readonly {
    readonly seconds: number;
    readonly lab: readonly [number, number, number];
  }[];
};
/**
 * A tea as the models know it: its style, its own multipliers where it was fitted to this house, its own colours
 * where they were measured.
 */
export type KnownTea = {
  readonly style: StyleId;
  readonly fitted: Multipliers | null;
  readonly swatches?: Swatches | null | undefined;
};

/** Caffeine, catechins and tannins: what bites. Places in the list of classes. */
const BITES = [2, 3, 4];

/**
 * The leaf of a style, cut as `grade` when that differs, with a tea's own multipliers on it. Wetting follows the cut:
 * style's seconds x the grade's against the style's own grade's.
 */
export function characterOf(
  id: StyleId,
  grade?: Grade,
  by: Multipliers = STYLE_DEFAULT,
): Character {
  const s = styleOf(id);
  const cut = grade ?? s.grade;
  return {
    rate: s.rate * by.rate,
    wetting: (s.wetting * GRADES[cut].wetting) / GRADES[s.grade].wetting,
    held: s.held,
    swell: s.swell,
    stew: s.stew,
    potency: s.potency,
    extractable: s.extractable.map(
      (e, i) => e * by.pool * (BITES.includes(i) ? by.bite : 1),
    ) as unknown as Style['extractable'],
    grade: cut,
    sensitivity: by.sensitivity,
  };
}
/** The leaf of a tea as far as this house knows it. */
export const characterOfTea = ({ style, fitted }: KnownTea): Character =>
  characterOf(style, undefined, fitted ?? STYLE_DEFAULT);
