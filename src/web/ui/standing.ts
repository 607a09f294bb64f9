/** What a prediction rests on; said wherever one is shown. No tea is fitted to a house yet. */
export const STANDING = 'Style default, not fitted yet';
