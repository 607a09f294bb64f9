import { areSpoonsEven, SPOONS_WEIGHED, spoonUnevenness } from '#core/training';
import { type Grams, grams, numberText, parseNumber } from '#core/units';

/** Five spoons as they are typed or taken from the scale, and which of them are no weights. */
export type Weighed = {
  readonly texts: readonly string[];
  readonly faults: readonly (string | null)[];
  readonly isKept: boolean;
};
export const NOTHING_WEIGHED: Weighed = {
  texts: Array.from({ length: SPOONS_WEIGHED }, () => ''),
  faults: Array.from({ length: SPOONS_WEIGHED }, () => null),
  isKept: false,
};
export type WeighAct =
  | { readonly kind: 'typed'; readonly at: number; readonly text: string }
  /** From the scale: into the first that is empty. */
  | { readonly kind: 'taken'; readonly grams: number }
  | { readonly kind: 'undone' }
  | { readonly kind: 'kept' }
  | { readonly kind: 'again' };

/** Common practice: no level spoon of tea weighs less or more, g. */
const LIGHTEST = 0.05;
const HEAVIEST = 200;
type ReadSpoon =
  | { readonly kind: 'none' }
  | { readonly kind: 'ok'; readonly grams: Grams }
  | { readonly kind: 'bad'; readonly why: string };
function readSpoon(text: string): ReadSpoon {
  if (text.trim() === '') return { kind: 'none' };
  const read = parseNumber(text.replace(/g$/i, ''));
  if (read.kind === 'bad') return { kind: 'bad', why: read.why };
  if (read.value < LIGHTEST || read.value > HEAVIEST)
    return { kind: 'bad', why: `${text.trim()} g is no weight of a spoon.` };
  return { kind: 'ok', grams: grams(read.value) };
}
/** A weight as it is typed so far; null: none. */
export function weightOf(text: string): Grams | null {
  const read = readSpoon(text);
  return read.kind === 'ok' ? read.grams : null;
}
const changed = (texts: readonly string[]): Weighed => ({
  texts,
  faults: texts.map((text) => {
    const read = readSpoon(text);
    return read.kind === 'bad' ? read.why : null;
  }),
  isKept: false,
});
const withText = (state: Weighed, at: number, text: string): Weighed =>
  changed(state.texts.map((old, i) => (i === at ? text : old)));

export function weighedAfter(state: Weighed, act: WeighAct): Weighed {
  if (act.kind === 'again') return NOTHING_WEIGHED;
  // What was kept stands as it was sent.
  if (state.isKept) return state;
  switch (act.kind) {
    case 'typed':
      return withText(state, act.at, act.text);
    case 'taken': {
      const at = state.texts.findIndex((text) => text.trim() === '');
      return at < 0 ? state : withText(state, at, numberText(act.grams, 2));
    }
    case 'undone': {
      const at = state.texts.findLastIndex((text) => text.trim() !== '');
      return at < 0 ? state : withText(state, at, '');
    }
    case 'kept':
      return singlesOf(state) ? { ...state, isKept: true } : state;
  }
}
/** The five weights; null until each is there. */
export function singlesOf({ texts }: Weighed): Grams[] | null {
  const read = texts.map(readSpoon);
  return read.every((spoon) => spoon.kind === 'ok') ? read.map((spoon) => spoon.grams) : null;
}
/** What five spoons say of a hand. */
export type Evenness = {
  readonly one: Grams;
  /** Standard deviation over the mean. */
  readonly share: number;
  readonly isEven: boolean;
};
export function evennessOf(singles: readonly Grams[]): Evenness {
  const one = grams(singles.reduce((sum, g) => sum + g, 0) / singles.length);
  return { one, share: spoonUnevenness(singles), isEven: areSpoonsEven(singles) };
}
