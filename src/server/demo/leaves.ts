import type { Multipliers } from '#core/styles';

/** What these made-up leaves really are beside their style: the house finds it by its cups. */
export const LEAVES: Readonly<Record<string, Multipliers>> = {
  'Marrowick Broken': { rate: 1.15, pool: 0.95, bite: 1.3, sensitivity: 1 },
  'Iveline First': { rate: 0.8, pool: 1.1, bite: 0.85, sensitivity: 1 },
};

/** How this house likes some teas beside its recipe: its cups say that the recipe is off. Leaf as a ratio, heat in °C. */
export const LIKED: Readonly<Record<string, { readonly leaf: number; readonly heatC: number }>> = {
  'Lammer Breaks': { leaf: 0.8, heatC: -2 },
};
