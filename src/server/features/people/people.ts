import { and, eq, ne } from 'drizzle-orm';
import type { z } from 'zod';
import { type addPerson, type changePerson, type Person, secretFault } from '#contracts/people';
import type { Tx } from '../../db/pool';
import { people, personSites, sessions } from '../../db/schema';
import { updateAtRevision } from '../../db/updateAtRevision';
import type { Deps } from '../../deps';
import { invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { inRecordedTransaction, type RecordChange } from '../history';
import { allPeople, personById } from './repository';
import { hashSecret } from './secrets';

type Change = z.infer<typeof changePerson.body>;

/** What a lead cannot do to their own record. @throws 422 */
function checkOwnRecord(id: string, next: Person, who: Signed) {
  if (id !== who.personId) return;
  if (!next.active || next.role !== 'lead')
    throw invalid({ role: 'A lead cannot put themselves out: another lead must.' });
  if (!next.siteIds.includes(who.siteId))
    throw invalid({ siteIds: 'You are signed in at this site. Sign in at another site first.' });
}
/** A trainee becomes a brewer where the skills are signed. @throws 422 */
function checkRise(before: Person, next: Person) {
  if (before.role === 'trainee' && next.role === 'brewer')
    throw invalid({
      role: 'A trainee becomes a brewer in School, on the board, once the skills are signed.',
    });
}
/** A lead has a passphrase, everybody else a PIN: who changes between the two needs a new secret. @throws 422 */
function checkSecret(before: Person, next: Person, secret: string | undefined) {
  if (secret !== undefined) {
    const fault = secretFault(next.role, secret);
    if (fault) throw invalid({ secret: fault });
    return;
  }
  if (next.role === before.role) return;
  if (next.role === 'lead')
    throw invalid({ secret: 'A lead needs a passphrase of 8 letters or more.' });
  if (before.role === 'lead') throw invalid({ secret: 'Set a PIN of 4 digits or more.' });
}
/** Two demotions at once: the second sees what the first left, and one lead always stays. @throws 422 */
async function keepOneLead(tx: Tx, next: Person) {
  const leads = await tx
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.role, 'lead'), eq(people.active, true)))
    .for('update');
  const staysLead = next.role === 'lead' && next.active;
  if (!staysLead && !leads.some((l) => l.id !== next.id))
    throw invalid({ role: 'The house would have no lead left: make another lead first.' });
}

/** Every session of a person but the one at hand. */
const endSessions = (tx: Tx, personId: string, who: Signed) =>
  tx
    .delete(sessions)
    .where(and(eq(sessions.personId, personId), ne(sessions.tokenHash, who.tokenHash)));
/** Makes a trainee a brewer; whether the skills are signed has been looked at. */
export async function raiseToBrewer(
  tx: Tx,
  record: RecordChange,
  before: Person,
  who: Signed,
): Promise<Person> {
  const next: Person = { ...before, role: 'brewer', rev: before.rev + 1 };
  await updateAtRevision(tx, people, before, before.rev, { role: next.role });
  await record({
    ...{ thing: 'person', id: before.id },
    ...{ before: { role: before.role }, after: { role: next.role } },
  });
  await endSessions(tx, before.id, who);
  return next;
}
export function createPeopleService(deps: Deps) {
  const { db } = deps;
  return {
    all: () => allPeople(db),
    /** A repeated id is the same person. */
    async add({ secret, ...given }: z.infer<typeof addPerson.body>, who: Signed): Promise<Person> {
      const fault = secretFault(given.role, secret);
      if (fault) throw invalid({ secret: fault });
      const secretHash = await hashSecret(secret);
      const { siteIds, ...fields } = given;
      return inRecordedTransaction(deps, who, async (tx, record) => {
        const there = await personById(tx, given.id);
        if (there) return there;
        await tx.insert(people).values({ ...fields, secretHash, active: true, rev: 1 });
        await tx
          .insert(personSites)
          .values(siteIds.map((siteId) => ({ personId: given.id, siteId })));
        const { name, role } = given;
        await record({ thing: 'person', id: given.id, before: null, after: { name, role } });
        return { ...given, active: true, rev: 1 };
      });
    },
    /** What is not named stays. A new secret, a new role or an end closes every session but the one at hand. */
    async change(id: string, { rev, secret, ...given }: Change, who: Signed): Promise<Person> {
      const before = await personById(db, id);
      if (!before) throw notFound('That person');
      const next: Person = {
        ...before,
        role: given.role ?? before.role,
        active: given.active ?? before.active,
        siteIds: given.siteIds ?? before.siteIds,
        rev: rev + 1,
      };
      checkRise(before, next);
      checkOwnRecord(id, next, who);
      checkSecret(before, next, secret);
      const secretHash = secret === undefined ? undefined : await hashSecret(secret);
      return inRecordedTransaction(deps, who, async (tx, record) => {
        await keepOneLead(tx, next);
        const { role, active, siteIds } = next;
        await updateAtRevision(tx, people, before, rev, {
          role,
          active,
          ...(secretHash ? { secretHash } : {}),
        });
        if (given.siteIds) {
          await tx.delete(personSites).where(eq(personSites.personId, id));
          await tx.insert(personSites).values(siteIds.map((siteId) => ({ personId: id, siteId })));
        }
        await record({
          thing: 'person',
          id,
          before: { role: before.role, active: before.active, siteIds: before.siteIds },
          after: { role, active, siteIds, ...(secretHash ? { secret: 'new' } : {}) },
        });
        if (secretHash || !active || role !== before.role) await endSessions(tx, id, who);
        return next;
      });
    },
  };
}
