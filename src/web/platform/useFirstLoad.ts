import { useState } from 'react';

/**
 * True until everything asked for has been answered or refused once. A page that waits by `isLoading` alone would go
 * away again whenever a part of it asks anew for what was refused, and so ask for ever while the server is away.
 */
export function useFirstLoad(...queries: readonly { readonly isLoading: boolean }[]): boolean {
  const [settled, setSettled] = useState(false);
  const loads = queries.some((q) => q.isLoading);
  if (!loads && !settled) setSettled(true);
  return loads && !settled;
}
