import { createListenerMiddleware, createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What belongs to this device, not to a person. */
export type Settings = { readonly theme: 'light' | 'dim'; readonly sound: 0 | 1 | 2 | 3; readonly siteId: string | null };
const KEY = 'limnos.device';
function read(): Settings {
  const fallback: Settings = { theme: 'light', sound: 2, siteId: null };
  try {
    return { ...fallback, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Settings>) };
  } catch {
    return fallback;
  }
}
const slice = createSlice({
  name: 'settings',
  initialState: read,
  reducers: { settingsChanged: (s, { payload }: PayloadAction<Partial<Settings>>) => ({ ...s, ...payload }) },
});
export const { settingsChanged } = slice.actions;
export const settingsReducer = slice.reducer;

export const settingsListener = createListenerMiddleware<{ settings: Settings }>();
/** Shows the theme and keeps the settings on this device. */
export function applySettings(s: Settings): void {
  document.documentElement.dataset.theme = s.theme;
}
settingsListener.startListening({
  actionCreator: settingsChanged,
  effect: (_action, { getState }) => {
    const { settings } = getState();
    applySettings(settings);
    localStorage.setItem(KEY, JSON.stringify(settings));
  },
});
