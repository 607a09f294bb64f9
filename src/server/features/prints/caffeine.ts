import { styleOf } from '#core/styles';
import type { Tea } from '#contracts/teas';

/** What a paper says of caffeine: as the tea has it, else whether its style holds any. */
export const caffeineOnPaper = ({ caffeine, style }: Pick<Tea, 'caffeine' | 'style'>): string => {
  if (caffeine) return `${caffeine}.`;
  return styleOf(style).extractable[2] > 0 ? 'Contains caffeine.' : 'No caffeine.';
};
