/**
 * Work that takes long: a pure function of what can be copied between threads, with a name that both threads know it
 * by.
 * It throws only what nobody expects; what a person is told comes back as a value.
 */
export type Task<A extends readonly unknown[], R> = {
  readonly name: string;
  readonly run: (...args: A) => R | Promise<R>;
};
export const task = <A extends readonly unknown[], R>(
  name: string,
  run: (...args: A) => R | Promise<R>,
): Task<A, R> => ({ name, run });

/** What a thread is sent. */
export type Sent = { readonly name: string; readonly args: readonly unknown[] };

/** Runs tasks away from the thread that answers requests. */
export type Work = {
  /** @throws 503 when too many wait; 422 when it takes too long */
  run<A extends readonly unknown[], R>(task: Task<A, R>, ...args: A): Promise<R>;
  /** As `run`; the same task of the same things is done once, and its answer kept for a while. */
  kept<A extends readonly unknown[], R>(task: Task<A, R>, ...args: A): Promise<R>;
  close(): Promise<void>;
};
