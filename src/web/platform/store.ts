import { configureStore } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api';
import { listeners } from './listeners';
import { liveReducer } from './live';
import { outboxListener, outboxReducer } from './outbox/outbox';
import { serverReducer } from './serverState';
import { applySettings, settingsListener, settingsReducer } from './settings';
import { toastsReducer } from './toasts';

export const store = configureStore({
  reducer: {
    [api.reducerPath]: api.reducer,
    outbox: outboxReducer,
    live: liveReducer,
    server: serverReducer,
    toasts: toastsReducer,
    settings: settingsReducer,
  },
  middleware: (defaults) =>
    defaults()
      .prepend(outboxListener.middleware, settingsListener.middleware, listeners.middleware)
      .concat(api.middleware),
});
setupListeners(store.dispatch);
applySettings(store.getState().settings);

export type RootState = ReturnType<typeof store.getState>;
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
