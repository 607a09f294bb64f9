// A card's code holds the address of its card: whichever reader reads it, the brew is opened from the path alone.

/**
 * Where in the application a read code leads; null when it is not one of ours. Only the path counts: a code printed
 * before the server moved still opens.
 */
export function placeOfCode(text: string): string | null {
  const trimmed = text.trim();
  const path = pathIn(trimmed);
  return /^\/(start|book|log|shelf|judge|cold)(\/|\?|$)/.test(path) ? path : null;
}

/** The path in a scanned text: of a whole address, or as it stands. */
function pathIn(trimmed: string) {
  if (URL.canParse(trimmed)) return new URL(trimmed).pathname + new URL(trimmed).search;
  if (trimmed.startsWith('/')) return trimmed;
  return '';
}

/** A scanner types so much faster than hands that it can be told: ms from one letter to the next. */
const FAST_MS = 35;
const LEAST = 6;
/** A code is an address: what does not begin so is a hand’s, however quick. */
const BEGINS = 'http';
const beginsCode = (text: string): boolean =>
  text !== '' && BEGINS.startsWith(text.slice(0, BEGINS.length).toLowerCase());
/** What holds a letter up while it is typed is no letter. */
const HELD = new Set(['Shift', 'Control', 'Alt', 'Meta', 'CapsLock']);

/**
 * Gathers keys as they come: whether one belongs to a code (an address), and the whole code when its Enter comes fast.
 * Pure but for what it holds.
 */
export function wedgeReader(): (
  key: string,
  at: number,
) => { readonly ofCode: boolean; readonly whole: string | null } {
  let text = '';
  let last = 0;
  return (key, at) => {
    if (HELD.has(key)) return { ofCode: false, whole: null };
    const fast = at - last < FAST_MS;
    last = at;
    // An arrow, say, is of no code.
    if (!fast || (key.length > 1 && key !== 'Enter')) text = '';
    const before = text;
    if (key === 'Enter') {
      text = '';
      const ofCode = beginsCode(before);
      return { ofCode, whole: ofCode && before.length >= LEAST ? before : null };
    }
    const goesOn = before !== '' && beginsCode(before + key);
    const begun = beginsCode(key) ? key.toLowerCase() : '';
    if (key.length === 1) text = goesOn ? before + key : begun;
    return { ofCode: goesOn, whole: null };
  };
}
