import type { Brew, Order } from '#contracts/brews';
import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit';

/** What Undo does: takes back what was done to one brew or several, a start, or a change of the queue. */
export type Undo =
  | {
      readonly kind: 'events';
      readonly of: readonly { readonly eventId: string; readonly before: Brew }[];
    }
  | { readonly kind: 'start'; readonly brew: Brew }
  | {
      readonly kind: 'order';
      readonly order: Order;
      readonly body: { readonly rank?: number; readonly state?: 'waiting' | 'dropped' };
    };
/** Something else to do at once, by name: what it runs is not kept in the store. */
export type ToastAct = { readonly words: string; readonly run: 'newVersion' };
export type Toast = {
  readonly id: string;
  readonly text: string;
  readonly undo?: Undo;
  readonly act?: ToastAct;
};

const slice = createSlice({
  name: 'toasts',
  initialState: [] as Toast[],
  reducers: {
    toastShown: {
      prepare: (t: Omit<Toast, 'id'>) => ({ payload: { id: nanoid(), ...t } }),
      reducer: (s, { payload }: PayloadAction<Toast>) => [...s.slice(-2), payload],
    },
    /** What was said to whoever was here is not for whoever comes next. */
    toastsCleared: (): Toast[] => [],
    toastGone: (s, { payload }: PayloadAction<string>) => s.filter((t) => t.id !== payload),
  },
});
export const { toastShown, toastGone, toastsCleared } = slice.actions;
export const toastsReducer = slice.reducer;
