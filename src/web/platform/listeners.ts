import { createListenerMiddleware } from '@reduxjs/toolkit';

/** Effects of what happens in the store, set up at the start by the shell. */
export const listeners = createListenerMiddleware();
