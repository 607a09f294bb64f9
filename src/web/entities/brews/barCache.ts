import type { Brew, Order } from '#contracts/brews';
import { brewsApi } from './api';

/** A brew as the server has it takes its place in the bar that was last read, or leaves it. */
export const brewSaved = (brew: Brew) =>
  brewsApi.util.updateQueryData('bar', undefined, (bar) => {
    const open = brew.state.kind !== 'judged' && brew.state.kind !== 'abandoned';
    bar.brews = [...bar.brews.filter((b) => b.id !== brew.id), ...(open ? [brew] : [])];
  });
/** The queue as the server has it. */
export const ordersSaved = (orders: readonly Order[]) =>
  brewsApi.util.updateQueryData('bar', undefined, (bar) => {
    bar.orders = [...orders];
  });
