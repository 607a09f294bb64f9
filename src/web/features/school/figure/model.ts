import type { FigureValue } from '#core/training';

// A figure that is pulled, typed or chosen, or that there is none, until it is submitted.

export type Figuring = {
  /** Null: nothing is chosen yet. */
  readonly value: FigureValue | null;
  /** Values before, for undo. */
  readonly before: readonly (FigureValue | null)[];
  readonly isDone: boolean;
};
export type FigureAction =
  | { readonly kind: 'value'; readonly value: FigureValue }
  | { readonly kind: 'undo' }
  | { readonly kind: 'submitted' };

export const BLANK: Figuring = { value: null, before: [], isDone: false };

export function figured(f: Figuring, action: FigureAction): Figuring {
  // What is submitted stays.
  if (f.isDone) return f;
  switch (action.kind) {
    case 'value':
      if (action.value === f.value) return f;
      return { ...f, value: action.value, before: [...f.before, f.value] };
    case 'undo':
      return f.before.length === 0
        ? f
        : { ...f, value: f.before.at(-1) ?? null, before: f.before.slice(0, -1) };
    case 'submitted':
      return f.value === null ? f : { ...f, isDone: true };
  }
}
