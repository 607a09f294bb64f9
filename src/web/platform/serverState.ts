import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What the server says of itself with its answers. */
type ServerState = { readonly diskLeft: number | null };
const server = createSlice({
  name: 'server',
  initialState: { diskLeft: null } as ServerState,
  reducers: {
    /** Megabytes left on its disk when they are few; null: there is room. */
    diskTold: (_s, { payload }: PayloadAction<number | null>) => ({ diskLeft: payload }),
  },
});
export const { diskTold } = server.actions;
export const serverReducer = server.reducer;
