import type { CupAt } from '#core/colour';

export type Cups = { readonly sample: CupAt; readonly reference: CupAt };
