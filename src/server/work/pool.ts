import { createHash } from 'node:crypto';
import { LRUCache } from 'lru-cache';
import { Piscina } from 'piscina';
import { AppError } from '../http/errors';
import type { Sent, Work } from './task';

/** Two threads: most machines here have two processors, and the house's records want some of them. */
const THREADS = 2;
const MOST_WAITING = 48;
/** From asked to answered, waiting included. */
const MOST_MS = 60_000;
const IDLE_MS = 60_000;
const MOST_MEGABYTES = 512;
/** Answers kept, in bytes or letters. */
const KEPT_SIZE = 20_000_000;

const busy = () =>
  new AppError('server.busy', 503, 'The server is busy with other papers. Try again in a moment.');
const tooLong = () =>
  new AppError(
    'input.invalid',
    422,
    'This took more than a minute. Try again with a smaller file.',
  );

/** @param file the built worker; a thread is started when there is work, and ends after a quiet minute. */
export function openWork(file: URL, { mostMs = MOST_MS } = {}): Work {
  const threads = new Piscina({
    filename: file.href,
    minThreads: 0,
    maxThreads: THREADS,
    maxQueue: MOST_WAITING,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
  });
  const kept = new LRUCache<string, NonNullable<unknown>>({
    maxSize: KEPT_SIZE,
    sizeCalculation: (v) =>
      1 + (typeof v === 'string' || v instanceof Uint8Array ? v.length : KEPT_SIZE / 100),
  });
  const making = new Map<string, Promise<unknown>>();
  const send = async (sent: Sent): Promise<unknown> => {
    if (threads.queueSize >= MOST_WAITING) throw busy();
    const limit = AbortSignal.timeout(mostMs);
    try {
      return await threads.run(sent, { signal: limit });
    } catch (error) {
      if (limit.aborted) throw tooLong();
      throw error;
    }
  };
  const work: Work = {
    run: ({ name }, ...args) => send({ name, args }) as never,
    async kept(task, ...args) {
      const key = createHash('sha256')
        .update(JSON.stringify([task.name, args]))
        .digest('base64');
      const there = kept.get(key);
      if (there !== undefined) return there as never;
      // Asked for by many at once, it is made once for all of them.
      const being = making.get(key) ?? work.run(task, ...args);
      making.set(key, being);
      try {
        const made = await being;
        if (made !== null && made !== undefined) kept.set(key, made);
        return made as never;
      } finally {
        making.delete(key);
      }
    },
    close: () => threads.destroy(),
  };
  return work;
}
