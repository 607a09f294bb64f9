import { createHmac } from 'node:crypto';
import { and, asc, eq, inArray, lte } from 'drizzle-orm';
import { inTransaction } from '../../db/inTransaction';
import { programMessages, programs } from '../../db/schema';
import type { Deps } from '../../deps';

/** A message that was not taken is sent again after these, then given up: nearly nine hours in all. */
export const AGAIN_MS = [5_000, 30_000, 120_000, 600_000, 3_600_000, 7_200_000, 21_600_000];
/** A program has so long to take a message. */
const ANSWER_MS = 5000;
/** While one process sends a message no other does. */
const LEASE_MS = 30_000;
const AT_ONCE = 10;

/** "t=1773238800000,v1=<hex>": HMAC-SHA256 of instant, full stop and body, with the program's secret. */
export const signatureOf = (secret: string, at: number, body: string): string =>
  `t=${at},v1=${createHmac('sha256', secret).update(`${at}.${body}`).digest('hex')}`;

type Send = (url: string, body: string, headers: Record<string, string>) => Promise<boolean>;
const post: Send = async (url, body, headers) => {
  try {
    const answer = await fetch(url, {
      method: 'POST',
      body,
      headers,
      // An address that sends elsewhere has not taken it.
      redirect: 'manual',
      signal: AbortSignal.timeout(ANSWER_MS),
    });
    return answer.ok;
  } catch {
    return false;
  }
};

/** Messages to the addresses of programs, sent until they are taken. */
export function createProgramMessages({ db, now }: Deps, send: Send = post) {
  /** What is due now; another process leaves it alone for a while. */
  const take = () =>
    inTransaction(db, async (tx) => {
      const rows = await tx
        .select({ m: programMessages, hook: programs.hook, secret: programs.secret })
        .from(programMessages)
        .innerJoin(programs, eq(programs.id, programMessages.programId))
        .where(and(eq(programMessages.state, 'waiting'), lte(programMessages.due, new Date(now()))))
        .orderBy(asc(programMessages.due))
        .limit(AT_ONCE)
        .for('update', { skipLocked: true });
      if (rows.length > 0)
        await tx
          .update(programMessages)
          .set({ due: new Date(now() + LEASE_MS) })
          .where(
            inArray(
              programMessages.id,
              rows.map((r) => r.m.id),
            ),
          );
      return rows;
    });
  async function deliver({ m, hook, secret }: Awaited<ReturnType<typeof take>>[number]) {
    const body = JSON.stringify(m.body);
    const at = now();
    const taken =
      hook !== null &&
      (await send(hook, body, {
        'content-type': 'application/json',
        'limnos-signature': signatureOf(secret ?? '', at, body),
      }));
    const again = AGAIN_MS[m.tries];
    const next = {
      tries: m.tries + 1,
      ...(again === undefined ? { state: 'lost' as const } : { due: new Date(now() + again) }),
    };
    await db
      .update(programMessages)
      .set(taken ? { tries: m.tries + 1, state: 'taken' } : next)
      .where(eq(programMessages.id, m.id));
  }
  return {
    /** Sends what is due; how many were. */
    async sendDue(): Promise<number> {
      const due = await take();
      await Promise.all(due.map(deliver));
      return due.length;
    },
  };
}
