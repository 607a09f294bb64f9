import { randomBytes } from 'node:crypto';
import { eq, sql } from 'drizzle-orm';
import type { z } from 'zod';
import type { addProgram, Program, ProgramRight } from '#contracts/programs';
import type { Tx } from '../../db/pool';
import { people, programMessages, programs } from '../../db/schema';
import type { Deps } from '../../deps';
import { AppError, notFound } from '../../http/errors';
import { perMinute } from '../../http/perMinute';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { inRecordedTransaction } from '../history';
import { newToken, tokenHash } from '../people';

/** So many requests of one key are answered in a minute: four a second, more than any till needs. */
export const MOST_A_MINUTE = 240;
/** When a key was used is noted once a minute. */
const USED_MS = 60_000;
export type Keyed = typeof programs.$inferSelect;

async function allPrograms(tx: Tx): Promise<Program[]> {
  const rows = await tx
    .select({
      p: programs,
      by: people.name,
      waiting: sql<number>`sum(${programMessages.state} = 'waiting')`,
      lost: sql<number>`sum(${programMessages.state} = 'lost')`,
    })
    .from(programs)
    .innerJoin(people, eq(people.id, programs.madeBy))
    .leftJoin(programMessages, eq(programMessages.programId, programs.id))
    .groupBy(programs.id, people.name)
    .orderBy(programs.name, programs.id);
  return rows.map(({ p, by, waiting, lost }) => ({
    id: p.id,
    siteId: p.siteId,
    name: p.name,
    rights: p.rights,
    hook: p.hook,
    made: p.made.getTime(),
    madeBy: by,
    used: p.used?.getTime() ?? null,
    ended: p.ended?.getTime() ?? null,
    waiting: Number(waiting ?? 0),
    lost: Number(lost ?? 0),
  }));
}

/** Programs of the house and their keys. */
export function createProgramKeys(deps: Deps) {
  const { db, now } = deps;
  const waits = perMinute(now, MOST_A_MINUTE);
  async function requireProgram(tx: Tx, id: string): Promise<Program> {
    const program = (await allPrograms(tx)).find((p) => p.id === id);
    if (!program) throw notFound('That program');
    return program;
  }
  return {
    all: () => allPrograms(db),
    /** A repeated id is the same program; its key is said once. */
    add: ({ id, siteId, name, rights, hook }: z.infer<typeof addProgram.body>, who: Signed) =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        mustWorkAt(who, siteId);
        const there = (await allPrograms(tx)).find((p) => p.id === id);
        if (there) return { program: there, key: null, secret: null };
        const key = newToken();
        const secret = hook === null ? null : randomBytes(32).toString('base64url');
        await tx.insert(programs).values({
          ...{ id, siteId, name, rights: [...new Set(rights)], hook, secret },
          keyHash: tokenHash(key),
          made: new Date(now()),
          madeBy: who.personId,
        });
        await record({ thing: 'program', id, before: null, after: { name, rights, hook } });
        return { program: await requireProgram(tx, id), key, secret };
      }),
    /** Its key opens nothing from now on; ended twice it is ended once. */
    end: (id: string, who: Signed): Promise<Program> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const program = await requireProgram(tx, id);
        mustWorkAt(who, program.siteId);
        if (program.ended !== null) return program;
        const ended = new Date(now());
        await tx.update(programs).set({ ended }).where(eq(programs.id, id));
        await record({ thing: 'program', id, before: { key: 'in use' }, after: { key: 'ended' } });
        return requireProgram(tx, id);
      }),
    /** The program of a key. @throws 401 when it opens nothing, 403 when it may not do this */
    async allow(key: string, right: ProgramRight): Promise<Keyed> {
      const [program] = await db
        .select()
        .from(programs)
        .where(eq(programs.keyHash, tokenHash(key)));
      if (!program || program.ended)
        throw new AppError('program.key', 401, 'This key opens nothing. Ask a lead for a new one.');
      const wait = waits(program.id);
      if (wait > 0)
        throw new AppError('program.wait', 429, `Too many requests. Wait ${wait} s.`, {
          details: { wait },
        });
      if (!program.rights.includes(right))
        throw new AppError(
          'program.right',
          403,
          `This key does not open this: it lacks “${right}”.`,
        );
      if (now() - (program.used?.getTime() ?? 0) > USED_MS)
        await db
          .update(programs)
          .set({ used: new Date(now()) })
          .where(eq(programs.id, program.id));
      return program;
    },
  };
}
