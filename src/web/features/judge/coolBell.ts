// Rings once a cup is cool enough to taste, whichever place is open by then. One bell a brew, on this device alone.

const bells = new Map<string, ReturnType<typeof setTimeout>>();

export const isBellSet = (brewId: string): boolean => bells.has(brewId);
/** Rings after so many ms; a bell that was set for the brew before is forgotten. */
export function setBell(brewId: string, after: number, ring: () => void): void {
  dropBell(brewId);
  bells.set(
    brewId,
    setTimeout(() => {
      bells.delete(brewId);
      ring();
    }, after),
  );
}
/** The cup is judged, or nobody wants to be called. */
export function dropBell(brewId: string): void {
  clearTimeout(bells.get(brewId));
  bells.delete(brewId);
}
