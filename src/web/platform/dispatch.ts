import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';

/** The store's dispatch, for parts of the store itself: they cannot know its whole state. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- as said above
export type Send = ThunkDispatch<any, unknown, UnknownAction>;
