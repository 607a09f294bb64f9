import type { SpoonDose } from '#core/recipes';
import type { StyleId } from '#core/styles';
import type { SpoonKind } from '#core/units';
import type { TeaFields } from '#contracts/teas';

export type DemoTea = {
  name: string;
  style: StyleId;
  method: TeaFields['method'];
  lot: string;
  words: string;
  allergens?: string;
  dose: number;
  /** Counted in spoons; `dose` is what they hold. */
  spoons?: SpoonDose;
  heat: number;
  window: readonly [number, number, number];
  later?: readonly number[];
  per: readonly [SpoonKind, number];
  note?: string;
};
