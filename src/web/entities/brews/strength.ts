/** How far a strength is from the house cup: "+14", "−6". */
export const signedPercent = (strength: number): string =>
  `${strength >= 1 ? '+' : '−'}${Math.round(Math.abs(strength - 1) * 100)}`;
/** "14 % stronger", "6 % weaker". */
export const strengthWords = (strength: number): string =>
  `${Math.round(Math.abs(strength - 1) * 100)} % ${strength >= 1 ? 'stronger' : 'weaker'}`;
