import { ML_PER } from './convert';
import { type Millilitres, millilitres } from './quantity';

/** A spoon or scoop that leaf is measured with: one of the trade's, or a house's own. */
export type Spoon = {
  readonly id: string;
  readonly name: string;
  readonly plural: string;
  readonly ml: Millilitres;
  /** Used heaped, not level: less even. */
  readonly heaped: boolean;
};
const level = (id: string, name: string, ml: number): Spoon => ({
  id,
  name,
  plural: `${name}s`,
  ml: millilitres(ml),
  heaped: false,
});

/** The trade's spoons, level. */
export const SPOONS = {
  metricTeaspoon: level('metricTeaspoon', 'teaspoon', ML_PER.metricTeaspoon),
  dessertSpoon: level('dessertSpoon', 'dessert spoon', ML_PER.dessertSpoon),
  metricTablespoon: level('metricTablespoon', 'tablespoon', ML_PER.metricTablespoon),
  usTeaspoon: level('usTeaspoon', 'US teaspoon', ML_PER.usTeaspoon),
  usTablespoon: level('usTablespoon', 'US tablespoon', ML_PER.usTablespoon),
} as const;
export type SpoonKind = keyof typeof SPOONS;
export const SPOON_KINDS = Object.keys(SPOONS) as readonly SpoonKind[];
