import { COLOUR_STEPS, type Mark } from '#core/corrections';

/** A colour step as it is told after a steep that was ended by eye: "colour right", "colour a little dark". */
export const colourSeenWords = (mark: Mark): string => {
  const step = COLOUR_STEPS.find((s) => s.mark === mark);
  return mark === 0 || !step ? 'colour right' : `colour ${step.word}`;
};
