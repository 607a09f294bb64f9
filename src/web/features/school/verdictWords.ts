import type { Judged } from '#core/training';

/** How an answer is judged, in words. */
export const VERDICT_WORDS: Readonly<Record<Judged, string>> = {
  right: 'Right',
  near: 'Nearly',
  wrong: 'Not yet',
};
