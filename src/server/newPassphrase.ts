// Run on the machine itself, by `npm run new-passphrase`: a lead who has forgotten theirs gets a new one.
import { eq } from 'drizzle-orm';
import { openDb, openPool } from './db/pool';
import { people, sessions, signinMisses } from './db/schema';
import { inRecordedTransaction } from './features/history';
import { allPeople } from './features/people';
import { hashSecret } from './features/people/secrets';

type Said = { readonly kind: 'done' | 'which' | 'nobody'; readonly names: string[] };

/** Gives a lead a new passphrase, ends all that was open in their name, and keeps that it was done. */
async function give(url: string, name: string, secret: string): Promise<Said> {
  const pool = openPool(url);
  const db = openDb(pool);
  try {
    const all = await allPeople(db);
    const leads = all.filter((p) => p.role === 'lead');
    // A house without a lead at work: anybody may be made one, by who owns the machine.
    const choice = leads.some((p) => p.active) ? leads.filter((p) => p.active) : all;
    const names = choice.map((p) => p.name);
    const found = choice.find((p) => p.name.toLowerCase() === name.toLowerCase());
    if (!found) return { kind: names.length === 0 ? 'nobody' : 'which', names };
    const secretHash = await hashSecret(secret);
    await inRecordedTransaction(
      { db, now: Date.now },
      { personId: found.id },
      async (tx, record) => {
        await tx
          .update(people)
          .set({ role: 'lead', active: true, secretHash })
          .where(eq(people.id, found.id));
        await tx.delete(sessions).where(eq(sessions.personId, found.id));
        await tx.delete(signinMisses);
        await record({
          thing: 'person',
          id: found.id,
          before: { role: found.role, active: found.active },
          after: { role: 'lead', active: true, secret: 'new, from the machine itself' },
        });
      },
    );
    return { kind: 'done', names: [found.name] };
  } finally {
    await pool.end();
  }
}

const [name = '', secret = ''] = process.argv.slice(2);
console.log(JSON.stringify(await give(process.env.DATABASE_URL ?? '', name, secret)));
