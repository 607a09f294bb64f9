import { eq, inArray, sql } from 'drizzle-orm';
import type { Tx } from '../../db/pool';
import { signinMisses } from '../../db/schema/index';

/** Free tries before the delay begins, and how it grows: 30 s, 1 min, 2 min ... to 15 min. */
const FREE = 5;
const FIRST_S = 30;
const LONGEST_S = 900;
/** Misses this old are forgotten. */
const FORGET_S = 3600;

/** Seconds still to wait after `misses`, the last one `ago` seconds back. */
export function waitAfter(misses: number, ago: number): number {
  if (misses < FREE || ago > FORGET_S) return 0;
  return Math.max(0, Math.min(LONGEST_S, FIRST_S * 2 ** (misses - FREE)) - ago);
}

export const personKey = (id: string) => `person:${id}`;
export const addressKey = (address: string) => `from:${address}`.slice(0, 80);

/** The longest wait over the subjects, and the misses of the first. */
export async function readDelay(tx: Tx, subjects: string[], now: number): Promise<{ wait: number; misses: number }> {
  const rows = await tx.select().from(signinMisses).where(inArray(signinMisses.subject, subjects));
  const wait = Math.max(0, ...rows.map((r) => waitAfter(r.misses, (now - r.last.getTime()) / 1000)));
  return { wait: Math.ceil(wait), misses: rows.find((r) => r.subject === subjects[0])?.misses ?? 0 };
}
/** One more miss for each subject; old ones start again from one. */
export async function countMiss(tx: Tx, subjects: string[], now: number): Promise<void> {
  const last = new Date(now);
  const stale = new Date(now - FORGET_S * 1000);
  for (const subject of subjects) {
    await tx.insert(signinMisses).values({ subject, misses: 1, last })
      .onDuplicateKeyUpdate({ set: { misses: sql`if(${signinMisses.last} < ${stale}, 1, ${signinMisses.misses} + 1)`, last } });
  }
}
export const forgetMisses = (tx: Tx, subject: string) => tx.delete(signinMisses).where(eq(signinMisses.subject, subject));
