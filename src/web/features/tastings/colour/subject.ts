import type { ColourStrength } from '#core/fitting';
import type { Brew } from '#contracts/brews';
import type { OpenTasting } from '#contracts/tastings';

/** What a reading is kept with: a brew, or a cup of a table that is not revealed yet. */
export type Subject =
  | { readonly kind: 'brew'; readonly brew: Brew }
  | {
      readonly kind: 'cup';
      readonly view: OpenTasting;
      readonly cup: number;
      readonly keep: (colour: ColourStrength) => void;
    };
