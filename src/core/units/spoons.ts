import { ML_PER } from './convert';
import { millilitres, type Millilitres } from './quantity';

/** Spoons a house weighs leaf with. Level, not heaped. */
export const SPOONS = {
  metricTeaspoon: { name: 'teaspoon', plural: 'teaspoons', ml: ML_PER.metricTeaspoon },
  dessertSpoon: { name: 'dessert spoon', plural: 'dessert spoons', ml: ML_PER.dessertSpoon },
  metricTablespoon: { name: 'tablespoon', plural: 'tablespoons', ml: ML_PER.metricTablespoon },
  usTeaspoon: { name: 'US teaspoon', plural: 'US teaspoons', ml: ML_PER.usTeaspoon },
  usTablespoon: { name: 'US tablespoon', plural: 'US tablespoons', ml: ML_PER.usTablespoon },
} as const;
export type SpoonKind = keyof typeof SPOONS;
export const SPOON_KINDS = Object.keys(SPOONS) as readonly SpoonKind[];

/** The volume a level spoon of this kind holds. */
export const spoonVolume = (kind: SpoonKind): Millilitres => millilitres(SPOONS[kind].ml);
