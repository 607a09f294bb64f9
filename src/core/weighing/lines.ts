import { type Grams, grams, GRAMS_PER_OUNCE, oneBlank } from '#core/units';

/** One line a scale sent, in grams. */
export type ScaleLine =
  | {
      readonly kind: 'weight';
      readonly grams: Grams;
      /** As the scale says itself; null when it does not. */ readonly stable: boolean | null;
    }
  | { readonly kind: 'overload' };

const GRAMS_PER: Readonly<Record<string, number>> = {
  mg: 0.001,
  g: 1,
  gr: 1,
  gram: 1,
  grams: 1,
  kg: 1000,
  oz: GRAMS_PER_OUNCE,
  lb: 16 * GRAMS_PER_OUNCE,
  lbs: 16 * GRAMS_PER_OUNCE,
};
/** Letters of a line that are read; scales send under eighty. */
const LONGEST = 200;
const OVER = /^(?:(?:st|us|s) )?(?:ol|overload|o-load|err(?:or)?)\b|^s [+-]$|^(?:[+\-~_] ?){4,}$/i;
const MOVING = /^(?:us\b|s d\b|d\b|sd\b|unstable\b|\?)|\?\s*$|\bunst(?:able)?\b/i;
const STILL = /^(?:st\b|s s\b|ss\b|s\b|stable\b)/i;
/** Whether a scale says that it is still; null where it says nothing of it. */
function stableIn(head: string): boolean | null {
  if (MOVING.test(head)) return false;
  return STILL.test(head) ? true : null;
}

/**
 * Reads a line of plain text as kitchen and laboratory scales send them: "  12.34 g", "ST,GS,+  12.34g", "S D  9.4 g",
 * "12,5 g", "0.0123 kg", a sign apart from its figure. Null for what is no weight (a title, a date, a name).
 */
export function readScaleLine(line: string): ScaleLine | null {
  // Start and end marks of a telegram are blanks here.
  const text = oneBlank(line.slice(0, LONGEST).replace(/[\u0000-\u001f\u007f]/g, ' '));
  if (text === '') return null;
  const head = text.replace(/,/g, ' ').replace(/\s+/g, ' ');
  if (OVER.test(head)) return { kind: 'overload' };
  const m =
    /(?:^|[\s,:=a-z])([+-]?) ?(\d{1,6}(?:[.,]\d{1,4})?) ?(mg|kg|grams?|gr?|oz|lbs?)\b(?! ?[a-z]{2,} ?\d)/i.exec(
      text,
    ) ??
    /^(?:st|us|s [sd]|ss|sd|s|d)?[ ,]{0,3}(?:gs|nt|gr|net)?[ ,]{0,3}([+-]?) ?(\d{1,6}(?:[.,]\d{1,4})?)() ?\??$/i.exec(
      text,
    );
  if (!m) return null;
  const per = GRAMS_PER[(m[3] || 'g').toLowerCase()];
  if (per === undefined) return null;
  const value = Number((m[2] ?? '').replace(',', '.')) * (m[1] === '-' ? -1 : 1) * per;
  return {
    kind: 'weight',
    grams: grams(Math.round(value * 1e4) / 1e4),
    stable: stableIn(head),
  };
}

/** Cuts a stream of text into lines, whatever ends them; what is not yet ended waits. */
export function lineCutter(): (chunk: string) => string[] {
  let rest = '';
  return (chunk) => {
    const parts = (rest + chunk).split(/\r\n|\r|\n|\u0003/);
    rest = (parts.pop() ?? '').slice(-LONGEST);
    return parts.filter((p) => p.trim() !== '');
  };
}
