import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit';

/** What Undo does: an event to send for a brew. */
export type Undo = { readonly kind: 'undoPull'; readonly brewId: string };
export type Toast = { readonly id: string; readonly text: string; readonly undo?: Undo };

const slice = createSlice({
  name: 'toasts',
  initialState: [] as Toast[],
  reducers: {
    toastShown: { prepare: (t: Omit<Toast, 'id'>) => ({ payload: { id: nanoid(), ...t } }), reducer: (s, { payload }: PayloadAction<Toast>) => [...s.slice(-2), payload] },
    toastGone: (s, { payload }: PayloadAction<string>) => s.filter((t) => t.id !== payload),
  },
});
export const { toastShown, toastGone } = slice.actions;
export const toastsReducer = slice.reducer;
