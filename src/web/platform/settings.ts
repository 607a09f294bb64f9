import { createListenerMiddleware, createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What belongs to this device, not to a person. */
export type Settings = {
  readonly theme: 'light' | 'dim';
  /** 0 is the quiet mode. */
  readonly sound: 0 | 1 | 2 | 3;
  readonly vibrate: boolean;
  /** A frame round the whole screen while a pull is due, to be seen across the room. */
  readonly frame: boolean;
  readonly siteId: string | null;
  /** What the others call it, when several use it. */
  readonly deviceName: string;
  /** Minutes without a touch after which it asks for a PIN again; 0: it is one person's. */
  readonly lockAfter: number;
  /** Nobody is at it: what the server was told, or will be when it is back. */
  readonly locked: boolean;
};
const KEY = 'limnos.device';
function read(): Settings {
  const fallback: Settings = {
    theme: 'light',
    sound: 2,
    vibrate: true,
    frame: true,
    siteId: null,
    deviceName: 'Counter tablet',
    lockAfter: 0,
    locked: false,
  };
  try {
    return { ...fallback, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Settings>) };
  } catch {
    return fallback;
  }
}
const slice = createSlice({
  name: 'settings',
  initialState: read,
  reducers: {
    settingsChanged: (s, { payload }: PayloadAction<Partial<Settings>>) => ({ ...s, ...payload }),
  },
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
