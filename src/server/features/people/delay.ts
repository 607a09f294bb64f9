import { eq, inArray, sql } from 'drizzle-orm';
import type { Tx } from '../../db/pool';
import { signinMisses } from '../../db/schema/index';
import { AppError } from '../../http/errors';

/** Free tries before the delay begins, and how it grows: 30 s, 1 min, 2 min ... to 15 min. */
const FREE = 5;
/** An address is a whole house behind one router or proxy: it has far more free tries than a person. */
const FREE_OF_ADDRESS = 60;
const FIRST_S = 30;
const LONGEST_S = 900;
/** Misses this old are forgotten. */
const FORGET_S = 3600;

export const personKey = (id: string) => `person:${id}`;
/** Tries of a guest's code, by address. */
export const guestKey = (address: string) => `from:guest:${address}`.slice(0, 80);
/** Tries of a device's code, by address. */
export const deviceKey = (address: string) => `from:device:${address}`.slice(0, 80);
export const addressKey = (address: string) => `from:${address}`.slice(0, 80);
const freeOf = (subject: string): number => (subject.startsWith('from:') ? FREE_OF_ADDRESS : FREE);

/** Seconds still to wait after `misses`, the last one `ago` seconds back. */
export function waitAfter(misses: number, ago: number, free = FREE): number {
  if (misses < free || ago > FORGET_S) return 0;
  return Math.max(0, Math.min(LONGEST_S, FIRST_S * 2 ** (misses - free)) - ago);
}

export type Try = { readonly wait: number; readonly misses: number };

/**
 * Counts a try as missed before the secret is looked at, under a lock of each subject's row, so that many tries at once
 * are counted one after another. While a delay runs nothing is counted. A secret that was right is forgotten
 * afterwards.
 * @returns the wait in whole seconds, 0 when the try may be made, and the misses of the first subject with this one.
 */
export async function countTry(tx: Tx, subjects: readonly string[], now: number): Promise<Try> {
  const last = new Date(now);
  const stale = new Date(now - FORGET_S * 1000);
  // In one order, so that two tries never wait for each other.
  for (const subject of [...subjects].sort()) {
    await tx
      .insert(signinMisses)
      .values({ subject, misses: 0, last })
      .onDuplicateKeyUpdate({ set: { subject } });
  }
  const rows = await tx
    .select()
    .from(signinMisses)
    .where(inArray(signinMisses.subject, [...subjects]))
    .orderBy(signinMisses.subject)
    .for('update');
  const waits = rows.map((r) =>
    waitAfter(r.misses, (now - r.last.getTime()) / 1000, freeOf(r.subject)),
  );
  const wait = Math.ceil(Math.max(0, ...waits));
  const before = rows.find((r) => r.subject === subjects[0])?.misses ?? 0;
  if (wait > 0) return { wait, misses: before };
  for (const { subject } of rows) {
    const misses = sql`if(${signinMisses.last} < ${stale}, 1, ${signinMisses.misses} + 1)`;
    await tx.update(signinMisses).set({ misses, last }).where(eq(signinMisses.subject, subject));
  }
  const first = rows.find((r) => r.subject === subjects[0]);
  return { wait: 0, misses: first && first.last >= stale ? before + 1 : 1 };
}
/** What the next try will have to wait, s. */
export const waitNext = ({ misses }: Try): number => waitAfter(misses, 0);
/** Said while a delay runs. */
export const tooManyTries = (wait: number): AppError =>
  new AppError('signin.wait', 429, `Too many wrong tries. Wait ${wait} s, then try again.`, {
    details: { wait },
  });
export const forgetMisses = (tx: Tx, subjects: readonly string[]) =>
  tx.delete(signinMisses).where(inArray(signinMisses.subject, [...subjects]));
