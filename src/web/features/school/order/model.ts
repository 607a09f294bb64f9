import type { OrderScore } from '#core/training';

// Cups that are set in order: each is in the tray, lifted, or in a place.

export type Ordering = {
  /** What cup is in each place, by its letter’s number; null: none. */
  readonly places: readonly (number | null)[];
  /** The cup in hand; null: none. */
  readonly lifted: number | null;
  /** The place where the cup in hand would be set down. */
  readonly waiting: number;
  /** States before, for undo. */
  readonly before: readonly Pick<Ordering, 'places' | 'lifted'>[];
  /** Null until it is submitted. */
  readonly score: OrderScore | null;
};
export type OrderAction =
  | { readonly kind: 'lift'; readonly letter: number }
  | { readonly kind: 'place'; readonly at: number }
  | { readonly kind: 'move'; readonly by: 1 | -1 }
  | { readonly kind: 'set' }
  /** Dragged to a place, or beside all of them: out of its place. */
  | { readonly kind: 'drop'; readonly letter: number; readonly at: number | null }
  | { readonly kind: 'undo' }
  | { readonly kind: 'submitted'; readonly score: OrderScore };

export const empty = (cups: number): Ordering => ({
  places: Array.from({ length: cups }, () => null),
  lifted: null,
  waiting: 0,
  before: [],
  score: null,
});
export const letterName = (letter: number): string => String.fromCharCode(65 + letter);
/** Cups that are in no place and not in hand. */
export const inTray = ({ places, lifted }: Ordering): number[] =>
  [...places.keys()].filter((letter) => !places.includes(letter) && lifted !== letter);
/** Cups that are in no place yet. */
export const toPlace = ({ places }: Ordering): number => places.filter((p) => p === null).length;
/** The order, once every cup is in a place. */
export const lettersOf = ({ places }: Ordering): number[] | null => {
  const letters = places.flatMap((p) => (p === null ? [] : [p]));
  return letters.length === places.length ? letters : null;
};

const firstFree = (places: Ordering['places'], from: number): number => {
  const free = [...places.keys()].filter((i) => places[i] === null);
  return free.find((i) => i >= from) ?? free[0] ?? from;
};
function changed(o: Ordering, to: Pick<Ordering, 'places' | 'lifted'>): Ordering {
  const before = [...o.before, { places: o.places, lifted: o.lifted }];
  return { ...o, ...to, before, waiting: firstFree(to.places, o.waiting) };
}
/** The cup in hand into a place; what was there is in hand then. */
function setDown(o: Ordering, at: number): Ordering {
  const { lifted } = o;
  if (lifted === null || at < 0 || at >= o.places.length) return o;
  const places = o.places.map((p, i) => (i === at ? lifted : p));
  return changed(o, { places, lifted: o.places[at] ?? null });
}
/** A cup into the hand, from the tray or from its place; what was in hand goes back to the tray. */
const lift = (o: Ordering, letter: number): Ordering =>
  letter >= o.places.length || o.lifted === letter
    ? o
    : changed(o, { places: o.places.map((p) => (p === letter ? null : p)), lifted: letter });

/** A cup dragged to a place: what was there changes places with it. Dragged away: it is in no place. */
function dropped(o: Ordering, letter: number, at: number | null): Ordering {
  const from = o.places.indexOf(letter);
  if (at === from || (at === null && from < 0)) return o;
  const other = at === null ? null : (o.places[at] ?? null);
  const places = o.places.map((p, i) => {
    if (i === at) return letter;
    return i === from ? other : p;
  });
  return changed(o, { places, lifted: o.lifted === letter ? null : o.lifted });
}

export function ordered(o: Ordering, action: OrderAction): Ordering {
  // What is submitted stays; the wrong way round is set again.
  if (o.score !== null && o.score.judged !== 'again') return o;
  switch (action.kind) {
    case 'lift':
      return lift({ ...o, score: null }, action.letter);
    case 'place': {
      const there = o.places[action.at] ?? null;
      if (o.lifted !== null) return setDown({ ...o, score: null }, action.at);
      return there === null ? { ...o, waiting: action.at } : lift({ ...o, score: null }, there);
    }
    case 'move':
      return {
        ...o,
        waiting: Math.min(o.places.length - 1, Math.max(0, o.waiting + action.by)),
      };
    case 'set':
      return setDown(o, o.waiting);
    case 'drop':
      return dropped({ ...o, score: null }, action.letter, action.at);
    case 'undo': {
      const last = o.before.at(-1);
      return last ? { ...o, ...last, before: o.before.slice(0, -1), score: null } : o;
    }
    case 'submitted':
      return { ...o, score: action.score };
  }
}
