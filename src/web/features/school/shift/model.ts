import {
  isShiftOver,
  isSteeping,
  nextMoment,
  type OrderStand,
  refusalOf,
  SHIFT_S,
  type ShiftAct,
  shiftAt,
  type ShiftGiven,
  type ShiftHand,
  type ShiftRefusal,
  type ShiftStand,
} from '#core/training';

// A shift that somebody runs: its clock, and what the hands did.

export type Shift =
  | { readonly stage: 'ready' }
  | {
      readonly stage: 'running' | 'done';
      /** The clock stands until it is sent to the next moment. */
      readonly isStepped: boolean;
      readonly isPaused: boolean;
      /** s from the beginning. */
      readonly now: number;
      readonly acts: readonly ShiftAct[];
      /** The vessel that the next key is for. */
      readonly picked: number;
      /** Why the last hand could do nothing; null: it could. */
      readonly refused: ShiftRefusal | null;
    };
export type ShiftAction =
  | { readonly kind: 'begin'; readonly isStepped: boolean }
  | { readonly kind: 'tick'; readonly seconds: number }
  /** To the next moment at which something changes. */
  | { readonly kind: 'nextMoment' }
  | { readonly kind: 'pause'; readonly isPaused: boolean }
  | { readonly kind: 'pick'; readonly cup: number }
  | { readonly kind: 'hand'; readonly cup: number };

export const READY: Shift = { stage: 'ready' };

/** What a hand does next at a vessel: its lid, its leaf, its cup, or the order that waits for it. */
export function handAt(
  stand: ShiftStand,
  cup: number,
): { readonly hand: ShiftHand; readonly order: number } | null {
  const here = stand.orders.flatMap((o, order) => (o.cup === cup ? [{ o, order }] : []));
  const standing = here.find(({ o }) => o.pouredS !== null && o.servedS === null);
  if (standing) {
    const { o, order } = standing;
    if (!isSteeping(o)) return { hand: 'serve', order };
    return { hand: o.lid === 'off' ? 'lid' : 'pull', order };
  }
  const waiting = here.find(({ o }) => o.pouredS === null);
  return waiting ? { hand: 'pour', order: waiting.order } : null;
}
/** Orders that nobody has poured yet. */
export const waitingOrders = (
  stand: ShiftStand,
): { readonly order: number; readonly stand: OrderStand }[] =>
  stand.orders.flatMap((o, order) => (o.pouredS === null ? [{ order, stand: o }] : []));

/** How it stands now. @throws {RangeError} where the hands did what they cannot do: then the model is wrong */
export function standOf(given: ShiftGiven, shift: Exclude<Shift, { stage: 'ready' }>): ShiftStand {
  const stand = shiftAt(given, shift.acts, shift.now);
  if (!stand) throw new RangeError('a shift with an act that cannot be');
  return stand;
}
/** Acts are kept to tenths of a second; a moment is never left before it has come. */
const tenths = (s: number): number => Math.ceil(10 * s - 1e-6) / 10;

export const running =
  (given: ShiftGiven) =>
  (shift: Shift, action: ShiftAction): Shift => {
    if (shift.stage === 'ready')
      return action.kind === 'begin'
        ? {
            ...{ stage: 'running', isStepped: action.isStepped, isPaused: false, now: 0 },
            ...{ acts: [], picked: given.orders[0]?.cup ?? 0, refused: null },
          }
        : shift;
    // What is over stays.
    if (shift.stage === 'done') return shift;
    const at = (now: number): Shift => {
      const then = { ...shift, now: Math.min(SHIFT_S, tenths(now)), refused: null };
      return isShiftOver(given, standOf(given, then), then.now) ? { ...then, stage: 'done' } : then;
    };
    switch (action.kind) {
      case 'begin':
        return shift;
      case 'tick':
        return shift.isStepped || shift.isPaused ? shift : at(shift.now + action.seconds);
      case 'nextMoment':
        return at(nextMoment(given, standOf(given, shift), shift.now));
      case 'pause':
        return shift.isStepped ? shift : { ...shift, isPaused: action.isPaused };
      case 'pick':
        return action.cup < given.cups.length ? { ...shift, picked: action.cup } : shift;
      case 'hand': {
        const stand = standOf(given, shift);
        const wanted = handAt(stand, action.cup);
        if (!wanted) return { ...shift, picked: action.cup };
        const act: ShiftAct = { ...wanted, at: shift.now };
        const refused = refusalOf(stand, act);
        const acts = refused === null ? [...shift.acts, act] : shift.acts;
        const then = { ...shift, acts, refused, picked: action.cup };
        return isShiftOver(given, standOf(given, then), then.now)
          ? { ...then, stage: 'done' }
          : then;
      }
    }
  };
