import type { PouredTurn, TurnsGiven } from '#core/training';

// A vessel that is poured into cups by hand, until it is submitted.

export type Pouring = {
  readonly pours: readonly PouredTurn[];
  readonly isDone: boolean;
};
export type PourAction =
  /** So much more into a cup: a tap, or what a held hand has poured since. */
  | { readonly kind: 'pour'; readonly cup: number; readonly ml: number }
  /** The cup is set down: the next pour into it is another one. */
  | { readonly kind: 'lift' }
  | { readonly kind: 'undo' }
  | { readonly kind: 'submitted' };
export type PouringState = Pouring & {
  /** Whether the last pour goes on. */
  readonly isPouring: boolean;
};
export const UNPOURED: PouringState = { pours: [], isDone: false, isPouring: false };

export const pouredMl = ({ pours }: Pouring): number => pours.reduce((sum, p) => sum + p.ml, 0);
/** Less than this is no pour, ml. */
const LEAST = 0.01;

export const pouring =
  ({ liquorMl, cups }: Pick<TurnsGiven, 'liquorMl' | 'cups'>) =>
  (p: PouringState, action: PourAction): PouringState => {
    // What is submitted stays.
    if (p.isDone) return p;
    switch (action.kind) {
      case 'pour': {
        const ml = Math.min(action.ml, liquorMl - pouredMl(p));
        if (ml < LEAST || action.cup < 0 || action.cup >= cups) return p;
        const last = p.pours.at(-1);
        const goesOn = p.isPouring && last?.cup === action.cup;
        const pours = goesOn
          ? [...p.pours.slice(0, -1), { cup: action.cup, ml: last.ml + ml }]
          : [...p.pours, { cup: action.cup, ml }];
        return { ...p, pours, isPouring: true };
      }
      case 'lift':
        return p.isPouring ? { ...p, isPouring: false } : p;
      case 'undo':
        return { ...p, pours: p.pours.slice(0, -1), isPouring: false };
      case 'submitted':
        return p.pours.length === 0 ? p : { ...p, isDone: true, isPouring: false };
    }
  };
