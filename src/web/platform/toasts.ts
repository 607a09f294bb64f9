import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit';

/** What Undo takes back; read by whoever offered it (brews: `entities/brews/undo.ts`). */
export type Undo = { readonly kind: string };
/** Something else to do at once, by name: what it runs is not kept in the store. */
export type ToastAct = { readonly words: string; readonly run: 'newVersion' };
/** Where one may go on from here. */
export type ToastLink = { readonly words: string; readonly to: string };
export type Toast = {
  readonly id: string;
  readonly text: string;
  readonly undo?: Undo;
  readonly act?: ToastAct;
  readonly link?: ToastLink;
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
