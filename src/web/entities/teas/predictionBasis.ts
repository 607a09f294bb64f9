import type { KnownTea } from '#core/styles';

/** On what a prediction of a tea rests. */
export const predictionBasis = ({ fitted }: Pick<KnownTea, 'fitted'>): string =>
  fitted ? 'Fitted to this house' : 'Style default, not fitted yet';
